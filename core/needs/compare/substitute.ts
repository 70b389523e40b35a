import { DomainError } from "../../errors";
import { requirementsOf } from "../requirements";
import type { Knowledge } from "../taken";
import { differencesBetween, type Difference } from "./differences";
import { compose, type FlyRequest } from "./outcome";
import { takenAway, type TakenAway } from "./takenAway";

export interface SubstituteJudgement {
  component: string;
  material: string;
  materialName: string;
  effect?: string;
  differences: Difference[];
  minutes: number;
  massMg: number;
  /** What the change takes away or leaves open. */
  warnings: TakenAway[];
  /** Why it cannot be tied so. */
  fault?: DomainError;
}

/**
 * What happens when a component is tied of another material: quantities, minutes, weight, and what it takes away.
 * Nothing is forbidden; what is lost is said with its remedy.
 * @param flies of the batch that quantities and minutes are for
 */
export function judgeSubstitute(
  request: FlyRequest,
  component: string,
  material: string,
  flies: number,
  known: Knowledge = {},
): SubstituteJudgement {
  const part = request.recipe.components.find((c) => c.id === component);
  const alternate = part?.alternates?.find((a) => a.material === material);
  const base = {
    component,
    material,
    materialName: request.materials.get(material)?.name ?? material,
    effect: alternate?.effect,
  };
  try {
    const before = compose(request);
    const choice = { ...request.choice, use: { ...request.choice.use, [component]: material } };
    const after = compose({ ...request, choice });
    return {
      ...base,
      differences: differencesBetween(requirementsOf(before, flies, known), requirementsOf(after, flies, known)),
      minutes: (after.minutes - before.minutes) * flies,
      massMg: after.tied.mass.total - before.tied.mass.total,
      warnings: takenAway(before, after),
    };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { ...base, differences: [], minutes: 0, massMg: 0, warnings: [], fault: error };
  }
}
