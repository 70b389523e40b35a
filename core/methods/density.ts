import type { MaterialForm } from "../materials";
import type { Dressing, Recipe, RecipeStep } from "../recipe";

/** How the pattern itself is dressed. */
export const ownDressing = (recipe: Pick<Recipe, "density">): Dressing => recipe.density ?? "standard";

export const dressingWords: Record<Dressing, string> = {
  slim: "slim",
  sparse: "sparse",
  standard: "neither sparse nor full",
  full: "full, each part showing",
};

/** How much goes on under each rating, as a share of the standard; docs/arithmetic.md, "Methods". */
const dressingShares: Record<Dressing, number> = { slim: 0.65, sparse: 0.8, standard: 1, full: 1.25 };

/** By what share the quantities of a pattern change when it is dressed otherwise than it was written. */
export const dressingShare = (recipe: Pick<Recipe, "density">, chosen: Dressing): number =>
  dressingShares[chosen] / dressingShares[ownDressing(recipe)];

/**
 * Whether a step's quantity is one that dressing changes: fibres, clumps, dubbing, turns of hackle; never ribs, bodies
 * or pairs.
 */
export function isDressed(step: RecipeStep, form: MaterialForm | undefined): boolean {
  if (step.do === "dress") return step.trace !== true;
  if (step.do === "wind") return form === "hackle" && step.rule.turns !== undefined;
  return (
    step.do === "lay" &&
    !step.countedWhenWound &&
    ("fibres" in step.amount ||
      "spanMm" in step.amount ||
      "clump" in step.amount ||
      "strands" in step.amount ||
      "patchMm2" in step.amount)
  );
}
