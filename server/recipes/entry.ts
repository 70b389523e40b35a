import { missingFrom, type Recipe } from "@kasten/core/recipe";
import { missingWords } from "@kasten/core/sentences";
import type { PatternEntry } from "@kasten/contract/patterns";
import type { PatternRow } from "./entities";

type OfRecipe = Omit<PatternEntry, keyof PatternRow>;
/** What follows from a recipe alone is worked out once for as long as the recipe is kept. */
const derived = new WeakMap<Recipe, OfRecipe>();

/** What lists and orders need of a pattern. */
export function entryOf({ id, name, style, origin, species, version }: PatternRow, recipe: Recipe): PatternEntry {
  const known = derived.get(recipe) ?? fromRecipe(recipe);
  derived.set(recipe, known);
  return { id, name, style, origin, species, version, ...known };
}

function fromRecipe(recipe: Recipe): OfRecipe {
  const swaps = [...recipe.variants.map((v) => v.swaps), ...recipe.forms.map((f) => f.swaps ?? {})];
  const swapped = swaps.flatMap((s) => Object.values(s).flat());
  const own = recipe.components.flatMap((c) => [...c.material, ...(c.bought ? [{ value: c.bought.material }] : [])]);
  return {
    hookModel: recipe.hookModel,
    sizes: recipe.sizes,
    variants: recipe.variants.map(({ id, name }) => ({ id, name })),
    forms: recipe.forms.map(({ id, name }) => ({ id, name })),
    minutesPerFly: recipe.minutesPerFly,
    pricePerDozenCents: recipe.pricePerDozenCents,
    sample: recipe.sample ?? false,
    skills: [...new Set([...recipe.skills, ...recipe.steps.flatMap((s) => s.skills ?? [])])],
    materials: [...new Set([...own, ...swapped].map((m) => m.value))],
    missing: missingFrom(recipe).map(missingWords),
  };
}
