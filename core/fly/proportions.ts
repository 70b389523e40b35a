import type { Place } from "../hooks";
import { isCarriedOn } from "./lengths";
import { sayLength, sayPlace } from "../words";
import type { ComposedFly, FlyStep } from "./types";

/** A length to set against the ruler, in the tier's order of working. */
export interface Proportion {
  step: string;
  part: string;
  mm: number;
  /** The rule it follows, as it is said. */
  rule: string;
  kind: "shown" | "zone" | "barb" | "head" | "spacing";
}

/**
 * The lengths of this fly in mm: what shows, where zones begin and end, barbs, the spacing of turns, and the head.
 * @returns in working order
 */
export function proportionsOf(fly: ComposedFly): Proportion[] {
  return fly.steps.flatMap((s) => ofStep(fly, s));
}

function ofStep(fly: ComposedFly, s: FlyStep): Proportion[] {
  const result = fly.tied.steps.find((r) => r.id === s.id);
  if (!result) return [];
  const base = { step: s.id, part: s.name };
  const { step } = s;
  if (step.do === "lay")
    return s.shownMm ? [{ ...base, mm: s.shownMm, rule: step.shown ? sayLength(step.shown) : "", kind: "shown" }] : [];
  if (step.do === "whip")
    return [
      {
        ...base,
        part: "head",
        mm: result.headLength ?? 0,
        rule: `${sayPlace(step.from)} to ${sayPlace(step.to)}`,
        kind: "head",
      },
    ];
  if (s.barbMm)
    return [
      {
        ...base,
        mm: (s.barbMm[0] + s.barbMm[1]) / 2,
        rule: step.do === "wind" && step.barb ? `${sayLength(step.barb[0])} to ${sayLength(step.barb[1])}` : "",
        kind: "barb",
      },
    ];
  if (step.do === "wind" && s.role === "rib" && result.pitch)
    return [{ ...base, mm: result.pitch, rule: "from turn to turn", kind: "spacing" }];
  const isBody =
    s.role === "body" || s.role === "thorax" || s.role === "weight" || s.role === "tag" || isCarriedOn(s.step);
  if ((step.do === "dress" || step.do === "wind") && isBody && result.to > result.from)
    return [
      {
        ...base,
        mm: result.to - result.from,
        rule: `${sayPlace(step.from)}${step.to ? ` to ${sayPlace(step.to)}` : ""}`,
        kind: "zone",
      },
    ];
  return [];
}

/**
 * How body, thorax and head share the shank, as shares of the length that they take together; only those that are
 * there.
 */
export function sharesOfShank(fly: ComposedFly): { part: "head" | "thorax" | "body"; share: number; mm: number }[] {
  const length = (test: (s: FlyStep) => boolean): number => {
    const spans = fly.steps.filter(test).flatMap((s) => fly.tied.steps.filter((r) => r.id === s.id && r.to > r.from));
    return spans.length === 0 ? 0 : Math.max(...spans.map((r) => r.to)) - Math.min(...spans.map((r) => r.from));
  };
  const parts = [
    { part: "head" as const, mm: length((s) => s.step.do === "whip") },
    { part: "thorax" as const, mm: length((s) => s.role === "thorax") },
    { part: "body" as const, mm: length((s) => (s.role === "body" && s.step.do !== "lay") || isCarriedOn(s.step)) },
  ].filter((p) => p.mm > 0);
  const all = parts.reduce((sum, p) => sum + p.mm, 0);
  return parts.map((p) => ({ ...p, share: p.mm / all }));
}

/** Where each tie-in is, and which share it, in the order in which they are reached. */
export function tieInsOf(fly: ComposedFly): { place: Place; steps: string[]; wraps: number }[] {
  const found: { place: Place; steps: string[]; wraps: number }[] = [];
  for (const { step, name, wraps = 0 } of fly.steps) {
    const place = step.tieIn?.at;
    if (!place) continue;
    let entry = found.find((t) => samePlace(t.place, place));
    if (!entry) found.push((entry = { place, steps: [], wraps: 0 }));
    entry.steps.push(name);
    entry.wraps += wraps;
  }
  return found;
}

/** Whether two places are said in the same words. */
export const samePlace = (a: Place, b: Place): boolean => sayPlace(a) === sayPlace(b);
