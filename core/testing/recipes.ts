import type { Component, Recipe, RecipeStep } from "../recipe";
import { recipe } from "./nymph";

/** The nymph, changed. */
export const changed = (change: (r: Recipe) => void): Recipe => {
  const r = recipe();
  change(r);
  return r;
};

/**
 * The nymph with a step put in before the whip finish, or in place of one of the same id, and the part that it uses.
 */
export const withStep = (step: RecipeStep, component?: Component): Recipe =>
  changed((r) => {
    if (component) r.components = [...r.components.filter((c) => c.id !== component.id), component];
    const at = r.steps.findIndex((s) => s.id === step.id);
    if (at >= 0) r.steps[at] = step;
    else r.steps.splice(r.steps.length - 1, 0, step);
  });
