import type { Component } from "./component";
import type { Recipe } from "./recipe";
import type { RecipeStep } from "./step";

/** What a recipe has in common with a parent it was written from. */
export interface Inheritance {
  recipe: Recipe;
  /** The lines that were not given and came from the parent, as people name them. */
  inherited: string[];
}

/**
 * Takes every line that a recipe does not give from its parent: hook, sizes, finish, minutes, price, skills, the
 * material of a part, a part that its own steps name but nobody described, and all steps where it has none. What is
 * given stays.
 *
 * Done when the recipe is written, not when it is read: a version is then whole by itself, and a later version of the
 * parent changes nothing under a running batch.
 *
 * @param parent the parent's recipe in the version named
 */
export function inheritFrom(recipe: Recipe, parent: Recipe): Inheritance {
  const inherited: string[] = [];
  const take = <T>(line: string, isGiven: boolean, own: T, theirs: T, isThere: boolean): T => {
    if (isGiven || !isThere) return own;
    inherited.push(line);
    return theirs;
  };
  const steps = take(
    "steps",
    recipe.steps.some((s) => s.do !== "whip"),
    recipe.steps,
    parent.steps,
    parent.steps.length > 0,
  );
  const next: Recipe = {
    ...recipe,
    steps,
    hookModel: take("hook", recipe.hookModel !== "", recipe.hookModel, parent.hookModel, parent.hookModel !== ""),
    hookWanted: recipe.hookModel === "" ? parent.hookWanted : recipe.hookWanted,
    sizes: take(
      "sizes",
      recipe.sizes.from !== "" && recipe.sizes.to !== "",
      recipe.sizes,
      parent.sizes,
      parent.sizes.from !== "",
    ),
    finish: take(
      "finish",
      recipe.finish.state !== "not stated",
      recipe.finish,
      parent.finish,
      parent.finish.state !== "not stated",
    ),
    minutesPerFly: take(
      "minutes a fly",
      recipe.minutesPerFly > 0,
      recipe.minutesPerFly,
      parent.minutesPerFly,
      parent.minutesPerFly > 0,
    ),
    pricePerDozenCents: take(
      "price",
      recipe.pricePerDozenCents > 0,
      recipe.pricePerDozenCents,
      parent.pricePerDozenCents,
      parent.pricePerDozenCents > 0,
    ),
    skills: take("skills", recipe.skills.length > 0, recipe.skills, parent.skills, parent.skills.length > 0),
  };
  const parts = partsOf(recipe, next, parent);
  inherited.push(...parts.inherited);
  return { recipe: { ...next, components: parts.components }, inherited };
}

const usesOf = (steps: RecipeStep[], finish: Recipe["finish"]): string[] => [
  ...steps.flatMap((s) => [
    ...(s.component !== undefined ? [s.component] : []),
    ...(s.do === "seat" && s.glue !== undefined ? [s.glue] : []),
  ]),
  ...(finish.state === "given" ? [finish.component, ...(finish.then ?? []).map((c) => c.component)] : []),
];

/**
 * Parts without a material take the parent's part of the same name, or else of the same role; parts only named by a
 * step are added.
 */
function partsOf(own: Recipe, next: Recipe, parent: Recipe): { components: Component[]; inherited: string[] } {
  const inherited: string[] = [];
  const theirs = (c: Pick<Component, "id" | "role">): Component | undefined =>
    parent.components.find((p) => p.id === c.id && p.role === c.role) ??
    parent.components.find((p) => p.role === c.role);
  const components = own.components.map((c) => {
    const from = c.role === "hook" || c.material.length > 0 ? undefined : theirs(c);
    if (!from || from.material.length === 0) return c;
    inherited.push(c.role);
    return { ...from, ...definedOf(c), id: c.id, material: from.material };
  });
  const there = new Set(components.map((c) => c.id));
  const wanted = new Set([
    ...usesOf(next.steps, next.finish),
    ...parent.components
      .filter((p) => p.role === "thread" && !components.some((c) => c.role === "thread"))
      .map((p) => p.id),
  ]);
  for (const p of parent.components)
    if (wanted.has(p.id) && !there.has(p.id)) {
      components.push(p);
      inherited.push(p.role);
    }
  return { components, inherited };
}

const definedOf = (c: Component): Partial<Component> =>
  Object.fromEntries(Object.entries(c).filter(([, v]) => v !== undefined && !(Array.isArray(v) && v.length === 0)));
