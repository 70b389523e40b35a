import { DomainError } from "../../errors";
import type { RecipeStep } from "../../recipe";
import { requirementsOf } from "../requirements";
import type { Knowledge } from "../taken";
import { compose, type FlyRequest } from "./outcome";

/**
 * What a batch needs where quantities were given as a range or hedged: everywhere the least, and everywhere the most.
 */
export interface QuantityRange {
  key: string;
  least: number;
  most: number;
}

/**
 * How far stated ranges leave the need open: “6 to 8 fibres”, “about 5 turns”.
 * @returns only the requirements that differ, none where every count is exact; `fault` where one end cannot be tied at
 *   this size
 */
export function rangesOf(
  request: FlyRequest,
  flies: number,
  known: Knowledge = {},
): { ranges: QuantityRange[]; fault?: DomainError } {
  if (!request.recipe.steps.some((s) => s.spread)) return { ranges: [] };
  try {
    return { ranges: rangesBetweenEnds(request, flies, known) };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { ranges: [], fault: error };
  }
}

function rangesBetweenEnds(request: FlyRequest, flies: number, known: Knowledge): QuantityRange[] {
  const at = (end: 0 | 1) => {
    const recipe = { ...request.recipe, steps: request.recipe.steps.map((s) => atEnd(s, end)) };
    return new Map(requirementsOf(compose({ ...request, recipe }), flies, known).map((r) => [r.key, r.issue]));
  };
  const [low, high] = [at(0), at(1)];
  return [...low].flatMap(([key, a]) => {
    const b = high.get(key) ?? a;
    return a === b ? [] : [{ key, least: Math.min(a, b), most: Math.max(a, b) }];
  });
}

function atEnd(step: RecipeStep, end: 0 | 1): RecipeStep {
  const n = step.spread?.[end];
  if (n === undefined) return step;
  if (step.do === "wind") return { ...step, rule: { ...step.rule, turns: n } };
  if (step.do !== "lay") return step;
  return { ...step, amount: "strands" in step.amount ? { ...step.amount, strands: n } : { fibres: n } };
}
