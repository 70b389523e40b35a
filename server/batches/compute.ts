import { prepTasks, type PrepTask } from "@kasten/core/batches";
import { DomainError } from "@kasten/core/errors";
import { KeptFlies, onReadyHooks, toolsOf, type ComposedFly } from "@kasten/core/fly";
import { notMade } from "@kasten/core/hooks";
import { startsFor } from "@kasten/core/learning";
import {
  hookRequirement,
  kitPartsFor,
  requirementsOf,
  withKitParts,
  type Knowledge,
  type Requirement,
} from "@kasten/core/needs";
import { hookOf, type Recipe } from "@kasten/core/recipe";
import { sentenceOf } from "@kasten/core/sentences";
import type { Batch } from "@kasten/contract/batches";
import type { Settings } from "@kasten/contract/settings";
import { notFound } from "../http/problems";
import { recipeKey } from "../recipes";
import type { World } from "../world";
import type { Learned } from "./knowledge";
import { NEVER_DUE, type OpenBatch } from "./queries";

/** A batch with everything that is derived: flies owed and to start, materials, preparation. */
export interface ComputedBatch {
  batch: Batch;
  recipe: Recipe;
  fly?: ComposedFly;
  requirements: Requirement[];
  prep: PrepTask[];
  known: Knowledge;
  /** Ready-made parts that could be taken for it from the drawer, or are. */
  kitOffers: string[];
  /** Why it cannot be computed, when it cannot. */
  fault?: string;
}

/** What the way of tying a batch makes of its minutes: 1 fly by fly. */
export const modeFactorOf = ({ mode }: Pick<OpenBatch, "mode">, recipe: Recipe): number =>
  mode === "step by step" ? recipe.stepByStepFactor : 1;

export const owedOf = (b: Pick<OpenBatch, "claims">): number => b.claims.reduce((sum, c) => sum + c.flies, 0);

export function computeBatch(world: World, learned: Learned, open: OpenBatch): ComputedBatch {
  const found = world.recipes.get(recipeKey(open.pattern, open.patternVersion));
  if (!found) throw notFound("pattern of this batch");
  const { recipe } = found;
  const { storedStarts, kitId: _kit, ...rest } = open;
  const owed = owedOf(open);
  const level = world.settings.serviceLevel;
  const known = learned.knowledge(open.pattern, level);
  const starts = storedStarts ?? startsFor(owed, learned.outcomes(open.pattern), level);
  const factor = modeFactorOf(open, recipe);
  const due = open.claims.map((c) => c.due).sort()[0] ?? NEVER_DUE;
  const batch: Batch = { ...rest, owed, starts, due, minutes: starts * recipe.minutesPerFly * factor };
  try {
    const { fly: bare, requirements: asked } = materialsOf(world, open, recipe, starts, known);
    const { requirements, ready } = withKitParts(asked, open.kitParts, world.materials);
    const fly = onReadyHooks(bare, recipe, ready);
    const minutes = starts * fly.minutes * factor;
    const prep = prepTasks(fly, starts, learned.prepPace, ready);
    const kitOffers = kitPartsFor(asked, world.materials).map((m) => m.code);
    return { batch: { ...batch, minutes }, recipe, fly, requirements, prep, known, kitOffers };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { batch, recipe, requirements: [], prep: [], known, kitOffers: [], fault: sentenceOf(error) };
  }
}

/** Flies of a large room: some hundred kinds, each perhaps in a few ways. */
const MOST_FLIES = 1200;
const kept = new WeakMap<World, KeptFlies>();

/** Flies are composed once for each state of the world. */
function fliesOf(world: World): KeptFlies {
  const known = kept.get(world) ?? new KeptFlies(MOST_FLIES);
  kept.set(world, known);
  return known;
}

function materialsOf(world: World, open: OpenBatch, recipe: Recipe, starts: number, known: Knowledge) {
  const hook = hookOf(recipe, open);
  const model = world.hooks.get(hook);
  if (!model) throw new DomainError("PATTERN_INCOMPLETE", { missing: [{ code: "HOOK_NOT_KNOWN", details: { hook } }] });
  const sizeFault = notMade(model, open.size);
  if (sizeFault) throw sizeFault;
  const { size, variant, form, buy, leave, use, methods } = open;
  const choice = { size, variant, form, buy, leave, use, methods, flies: starts };
  const key = recipeKey(open.pattern, open.patternVersion);
  const fly = fliesOf(world).fly(key, recipe, choice, model, world.materials);
  return {
    fly,
    requirements: [hookRequirement(model, fly.hook.size, starts, known), ...requirementsOf(fly, starts, known)],
  };
}

/** The shared tools that a batch is tied with, the scarcest first. */
export function sharedToolsOf({ fly }: Pick<ComputedBatch, "fly">, { sharedTools }: Settings): Settings["sharedTools"] {
  const needed = new Set((fly ? toolsOf(fly) : []).map((t) => t.toLowerCase()));
  return sharedTools.filter((t) => needed.has(t.name.toLowerCase())).sort((a, b) => a.places - b.places);
}

/** Skills that a batch asks for: the pattern's, and those of the steps that are tied here. */
export const skillsOf = ({ recipe, batch }: Pick<ComputedBatch, "recipe" | "batch">): string[] => [
  ...new Set([
    ...recipe.skills,
    ...recipe.steps.flatMap((s) => (s.component && batch.buy.includes(s.component) ? [] : (s.skills ?? []))),
  ]),
];
