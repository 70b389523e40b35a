import type { Recipe } from "../recipe";
import type { ComposedFly } from "./types";

/** A coat that is not the pattern's own, where nobody has said how long it takes. */
const USUAL_DRY_MINUTES = 360;

/**
 * How long each coat of a fly dries or cures, in their order, by the way in which its head is finished: the pattern's
 * own products one after another, one coat of another, or none.
 */
export function coatsOf(recipe: Pick<Recipe, "finish">, fly: ComposedFly | undefined): number[] {
  const { finish } = recipe;
  const head = fly?.steps.flatMap((s) => s.methods.filter((m) => m.question === "head")).at(-1)?.school;
  if (head === "none") return [];
  const all = finish.state === "given" ? [finish, ...(finish.then ?? [])] : [];
  if (head !== undefined && head !== "as stated")
    return [all.find((c) => c.component === head)?.dryMinutes ?? USUAL_DRY_MINUTES];
  return all.flatMap((c) => Array.from({ length: c.coats }, () => c.dryMinutes));
}
