import { DomainError } from "../errors";
import { sizeWithin, type HookModel } from "../hooks";
import type { Materials } from "../materials";
import { hookOtherwise, missingFrom, type FlyChoice, type Recipe, type RecipeStep } from "../recipe";
import { tieFly, type TiedFly, type TyingStep, type Warning } from "../tying";
import { FlyContext } from "./context";
import { guardUses } from "./guardUses";
import { layerPart } from "./layers";
import { minutesOf } from "./minutes";
import { roomWarnings } from "./room";
import { collectStep, resolveStep } from "./steps";
import type { ComposedFly, FlyStep } from "./types";

/**
 * Tie one fly of a pattern by computation, for a size, variant and weight form.
 *
 * @param materials by code; every material that the recipe names for this choice must be there
 * @param options.keepProfiles keep D after each step, for drawing
 * @param options.incomplete tie it all the same, for the editor, as far as what is there allows
 * @returns the tied fly, and per component what one fly uses
 * @throws DomainError PATTERN_INCOMPLETE, PATTERN_SIZE_OUTSIDE, PATTERN_VARIANT_UNKNOWN, MATERIAL_UNKNOWN,
 *   METHOD_UNKNOWN,
 *   NOT_OPTIONAL, STEP_NEEDS and whatever a step refuses (with `step` set)
 */
export function composeFly(
  recipe: Recipe,
  choice: FlyChoice,
  model: HookModel,
  materials: Materials,
  options: { keepProfiles?: boolean; incomplete?: boolean } = {},
): ComposedFly {
  const missing = options.incomplete ? [] : missingFrom(recipe);
  if (missing.length > 0) throw new DomainError("PATTERN_INCOMPLETE", { missing });
  if (!sizeWithin(choice.size, recipe.sizes))
    throw new DomainError("PATTERN_SIZE_OUTSIDE", { size: choice.size, ...recipe.sizes });
  const c = new FlyContext(recipe, choice, model, materials);
  const tied = tieFly(
    c.hook,
    c.thread(c.firstThread()),
    c.order.map((step) => resolved(c, step)),
    options,
  );
  collect(c, tied);
  const ways = c.order.reduce((sum, step) => sum + c.schooling.minutesOver(step), 0);
  const minutes = minutesOf(recipe, choice, c.hook, tied, ways, (other) =>
    composeFly(recipe, other, model, materials, { incomplete: true }),
  );
  const fly: ComposedFly = {
    choice,
    hook: c.hook,
    tied,
    steps: c.flySteps,
    ridesPointUp: c.order.some((s) => s.do === "seat" && s.lashed === "on top"),
    minutes: Math.max(0, minutes.standard + minutes.ways + minutes.leftOut + minutes.filled),
    minutesOf: minutes,
    parts: [...c.parts.values()].filter((p) => p.uses.length > 0),
  };
  return {
    ...fly,
    tied: {
      ...tied,
      warnings: [
        ...hookWarnings(recipe, choice, model),
        ...tied.warnings,
        ...c.warnings,
        ...roomWarnings({ ...recipe, bare: c.bare }, fly),
      ],
    },
  };
}

function hookWarnings(recipe: Recipe, choice: FlyChoice, model: HookModel): Warning[] {
  const difference = hookOtherwise(recipe, choice, model);
  return difference ? [{ step: "", code: "HOOK_OTHERWISE", details: { model: model.name, ...difference } }] : [];
}

function resolved(c: FlyContext, step: RecipeStep): TyingStep {
  const material = c.chosen.get(step.component ?? "");
  const flyStep: FlyStep = {
    id: step.id,
    name: step.name,
    step,
    role: c.roleOf(step),
    material,
    flecks: c.flecksOf(material),
    methods: c.schooling.waysOf(step),
  };
  c.flySteps.push(flyStep);
  return resolveStep(c, step, flyStep);
}

/** Once tied: what windings, dubbing, threads and coats took. */
function collect(c: FlyContext, tied: TiedFly): void {
  const byId = new Map(c.flySteps.map((s) => [s.id, s]));
  const results = new Map(tied.steps.map((r) => [r.id, r]));
  for (const result of tied.steps) {
    const flyStep = byId.get(result.id);
    if (flyStep) atStep(flyStep, () => collectStep(c, flyStep, result, results));
  }
  const threads = [
    c.firstThread().id,
    ...c.flySteps.filter((s) => s.step.do === "thread").map((s) => s.step.component ?? ""),
  ];
  tied.threads.forEach((t, i) =>
    c.parts.get(threads[i] ?? "")?.uses.push({ step: "thread", use: { kind: "length", mm: t.use.total } }),
  );
  shareFeathers(c);
  for (const part of c.parts.values()) {
    guardUses(part, byId);
    for (const layer of part.layers) guardUses(layerPart(part, layer), byId);
  }
}

/** What is refused while it is counted is refused at its step. */
function atStep(step: FlyStep, work: () => void): void {
  try {
    work();
  } catch (error) {
    if (error instanceof DomainError) error.step ??= { id: step.id, name: step.name };
    throw error;
  }
}

/** Feathers that serve several parts are needed once: their fibres are counted together. */
function shareFeathers(c: FlyContext): void {
  for (const component of c.components.values()) {
    const own = c.parts.get(component.id);
    const shared = component.sharesWith === undefined ? undefined : c.parts.get(component.sharesWith);
    if (!own || !shared || own.material !== shared.material) continue;
    shared.uses.push(...own.uses.splice(0));
  }
}
