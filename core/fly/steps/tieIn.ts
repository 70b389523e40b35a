import type { Place } from "../../hooks";
import { methodFigures } from "../../methods";
import type { Hold, RecipeStep } from "../../recipe";
import type { FlyContext } from "../context";

/** Wraps of thread that are usual for a hold. */
export const wrapsOfHold: Record<Hold, number> = { "loose hold": 2, lock: 5, final: 7 };

/**
 * The wraps that tie a part in, by its hold and its schools. A part whose tie-in nobody described has wraps of its own
 * only where a school asks for so many.
 */
export function tieInOf(c: FlyContext, step: RecipeStep): { at: Place; wraps: number } | undefined {
  const securing = c.school(step, "securing");
  const asked = securing === "few" || securing === "several";
  const at = step.tieIn?.at ?? (asked ? rootPlace(step) : undefined);
  if (at === undefined) return undefined;
  const byThreadOnly = step.do === "seat" && c.school(step, "weighted eyes") === "thread only";
  const stated =
    (step.tieIn?.wraps ?? wrapsOfHold[step.tieIn?.hold ?? "lock"]) + (byThreadOnly ? methodFigures.threadOnlyWraps : 0);
  if (securing === "few") return { at, wraps: Math.min(stated, methodFigures.fewWraps) };
  if (securing === "several") return { at, wraps: Math.max(stated, methodFigures.severalWraps) };
  return { at, wraps: stated };
}

/** Where a laid or wound part leaves the shank. */
function rootPlace(step: RecipeStep): Place | undefined {
  if (step.do === "wind") return step.from;
  if (step.do !== "lay") return undefined;
  return (step.attitude ?? "back") === "back" ? step.to : step.from;
}
