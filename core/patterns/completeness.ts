import { guardRule } from "../tying";
import { DomainError } from "../errors";
import { circleIn, orderFaults } from "./order";
import type { Recipe, RecipeStep } from "./recipe";

const MOST_STEPS = 60;

/**
 * What a recipe still lacks before it may be costed or tied. It can be kept all the same.
 * @returns sentences; an empty list means complete
 */
export function missingFrom(recipe: Recipe): string[] {
  const known = checked.get(recipe);
  if (known) return known;
  const missing = [...missingParts(recipe), ...missingSteps(recipe), ...wrongOrder(recipe)];
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
    if (c.material.length === 0)
      missing.push(`the material of the ${c.role} is not known${c.asStated ? ` (“${c.asStated}”)` : ""}`);
  }
  if (recipe.finish.state === "not stated")
    missing.push("the finish is not stated: name it, or say that there is none on purpose");
  if (recipe.variants.length === 0) missing.push("no colour variant is described");
  if (!(recipe.minutesPerFly > 0)) missing.push("the minutes per fly are not stated");
  for (const c of recipe.components)
    if (c.doubt !== undefined) missing.push(`the ${c.role} was given with doubt: ${c.doubt}`);
  for (const s of recipe.steps) if (s.doubt !== undefined) missing.push(`“${s.name}” was given with doubt: ${s.doubt}`);
  for (const q of recipe.queries ?? []) missing.push(`${q.about}: ${q.question}`);
  if (recipe.sample) missing.push("it is a showing version, which is never tied to order");
  return missing;
}

/** Only hard precedences hold a pattern back; a soft one is told in the editor. */
function wrongOrder(recipe: Recipe): string[] {
  const name = new Map(recipe.steps.map((s) => [s.id, s.name]));
  const lost = recipe.steps.flatMap((s) => {
    const links = [s.tiedIn, s.do === "wind" ? s.carries : undefined, ...(s.after ?? []).map((a) => a.step)];
    return links
      .filter((id) => id !== undefined && !name.has(id))
      .map(() => `“${s.name}” leans on an earlier step that is not there`);
  });
  const circle = circleIn(recipe);
  if (circle)
    return [
      ...lost,
      `the steps ${circle.map((id) => `“${name.get(id) ?? id}”`).join(", ")} each wait for the next: no order is right`,
    ];
  return [
    ...lost,
    ...orderFaults(recipe)
      .filter((f) => f.hard)
      .map((f) => f.sentence.replace(/\.$/, "")),
  ];
}

function missingSteps(recipe: Recipe): string[] {
  const missing: string[] = [];
  const ids = recipe.steps.map((s) => s.id);
  for (const id of new Set(ids.filter((id, i) => ids.indexOf(id) !== i)))
    missing.push(`two steps are both named “${id}” inside`);
  if (recipe.steps.length === 0) missing.push("no steps are described");
  if (recipe.steps.length > MOST_STEPS) missing.push(`it has ${recipe.steps.length} steps, ${MOST_STEPS} is the most`);
  if (!recipe.steps.some((s) => s.do === "whip")) missing.push("no knot ends it: add the whip finish");
  const known = new Set(recipe.components.map((c) => c.id));
  const used = new Set(recipe.steps.flatMap((s) => (s.component ? [s.component] : [])));
  for (const step of recipe.steps) {
    if (step.component && !known.has(step.component))
      missing.push(`“${step.name}” uses “${step.component}”, which is not among the components`);
    if (!step.component && step.do !== "whip" && step.do !== "act")
      missing.push(`“${step.name}” does not say which component it uses`);
    missing.push(...quantityFaults(step));
  }
  const glued = recipe.steps.flatMap((s) => (s.do === "seat" && s.glue ? [s.glue] : []));
  const coats =
    recipe.finish.state === "given"
      ? [recipe.finish.component, ...(recipe.finish.then ?? []).map((c) => c.component)]
      : [];
  for (const id of coats)
    if (!known.has(id)) missing.push(`the finish uses “${id}”, which is not among the components`);
  for (const id of [...coats, ...glued]) used.add(id);
  for (const c of recipe.components)
    if (c.role !== "hook" && !used.has(c.id) && c.role !== "thread" && c.role !== "finish")
      missing.push(`no step uses the ${c.role}`);
  return missing;
}

function quantityFaults(step: RecipeStep): string[] {
  if (step.do === "dress" && !step.fullness && !step.noodle && !step.trace && !(step.loopMm && step.loopLoad))
    return [`“${step.name}” does not say how full, or how long a noodle`];
  if (step.do !== "wind") return [];
  try {
    guardRule(step.rule);
    return [];
  } catch (error) {
    if (error instanceof DomainError) return [`“${step.name}” does not say how it is wound`];
    throw error;
  }
}
