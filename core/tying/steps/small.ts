import { DROP } from "../take";
import { tieInThread } from "../wind";
import type { StepResult, TyingStep } from "../types";
import type { Vise } from "../vise";

/** The thread is changed for another. */
export function runThread(vise: Vise, step: TyingStep & { do: "thread" }): StepResult {
  vise.begin(step.thread);
  return { id: step.id, name: step.name, do: "thread", from: 0, to: 0 };
}

export function runGlue(vise: Vise, step: TyingStep & { do: "glue" }): StepResult {
  const at = vise.spot(step.at);
  return { id: step.id, name: step.name, do: "glue", from: at, to: at, volume: step.drops * DROP };
}

/** What is done adds no material; half hitches take thread. */
export function runAct(vise: Vise, step: TyingStep & { do: "act" }): StepResult {
  const at = step.at ? vise.spot(step.at) : 0;
  if (step.hitches) vise.use.tieIns += tieInThread(vise.profile, at, step.hitches, vise.strand);
  return { id: step.id, name: step.name, do: "act", from: at, to: at };
}
