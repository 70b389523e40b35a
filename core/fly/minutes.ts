import { DomainError } from "../errors";
import type { HookGeometry } from "../hooks";
import type { TiedFly } from "../tying";
import type { FlyChoice, Recipe } from "../recipe";
import type { ComposedFly } from "./types";

/** A turn of thread takes about two thirds of a second. */
const MINUTES_A_TURN = 0.011;

/**
 * Turns that the standard fly of a recipe with ramps takes to fill, by size, variant and hook: asked for with every
 * other form.
 */
const standardTurns = new WeakMap<Recipe, Map<string, number>>();

/** Turns that ramps and filled gaps take on a fly. */
function filledTurns(recipe: Recipe, tied: TiedFly): number {
  const fills = new Set(recipe.steps.filter((s) => s.do === "wind" && s.fill).map((s) => s.id));
  return tied.steps.reduce((sum, r) => sum + (fills.has(r.id) ? (r.turns ?? 0) : 0), 0);
}

/** Compose another fly of the same recipe, hook and cabinet. */
export type Compose = (choice: FlyChoice) => ComposedFly;

/** The first weight form of a pattern with ramps, with all its parts: the standard minutes are those of that fly. */
function turnsOfStandardFly(
  recipe: Recipe,
  choice: FlyChoice,
  hook: HookGeometry,
  tied: TiedFly,
  compose: Compose,
): number {
  const form = recipe.forms[0]?.id ?? choice.form;
  if (form === choice.form && !choice.leave?.length) return filledTurns(recipe, tied);
  const known = standardTurns.get(recipe) ?? new Map<string, number>();
  standardTurns.set(recipe, known);
  const key = `${choice.size}/${choice.variant}/${hook.shank}/${hook.gape}`;
  const turns =
    known.get(key) ??
    standardOf(recipe, tied, () => compose({ ...choice, form, leave: [], buy: [], use: {}, methods: {} }));
  known.set(key, turns);
  return turns;
}

/**
 * Where the standard fly itself cannot be tied on this hook, there is nothing to compare with: this fly is the
 * standard.
 */
function standardOf(recipe: Recipe, tied: TiedFly, compose: () => ComposedFly): number {
  try {
    return filledTurns(recipe, compose().tied);
  } catch (error) {
    if (error instanceof DomainError) return filledTurns(recipe, tied);
    throw error;
  }
}

/**
 * The minutes of one fly: the pattern's, what its ways add or spare, an even share for every step left out, and the
 * turns that fill a gap where weight was left away.
 */
export function minutesOf(
  recipe: Recipe,
  choice: FlyChoice,
  hook: HookGeometry,
  tied: TiedFly,
  ways: number,
  compose: Compose,
): ComposedFly["minutesOf"] {
  const { minutesPerFly, steps } = recipe;
  const perStep = steps.length > 0 ? minutesPerFly / steps.length : 0;
  const left = new Set(choice.leave ?? []);
  const leftOut = steps.filter((s) => s.component !== undefined && left.has(s.component)).length;
  const filled = steps.some((s) => s.do === "wind" && s.fill)
    ? MINUTES_A_TURN * (filledTurns(recipe, tied) - turnsOfStandardFly(recipe, choice, hook, tied, compose))
    : 0;
  return { standard: minutesPerFly, ways, leftOut: -leftOut * perStep, filled, ready: 0 };
}

/**
 * The fly as it is tied on hooks that come prepared: an even share of the pattern's minutes is spared for everything
 * that is wound on them already. A bead is put on its hook before the vise either way, and spares nothing.
 *
 * @param ready components that come on the hook
 * @returns the same fly where none of them is wound
 */
export function onReadyHooks(fly: ComposedFly, recipe: Recipe, ready: ReadonlySet<string>): ComposedFly {
  const wound = fly.steps.filter(({ step }) => step.do === "wind" && ready.has(step.component ?? "")).length;
  if (wound === 0) return fly;
  const spared = (wound * recipe.minutesPerFly) / recipe.steps.length;
  const { minutes, minutesOf: of } = fly;
  return { ...fly, minutes: minutes - spared, minutesOf: { ...of, ready: of.ready - spared } };
}
