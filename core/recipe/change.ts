import { sizeWithin } from "../hooks";
import type { Component } from "./component";
import type { FlyChoice } from "./recipe";
import type { RecipeStep, StepChange } from "./step";

/** A step with some of its quantities set anew; a winding rule or an amount is replaced as a whole. */
export function changed(step: RecipeStep, change: StepChange | undefined): RecipeStep {
  if (!change) return step;
  const { methods, ...rest } = change;
  return { ...step, ...rest, ...(methods && { methods: { ...step.methods, ...methods } }) } as RecipeStep;
}

/** The step as it holds for a size: the first size rule that fits, then what a taken alternate changes. */
export function stepFor(step: RecipeStep, choice: FlyChoice, component: Component | undefined): RecipeStep {
  const rule = step.bySize?.find((r) => sizeWithin(choice.size, r.sizes))?.set;
  const taken = component && choice.use?.[component.id];
  const alternate =
    taken === undefined ? undefined : component?.alternates?.find((a) => a.material === taken)?.changes?.[step.id];
  return changed(changed(step, rule), alternate);
}

/** Steps in the order of this fly: a step whose school says so comes before the one that it may precede. */
export function reordered(steps: RecipeStep[], goesBefore: (step: RecipeStep) => boolean): RecipeStep[] {
  return steps.reduce<RecipeStep[]>((order, step) => {
    const at =
      step.mayPrecede !== undefined && goesBefore(step) ? order.findIndex((s) => s.id === step.mayPrecede) : -1;
    return at === -1 ? [...order, step] : [...order.slice(0, at), step, ...order.slice(at)];
  }, []);
}
