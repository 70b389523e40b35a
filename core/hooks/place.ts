import { DomainError } from "../errors";
import type { HookGeometry } from "./geometry";

export const landmarks = ["eye", "point", "barb", "bend", "intoBend", "betweenBends"] as const;
export type Landmark = (typeof landmarks)[number];

/** Where a part of the fly gives a place: before its front, behind its rear, or in its middle. */
export const partEnds = ["front", "rear", "middle"] as const;
export type PartEnd = (typeof partEnds)[number];

/** How far from a place, in mm or in measures of the hook: towards the bend above nothing, towards the eye below. */
export type PlaceShift = { mm: number } | { of: "shank" | "gape" | "eye"; times: number };

/** A place that the hook itself gives: a landmark, eye lengths behind the eye, or a fraction of the shank. */
export type HookPlace = ({ landmark: Landmark } | { eyeLengths: number } | { fraction: number }) & {
  plus?: PlaceShift;
};
/** A place that a part of the fly gives: behind the weight, in front of the eyes. `part` is a component. */
export interface PartPlace {
  part: string;
  end: PartEnd;
  plus?: PlaceShift;
}
/** A place on the shank as it is said. */
export type Place = HookPlace | PartPlace;

/** How far a shift goes on a hook, in mm; 0 for none. */
export const shiftMm = (shift: PlaceShift | undefined, hook: HookGeometry): number =>
  shift === undefined ? 0 : "mm" in shift ? shift.mm : shift.times * hook[shift.of];

/** On a double, where the two bends have parted enough to be wound between, in gapes behind the bend. */
const BETWEEN_BENDS = 0.15;

/** The landmarks that a hook has. */
export const landmarksOf = (hook: Pick<HookGeometry, "points">): Landmark[] =>
  landmarks.filter((l) => l !== "betweenBends" || hook.points === 2);

/** Distance in mm behind the eye at which the profile ends: some way into the bend. */
export const profileEnd = (hook: HookGeometry): number => hook.shank + 0.5 * hook.gape;

/**
 * Where a place lies, in mm behind the back of the eye.
 *
 * @param beadMm length taken by a bead or cone against the eye, 0 without one. `eye` and `eyeLengths`
 *   count from behind it; fractions stay fractions of the whole shank.
 * @throws DomainError PLACE_NOT_THERE for a place that a part gives: it is first settled on the fly that has it
 */
export function placeAt(place: Place, hook: HookGeometry, beadMm = 0): number {
  const shift = place.plus === undefined ? 0 : shiftMm(place.plus, hook);
  if ("part" in place) throw new DomainError("PLACE_NOT_THERE", { part: place.part });
  if ("fraction" in place) return place.fraction * hook.shank + shift;
  if ("eyeLengths" in place) return beadMm + place.eyeLengths * hook.eye + shift;
  return landmarkAt(place.landmark, hook, beadMm) + shift;
}

function landmarkAt(landmark: Landmark, hook: HookGeometry, beadMm: number): number {
  switch (landmark) {
    case "eye":
      return beadMm;
    case "point":
      return hook.point;
    case "barb":
      return hook.barb;
    case "bend":
      return hook.shank;
    case "intoBend":
      return hook.shank + 0.39 * hook.gape;
    case "betweenBends":
      if (hook.points !== 2)
        throw new DomainError("LANDMARK_NOT_THERE", { landmark: "between the bends", hook: "a hook with one point" });
      return hook.shank + BETWEEN_BENDS * hook.gape;
  }
}

const EDGE = 1e-9;

export interface Zone {
  from: number;
  to: number;
  /** True when it was given from the bend towards the eye, so that its targets turn round too. */
  turned: boolean;
}

/**
 * A zone in mm, turned so that it runs away from the eye and clipped to the usable shank.
 * @throws DomainError ZONE_OVER_EYE, ZONE_BEYOND_PROFILE, ZONE_EMPTY, ZONE_UNDER_BEAD
 */
export function zoneOf(a: number, b: number, hook: HookGeometry, beadMm = 0): Zone {
  const turned = a > b;
  const [low, high] = turned ? [b, a] : [a, b];
  const end = profileEnd(hook);
  if (low < -EDGE) throw new DomainError("ZONE_OVER_EYE", { fromMm: low });
  if (high > end + EDGE) throw new DomainError("ZONE_BEYOND_PROFILE", { toMm: high, endMm: end });
  if (high - low < EDGE) throw new DomainError("ZONE_EMPTY", { fromMm: low, toMm: high });
  const from = Math.max(low, beadMm);
  if (high - from < EDGE) throw new DomainError("ZONE_UNDER_BEAD", { fromMm: low, toMm: high, beadMm });
  return { from, to: high, turned };
}

/**
 * A single spot in mm.
 * @throws DomainError SPOT_UNDER_BEAD, SPOT_OFF_PROFILE
 */
export function spotOf(at: number, hook: HookGeometry, beadMm = 0): number {
  if (at < beadMm - EDGE) throw new DomainError("SPOT_UNDER_BEAD", { atMm: at, beadMm });
  const end = profileEnd(hook);
  if (at > end + EDGE || at < -EDGE) throw new DomainError("SPOT_OFF_PROFILE", { atMm: at, endMm: end });
  return at;
}
