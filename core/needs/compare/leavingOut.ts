import { priceOf } from "../../recipe";
import { requirementsOf } from "../requirements";
import type { Knowledge } from "../taken";
import { compose, outcome, type FlyRequest, type Outcome } from "./outcome";

/**
 * What leaving out a part changes; with its price, which is the pattern's own.
 * @returns `fault` where the fly cannot be tied without it: it is not optional, or another length leans on it
 */
export function judgeLeavingOut(
  request: FlyRequest,
  component: string,
  flies: number,
  known: Knowledge = {},
): Outcome & { priceCents: number } {
  const before = compose(request);
  const choice = { ...request.choice, leave: [...(request.choice.leave ?? []), component] };
  const { differences, minutes, massMg, warnings, fault } = outcome(
    { ...request, choice },
    { fly: before, own: requirementsOf(before, flies, known) },
    flies,
    known,
  );
  return {
    differences,
    minutes,
    massMg,
    warnings,
    fault,
    priceCents: priceOf(request.recipe, choice) - priceOf(request.recipe, request.choice),
  };
}
