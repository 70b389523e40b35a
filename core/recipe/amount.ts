import type { LengthRule } from "./lengths";

export const featherParts = ["tip", "one flank", "centre out"] as const;
/** What of a feather goes on: its tip, the fibres of one side, or the feather with its centre cut out. */
export type FeatherPart = (typeof featherParts)[number];

/** How much of a material is laid: by number, by span of stem, by clump, slip, patch or whole feathers. */
export type LayAmount =
  | { fibres: number }
  | { spanMm: number }
  | { clump: LengthRule }
  /** Matched slips; `layers` of them on each side, where they are doubled or stacked. */
  | { slipWidth: LengthRule; layers?: number }
  | { strands: number; folded: boolean }
  | { pieces: number }
  /** Whole or half feathers; paired ones come from the left and the right. */
  | { feathers: number; paired?: boolean; part?: FeatherPart }
  /** A patch of hide, in mm². */
  | { patchMm2: number };

export type TakeRule =
  | { from: "spool"; trimMm: number }
  | { from: "pieces"; pieceMm: number; gripMm: number; trimMm: number }
  | { from: "feather" }
  /** As stretch material is measured: the piece begun with, less what is left of it. The stretch follows. */
  | { from: "leftover"; startMm: number; leftMm: number };

/** Where a laid part points, for drawing and for the bench: back past the bend, forward, down, up or to both sides. */
export const attitudes = ["back", "forward", "down", "up", "sides", "over"] as const;
export type Attitude = (typeof attitudes)[number];

/** The set of what leaves the shank, seen from behind: what turns a bundle into a wing. */
export const stances = ["V", "U", "tent", "flat", "splayed", "full round"] as const;
export type Stance = (typeof stances)[number];

/** Where round the shank a part goes. Top is the side that is up in the vise. */
export const sectors = ["top", "underside", "near", "far"] as const;
export type Sector = (typeof sectors)[number];

/** How firmly a part is tied in, with the wraps that are usual for it. */
export const holds = ["loose hold", "lock", "final"] as const;
export type Hold = (typeof holds)[number];

export const dressings = ["slim", "sparse", "standard", "full"] as const;
/** How much goes on: a rating of the whole fly. */
export type Dressing = (typeof dressings)[number];

export const noodleThicknesses = ["sparse", "medium", "full"] as const;
export type NoodleThickness = (typeof noodleThicknesses)[number];

export const dubbedShapes = ["slim", "tapered", "cigar", "ball"] as const;
export type DubbedShape = (typeof dubbedShapes)[number];
