import type { RecipeStep } from "../recipe";

/** A strip that is bound along the shank, such as a body of foam: nothing of it stands off the fly, hangs or waits. */
export const liesAlong = (step: RecipeStep & { do: "lay" }): boolean =>
  !step.countedWhenWound && step.shown === undefined && step.hanging === undefined && step.attitude === undefined;
