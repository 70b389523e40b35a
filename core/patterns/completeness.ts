import { guardRule } from "../tying";
import { DomainError } from "../errors";
import type { Recipe, RecipeStep } from "./recipe";

const MOST_STEPS = 60;

/**
 * What a recipe still lacks before it may be costed or tied. It can be kept all the same.
 * @returns sentences; an empty list means complete
 */
export function missingFrom(recipe: Recipe): string[] {
  const known = checked.get(recipe);
  if (known) return known;
  const missing = [...missingParts(recipe), ...missingSteps(recipe), ...orderFaults(recipe)];
  checked.set(recipe, missing);
  return missing;
}

/** A recipe is a version and does not change: it is checked once for as long as it is held. */
const checked = new WeakMap<Recipe, string[]>();

function missingParts(recipe: Recipe): string[] {
  const missing: string[] = [];
  if (!recipe.hookModel) missing.push("the hook is not named");
  if (!recipe.sizes.from || !recipe.sizes.to) missing.push("the sizes are not stated");
  const has = (role: string) => recipe.components.some((c) => c.role === role);
  if (!has("thread")) missing.push("the thread is not named");
  for (const c of recipe.components) {
    if (c.role === "hook") continue;
    if (c.material.length === 0) missing.push(`the material of the ${c.role} is not known${c.asStated ? ` (“${c.asStated}”)` : ""}`);
  }
  if (recipe.finish.state === "not stated") missing.push("the finish is not stated: name it, or say that there is none on purpose");
  if (recipe.variants.length === 0) missing.push("no colour variant is described");
  if (!(recipe.minutesPerFly > 0)) missing.push("the minutes per fly are not stated");
  return missing;
}

function missingSteps(recipe: Recipe): string[] {
  const missing: string[] = [];
  if (recipe.steps.length === 0) missing.push("no steps are described");
  if (recipe.steps.length > MOST_STEPS) missing.push(`it has ${recipe.steps.length} steps, ${MOST_STEPS} is the most`);
  if (!recipe.steps.some((s) => s.do === "whip")) missing.push("no knot ends it: add the whip finish");
  const known = new Set(recipe.components.map((c) => c.id));
  const used = new Set(recipe.steps.flatMap((s) => (s.component ? [s.component] : [])));
  for (const step of recipe.steps) {
    if (step.component && !known.has(step.component)) missing.push(`“${step.name}” uses “${step.component}”, which is not among the components`);
    if (!step.component && step.do !== "whip") missing.push(`“${step.name}” does not say which component it uses`);
    missing.push(...quantityFaults(step));
  }
  const finish = recipe.finish.state === "given" ? recipe.finish.component : "";
  for (const c of recipe.components)
    if (c.role !== "hook" && !used.has(c.id) && c.id !== finish && c.role !== "thread") missing.push(`no step uses the ${c.role}`);
  return missing;
}

function quantityFaults(step: RecipeStep): string[] {
  if (step.do === "dress" && !step.fullness && !step.noodle) return [`“${step.name}” does not say how full, or how long a noodle`];
  if (step.do !== "wind") return [];
  try {
    guardRule(step.rule);
    return [];
  } catch (error) {
    if (error instanceof DomainError) return [`“${step.name}” does not say how it is wound`];
    throw error;
  }
}

/** Hard precedence: a bead goes on the bare hook before all else; what is bound in comes before it is used. */
function orderFaults(recipe: Recipe): string[] {
  const faults: string[] = [];
  const roleOf = new Map(recipe.components.map((c) => [c.id, c.role]));
  recipe.steps.forEach((step, i) => {
    if (step.do === "seat" && roleOf.get(step.component ?? "") === "bead" && recipe.steps.slice(0, i).some((s) => s.do !== "seat"))
      faults.push(`“${step.name}” comes too late: a bead goes on the bare hook before anything else`);
    if (step.tiedIn !== undefined) {
      const at = recipe.steps.findIndex((s) => s.id === step.tiedIn);
      if (at === -1) faults.push(`“${step.name}” is said to be bound in earlier, but that step is not there`);
      else if (at >= i) faults.push(`“${step.name}” comes before the step that binds its material in`);
    }
  });
  return faults;
}
