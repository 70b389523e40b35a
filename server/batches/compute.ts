import { prepTasks, startsFor, type PrepTask } from "@kasten/core/batches";
import { DomainError, sentenceOf } from "@kasten/core/errors";
import { hookRequirement, requirementsOf, type Knowledge, type Requirement } from "@kasten/core/materials";
import { composeFly, hookOf, type ComposedFly, type Recipe } from "@kasten/core/patterns";
import type { Batch } from "@kasten/contract/batches";
import { Problem } from "../http/problems";
import type { World } from "../patterns";
import type { Learned } from "./knowledge";
import type { OpenBatch } from "./open";

/** A batch with everything that is derived: flies owed and to start, materials, preparation. */
export interface ComputedBatch {
  batch: Batch;
  recipe: Recipe;
  fly?: ComposedFly;
  requirements: Requirement[];
  prep: PrepTask[];
  known: Knowledge;
  /** Why it cannot be computed, when it cannot. */
  fault?: string;
}

export const owedOf = (b: Pick<OpenBatch, "claims">): number => b.claims.reduce((sum, c) => sum + c.flies, 0);

export function computeBatch(world: World, learned: Learned, open: OpenBatch): ComputedBatch {
  const found = world.recipes.get(`${open.pattern}@${open.patternVersion}`);
  if (!found) throw new Problem(404, "not-found", "Not found", "The pattern of this batch is not there.");
  const { storedStarts, kitId: _kit, ...rest } = open;
  const owed = owedOf(open);
  const level = world.settings.serviceLevel;
  const outcomes = learned.outcomes(open.pattern);
  const starts = storedStarts ?? startsFor(owed, outcomes, level);
  const known = learned.knowledge(open.pattern, level);
  const recipe = found.recipe;
  const factor = open.mode === "step by step" ? recipe.stepByStepFactor : 1;
  const minutes = (perFly: number) => starts * perFly * factor;
  const batch: Batch = {
    ...rest,
    owed,
    starts,
    due: open.claims.map((c) => c.due).sort()[0] ?? "9999-12-31",
    minutes: minutes(recipe.minutesPerFly),
  };
  try {
    const model = world.hooks.get(hookOf(recipe, open));
    if (!model) throw new DomainError("PATTERN_INCOMPLETE", { missing: ["the hook is not known here"] });
    const fly = composeFly(recipe, { ...open, flies: starts }, model, world.materials);
    const requirements = [hookRequirement(model, fly.hook.size, starts, known), ...requirementsOf(fly, starts, known)];
    return {
      batch: { ...batch, minutes: minutes(fly.minutes) },
      recipe,
      fly,
      requirements,
      prep: prepTasks(fly, starts),
      known,
    };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { batch, recipe, requirements: [], prep: [], known, fault: sentenceOf(error) };
  }
}
