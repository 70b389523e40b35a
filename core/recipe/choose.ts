import { DomainError } from "../errors";
import { hookDifference, sizeWithin, type HookDifference, type HookModel } from "../hooks";
import type { Material, Materials, Standing } from "../materials";
import type { Component } from "./component";
import type { BySize } from "./lengths";
import type { FlyChoice, Recipe } from "./recipe";

/** The hook of a fly: one taken in its place, else that of its weight form where it names one, else the pattern's. */
export function hookOf(
  recipe: Pick<Recipe, "hookModel" | "forms" | "components">,
  choice: Pick<FlyChoice, "form" | "use">,
): string {
  const taken = choice.use && recipe.components.find((c) => c.role === "hook" && choice.use?.[c.id] !== undefined);
  return (
    (taken && choice.use?.[taken.id]) || recipe.forms.find((f) => f.id === choice.form)?.hookModel || recipe.hookModel
  );
}

/**
 * What the hook taken has otherwise than is said of the pattern's own; undefined where it is all that is said. Of the
 * hook of a weight form nothing is said.
 */
export function hookOtherwise(
  { hookWanted, forms }: Pick<Recipe, "hookWanted" | "forms">,
  { form }: Pick<FlyChoice, "form">,
  model: HookModel,
): HookDifference | undefined {
  const isOfForm = forms.some((f) => f.id === form && f.hookModel === model.id);
  return hookWanted && !isOfForm ? hookDifference(hookWanted, model) : undefined;
}

/** A material for which a fly may be shown, but not promised: nobody has identified it, or it cannot be had again. */
export interface NotPromised {
  material: string;
  standing: Standing;
}

/** What of a choice stands in the way of promising it; each material once. */
export function notPromised(
  recipe: Recipe,
  choice: Pick<FlyChoice, "size" | "variant" | "form" | "leave" | "use" | "buy">,
  materials: Materials,
): NotPromised[] {
  const kinds = new Set(materialsOf(recipe, choice, materials));
  return [...kinds].flatMap((m) =>
    m.standing && m.standing !== "discontinued" ? [{ material: m.name, standing: m.standing }] : [],
  );
}

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
function optionsOf(
  recipe: Recipe,
  choice: Pick<FlyChoice, "variant" | "form">,
  component: Component,
): BySize<string>[] {
  const form = recipe.forms.find((f) => f.id === choice.form);
  const variant = recipe.variants.find((v) => v.id === choice.variant);
  return form?.swaps?.[component.id] ?? variant?.swaps[component.id] ?? component.material;
}

/** Code of the material that a component has on this fly, or undefined where none is named for the size. */
export function codeOf(
  recipe: Recipe,
  choice: Pick<FlyChoice, "size" | "variant" | "form" | "buy" | "use">,
  component: Component,
): string | undefined {
  if (component.bought && choice.buy?.includes(component.id)) return component.bought.material;
  return choice.use?.[component.id] ?? forSize(optionsOf(recipe, choice, component), choice.size);
}

/** The materials of a choice, without tying it; what is not in the cabinet is left out. */
export function materialsOf(
  recipe: Recipe,
  choice: Pick<FlyChoice, "size" | "variant" | "form" | "leave" | "use" | "buy">,
  materials: Materials,
): Material[] {
  return componentsOf(recipe, choice).flatMap((c) => {
    const code = codeOf(recipe, choice, c);
    return (code !== undefined && materials.get(code)) || [];
  });
}
