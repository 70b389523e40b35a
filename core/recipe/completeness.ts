import { guardRule } from "../tying";
import { DomainError, type Missing } from "../errors";
import { circleIn, orderFaults } from "./order";
import type { Recipe } from "./recipe";
import type { RecipeStep } from "./step";

const MOST_STEPS = 60;

/**
 * What a recipe still lacks before it may be costed or tied. It can be kept all the same.
 * @returns empty when it is complete
 */
export function missingFrom(recipe: Recipe): Missing[] {
  const known = checked.get(recipe);
  if (known) return known;
  const missing = [...missingParts(recipe), ...missingSteps(recipe), ...wrongOrder(recipe)];
  checked.set(recipe, missing);
  return missing;
}

/** Codes that need no more said. */
type Plain = {
  [M in Missing as M["code"]]: Record<never, never> extends M["details"] ? M["code"] : never;
}[Missing["code"]];
const lack = (code: Plain): Missing => ({ code, details: {} }) as Missing;

/** A recipe is a version and does not change: it is checked once for as long as it is held. */
const checked = new WeakMap<Recipe, Missing[]>();

function missingParts(recipe: Recipe): Missing[] {
  const missing: Missing[] = [];
  if (!recipe.hookModel) missing.push(lack("HOOK_NOT_NAMED"));
  if (!recipe.sizes.from || !recipe.sizes.to) missing.push(lack("SIZES_NOT_STATED"));
  const has = (role: string) => recipe.components.some((c) => c.role === role);
  if (!has("thread")) missing.push(lack("THREAD_NOT_NAMED"));
  for (const c of recipe.components) {
    if (c.role === "hook") continue;
    if (c.material.length === 0)
      missing.push({ code: "MATERIAL_NOT_KNOWN", details: { role: c.role, asStated: c.asStated || undefined } });
  }
  if (recipe.finish.state === "not stated") missing.push(lack("FINISH_NOT_STATED"));
  if (recipe.variants.length === 0) missing.push(lack("NO_VARIANT"));
  if (!(recipe.minutesPerFly > 0)) missing.push(lack("MINUTES_NOT_STATED"));
  for (const c of recipe.components)
    if (c.doubt !== undefined) missing.push({ code: "PART_DOUBTED", details: { role: c.role, doubt: c.doubt } });
  for (const s of recipe.steps)
    if (s.doubt !== undefined) missing.push({ code: "STEP_DOUBTED", details: { name: s.name, doubt: s.doubt } });
  for (const q of recipe.queries ?? [])
    missing.push({ code: "QUERY_OPEN", details: { about: q.about, question: q.question } });
  for (const line of recipe.told ?? [])
    for (const question of line.asks ?? [])
      missing.push({ code: "QUERY_OPEN", details: { about: `“${line.text.trim()}”`, question } });
  if (recipe.sample) missing.push(lack("SHOWING_VERSION"));
  return missing;
}

/** Only hard precedences hold a pattern back; a soft one is told in the editor. */
function wrongOrder(recipe: Recipe): Missing[] {
  const name = new Map(recipe.steps.map((s) => [s.id, s.name]));
  const lost = recipe.steps.flatMap((s) => {
    const links = [s.tiedIn, s.do === "wind" ? s.carries : undefined, ...(s.after ?? []).map((a) => a.step)];
    return links
      .filter((id) => id !== undefined && !name.has(id))
      .map((): Missing => ({ code: "EARLIER_STEP_LOST", details: { name: s.name } }));
  });
  const circle = circleIn(recipe);
  if (circle) return [...lost, { code: "STEPS_IN_CIRCLE", details: { names: circle.map((id) => name.get(id) ?? id) } }];
  return [
    ...lost,
    ...orderFaults(recipe)
      .filter((f) => f.hard)
      .map((f): Missing => ({ code: "STEP_TOO_EARLY", details: { ...f.names, because: f.because } })),
  ];
}

function missingSteps(recipe: Recipe): Missing[] {
  const missing: Missing[] = [];
  const ids = recipe.steps.map((s) => s.id);
  for (const id of new Set(ids.filter((id, i) => ids.indexOf(id) !== i)))
    missing.push({ code: "STEP_ID_TWICE", details: { id } });
  if (recipe.steps.length === 0) missing.push(lack("NO_STEPS"));
  if (recipe.steps.length > MOST_STEPS)
    missing.push({ code: "STEPS_TOO_MANY", details: { steps: recipe.steps.length, most: MOST_STEPS } });
  if (!recipe.steps.some((s) => s.do === "whip")) missing.push(lack("NO_KNOT"));
  const known = new Set(recipe.components.map((c) => c.id));
  const used = new Set(recipe.steps.flatMap((s) => (s.component ? [s.component] : [])));
  for (const step of recipe.steps) {
    if (step.component && !known.has(step.component))
      missing.push({ code: "COMPONENT_NOT_THERE", details: { name: step.name, component: step.component } });
    if (!step.component && step.do !== "whip" && step.do !== "act")
      missing.push({ code: "COMPONENT_NOT_SAID", details: { name: step.name } });
    missing.push(...quantityFaults(step));
  }
  const glued = recipe.steps.flatMap((s) => (s.do === "seat" && s.glue ? [s.glue] : []));
  const coats =
    recipe.finish.state === "given"
      ? [recipe.finish.component, ...(recipe.finish.then ?? []).map((c) => c.component)]
      : [];
  for (const id of coats) if (!known.has(id)) missing.push({ code: "FINISH_NOT_THERE", details: { component: id } });
  for (const id of [...coats, ...glued]) used.add(id);
  for (const c of recipe.components)
    if (c.role !== "hook" && !used.has(c.id) && c.role !== "thread" && c.role !== "finish")
      missing.push({ code: "PART_NOT_USED", details: { role: c.role } });
  return [...missing, ...leftWaiting(recipe)];
}

/** What is only tied in, and counted when it is wound or taken over, takes nothing as long as no step does that. */
function leftWaiting({ components, steps }: Recipe): Missing[] {
  const waits = (s: RecipeStep): boolean => s.do === "lay" && s.countedWhenWound === true;
  return components.flatMap(({ id, role }): Missing[] => {
    const own = steps.filter((s) => s.component === id && s.do !== "act");
    const isLeft = own.length > 0 && own.every(waits) && !steps.some((s) => own.some((o) => s.tiedIn === o.id));
    return isLeft ? [{ code: "PART_LEFT_WAITING", details: { role } }] : [];
  });
}

function quantityFaults(step: RecipeStep): Missing[] {
  if (step.do === "dress" && !step.fullness && !step.noodle && !step.trace && !(step.loopMm && step.loopLoad))
    return [{ code: "FULLNESS_NOT_SAID", details: { name: step.name } }];
  if (step.do !== "wind") return [];
  try {
    guardRule(step.rule);
    return [];
  } catch (error) {
    // A rule that says nothing, or two things, is missing; a figure that cannot be is refused when it is tied.
    if (!(error instanceof DomainError)) throw error;
    return error.code === "WIND_RULE_INVALID" ? [{ code: "WINDING_NOT_SAID", details: { name: step.name } }] : [];
  }
}
