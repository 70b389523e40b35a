import { DomainError } from "../../errors";
import { composeFly, type ComposedFly } from "../../fly";
import type { HookModel } from "../../hooks";
import type { Materials } from "../../materials";
import type { FlyChoice, Recipe } from "../../recipe";
import { requirementsOf, type Requirement } from "../requirements";
import type { Knowledge } from "../taken";
import { differencesBetween, type Difference } from "./differences";
import { takenAway, type TakenAway } from "./takenAway";

/** Everything that is asked about one fly of a pattern: which recipe, which choice, from which cabinet. */
export interface FlyRequest {
  recipe: Recipe;
  choice: FlyChoice;
  model: HookModel;
  materials: Materials;
}

/** The fly of a request, with D after each step. */
export const compose = ({ recipe, choice, model, materials }: FlyRequest): ComposedFly =>
  composeFly(recipe, choice, model, materials, { keepProfiles: true });

/** What a changed choice makes of a batch: against a fly and its requirements that are there already. */
export interface Outcome {
  /** For all flies of the batch. */
  minutes: number;
  massMg: number;
  differences: Difference[];
  /** What it takes away or leaves open. */
  warnings: TakenAway[];
  /** Why it cannot be tied. */
  fault?: DomainError;
}

/** Composes the changed choice and tells it from the fly as it is. */
export function outcome(
  request: FlyRequest,
  { fly, own }: { fly: ComposedFly; own: Requirement[] },
  flies: number,
  known: Knowledge,
): Outcome {
  try {
    const then = compose(request);
    return {
      minutes: (then.minutes - fly.minutes) * flies,
      massMg: then.tied.mass.total - fly.tied.mass.total,
      differences: differencesBetween(own, requirementsOf(then, flies, known)),
      warnings: takenAway(fly, then),
    };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { minutes: 0, massMg: 0, differences: [], warnings: [], fault: error };
  }
}
