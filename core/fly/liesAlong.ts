import type { RecipeStep, Role } from "../recipe";

/** A strip that is bound along the shank, such as a body of foam: nothing of it stands off the fly, hangs or waits. */
export const liesAlong = (step: RecipeStep & { do: "lay" }): boolean =>
  !step.countedWhenWound && step.shown === undefined && step.hanging === undefined && step.attitude === undefined;

/** Pieces of a body that are tied across the shank, one beside the other: each is held at one spot. */
export const isAcross = (step: RecipeStep, role: Role | undefined): boolean =>
  step.do === "lay" && role === "body" && step.attitude === "sides" && step.shown !== undefined;
