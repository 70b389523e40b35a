import type { Recipe } from "../recipe";
import type { ComposedFly } from "./types";

/** A coat that is not the pattern's own, where nobody has said how long it takes. */
const USUAL_DRY_MINUTES = 360;

/** One coat of a fly: its product, where the pattern names it, and how long it dries or cures. */
export interface CoatOfFly {
  component?: string;
  minutes: number;
}

/**
 * The coats of a fly in their order, by the way in which its head is finished: the pattern's own products one after
 * another, one coat of another, or none.
 */
export function coatListOf(recipe: Pick<Recipe, "finish">, fly: ComposedFly | undefined): CoatOfFly[] {
  const { finish } = recipe;
  const head = fly?.steps.flatMap((s) => s.methods.filter((m) => m.question === "head")).at(-1)?.school;
  if (head === "none") return [];
  const all = finish.state === "given" ? [finish, ...(finish.then ?? [])] : [];
  if (head !== undefined && head !== "as stated")
    return [{ component: head, minutes: all.find((c) => c.component === head)?.dryMinutes ?? USUAL_DRY_MINUTES }];
  return all.flatMap((c) => Array.from({ length: c.coats }, () => ({ component: c.component, minutes: c.dryMinutes })));
}

/** How long each coat of a fly dries or cures, in their order. */
export const coatsOf = (recipe: Pick<Recipe, "finish">, fly: ComposedFly | undefined): number[] =>
  coatListOf(recipe, fly).map((c) => c.minutes);
