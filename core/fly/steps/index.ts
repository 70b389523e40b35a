import { bounds, guard } from "../../units";
import { DomainError } from "../../errors";
import type { RecipeStep } from "../../recipe";
import type { StepResult, Thread, TyingStep } from "../../tying";
import type { FlyContext } from "../context";
import type { FlyStep } from "../types";
import { resolveDress } from "./dress";
import { collectLay, resolveLay } from "./lay";
import { resolveSeat } from "./seat";
import { tieInOf } from "./tieIn";
import { collectCoats, resolveWhip } from "./whip";
import { collectWind, resolveWind } from "./wind";

export { noodleDensities } from "./dress";
export { cutLength } from "./wind";

/** Wraps of thread by how firmly a part is held, where nobody says how many. */
export /**
 * A step of the recipe as it is tied on this fly: lengths in mm, its material's figures, its school's ways.
 * Notes on `flyStep` what the drawing and the bench need, and in the context what it takes already.
 * @throws DomainError STEP_NEEDS and what a length refuses, with `step` set
 */
function resolveStep(c: FlyContext, step: RecipeStep, flyStep: FlyStep): TyingStep {
  try {
    if (step.do === "glue") guard("drops", step.drops, bounds.drops);
    if (step.do === "glue") guard("coats", step.along?.coats, bounds.coats);
    if (step.do === "whip") guard("turns", step.turns, bounds.turns);
    if (step.do === "whip") guard("knots", step.times, bounds.layers);
    guard("wraps", step.tieIn?.wraps, bounds.wraps);
    const resolved = resolve(c, step, flyStep);
    const tieIn = tieInOf(c, step);
    if (!tieIn) return resolved;
    flyStep.wraps = tieIn.wraps;
    resolved.tieIn = tieIn;
    return resolved;
  } catch (error) {
    if (error instanceof DomainError) error.step ??= { id: step.id, name: step.name };
    throw error;
  }
}

function resolve(c: FlyContext, step: RecipeStep, flyStep: FlyStep): TyingStep {
  const { id, name } = step;
  switch (step.do) {
    case "seat":
      return resolveSeat(c, step);
    case "wind":
      return resolveWind(c, step, flyStep);
    case "lay":
      return resolveLay(c, step, flyStep);
    case "dress":
      return resolveDress(c, step);
    case "thread":
      return { id, name, do: "thread", thread: threadOf(c, step) };
    case "glue":
      return {
        id,
        name,
        do: "glue",
        at: step.at,
        drops: step.drops,
        along: step.along,
        liquid: step.along && c.material(step).liquid?.kind,
      };
    case "act":
      return { id, name, do: "act", at: step.at, hitches: step.act === "half hitch" ? 1 : undefined };
    case "whip":
      return resolveWhip(c, step);
  }
}

function threadOf(c: FlyContext, step: RecipeStep): Thread {
  const component = c.components.get(step.component ?? "");
  if (!component) throw new DomainError("STEP_NEEDS", { step: step.name, missing: "the thread that it changes to" });
  return c.thread(component);
}

/** What a step took, where that is known only once it is tied: windings, dubbing, glue and coats. */
export function collectStep(
  c: FlyContext,
  flyStep: FlyStep,
  result: StepResult,
  results: ReadonlyMap<string, StepResult>,
): void {
  if (result.do === "dress") c.take(flyStep.step, { kind: "mass", mg: result.mass ?? 0 });
  if (result.do === "wind") collectWind(c, flyStep, result);
  if (result.do === "lay") collectLay(c, flyStep, results);
  if (result.do === "glue") c.take(flyStep.step, { kind: "volume", ul: result.volume ?? 0 });
  if (result.do === "whip") collectCoats(c, flyStep.step, result);
}
export { wrapsOfHold } from "./tieIn";
