import { DomainError } from "../errors";
import { sizeWithin } from "../hooks";
import type { Material } from "../materials";
import type { BySize, Component, FlyChoice, Recipe } from "./recipe";
import type { Materials } from "./use";

/** The hook of a weight form: its own where it names one. */
export const hookOf = (recipe: Pick<Recipe, "hookModel" | "forms">, form: string): string => recipe.forms.find((f) => f.id === form)?.hookModel || recipe.hookModel;

/** The entry that holds for a size, or undefined. */
export function forSize<T>(options: BySize<T>[], size: string): T | undefined {
  return options.find((o) => !o.sizes || sizeWithin(size, o.sizes))?.value;
}

/** Components of a choice: without those that its form omits or that are left out. */
export function componentsOf(recipe: Recipe, choice: Pick<FlyChoice, "form" | "leave">): Component[] {
  const omitted = new Set(recipe.forms.find((f) => f.id === choice.form)?.omit ?? []);
  for (const id of choice.leave ?? []) {
    const component = recipe.components.find((c) => c.id === id);
    if (component && !component.optional) throw new DomainError("NOT_OPTIONAL", { component: component.role });
    omitted.add(id);
  }
  return recipe.components.filter((c) => !omitted.has(c.id));
}

/** Material options of a component in a colour variant and weight form. */
function optionsOf(recipe: Recipe, choice: Pick<FlyChoice, "variant" | "form">, component: Component): BySize<string>[] {
  const form = recipe.forms.find((f) => f.id === choice.form);
  const variant = recipe.variants.find((v) => v.id === choice.variant);
  return form?.swaps?.[component.id] ?? variant?.swaps[component.id] ?? component.material;
}

/** Code of the material that a component has on this fly, or undefined where none is named for the size. */
export function codeOf(recipe: Recipe, choice: Pick<FlyChoice, "size" | "variant" | "form" | "buy" | "use">, component: Component): string | undefined {
  if (component.bought && choice.buy?.includes(component.id)) return component.bought.material;
  return choice.use?.[component.id] ?? forSize(optionsOf(recipe, choice, component), choice.size);
}

/** The materials of a choice, without tying it; what is not in the cabinet is left out. */
export function materialsOf(recipe: Recipe, choice: Pick<FlyChoice, "size" | "variant" | "form">, materials: Materials): Material[] {
  return componentsOf(recipe, choice).flatMap((c) => {
    const code = codeOf(recipe, choice, c);
    return (code !== undefined && materials.get(code)) || [];
  });
}
