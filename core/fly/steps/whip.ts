import type { RecipeStep } from "../../recipe";
import type { StepResult, TyingStep } from "../../tying";
import type { FlyContext } from "../context";

/** The knot, and what is coated over it by the chosen way of finishing the head. */
export function resolveWhip(c: FlyContext, step: RecipeStep & { do: "whip" }): TyingStep {
  const head = c.school(step, "head");
  const { coats, component } = headCoats(c, head);
  return {
    id: step.id,
    name: step.name,
    do: "whip",
    from: step.from,
    to: step.to,
    // A bare head is held by a second knot, unless the recipe says how many.
    turns: step.turns * (step.times ?? (head === "none" ? 2 : 1)),
    liquid: component === undefined ? undefined : c.chosen.get(component)?.liquid?.kind,
    coats,
  };
}

function headCoats(c: FlyContext, school: string | undefined): { component?: string; coats: number } {
  const { finish } = c.recipe;
  if (school === "none") return { coats: 0 };
  if (school !== undefined && school !== "as stated") return { component: school, coats: 1 };
  return finish.state === "given" ? finish : { coats: 0 };
}

/** What the coats took, once the head is tied: the first product, then those that follow it. */
export function collectCoats(c: FlyContext, step: RecipeStep, { volume }: StepResult): void {
  const school = c.school(step, "head");
  const { component } = headCoats(c, school);
  if (component === undefined || !volume) return;
  c.take(step, { kind: "volume", ul: volume }, component);
  const { finish } = c.recipe;
  if (school !== "as stated" || finish.state !== "given") return;
  const perCoat = volume / finish.coats;
  for (const coat of finish.then ?? []) c.take(step, { kind: "volume", ul: perCoat * coat.coats }, coat.component);
}
