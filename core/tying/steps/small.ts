import { meanDiameter } from "../profile";
import { brushedVolume, DROP } from "../take";
import type { StepResult, TyingStep } from "../types";
import type { Vise } from "../vise";

/** The thread is changed for another. */
export function runThread(vise: Vise, step: TyingStep & { do: "thread" }): StepResult {
  vise.begin(step.thread);
  return { id: step.id, name: step.name, do: "thread", from: 0, to: 0 };
}

/**
 * Drops at a place, or coats brushed along a stretch: a film round all that lies there. Along a part that is tied in at
 * one spot, such as eyes of foam, each coat is a drop on it.
 */
export function runGlue(vise: Vise, step: TyingStep & { do: "glue" }): StepResult {
  const { along } = step;
  if (along && vise.isOneSpot(along.from, along.to)) {
    const at = vise.spot(along.from);
    return { id: step.id, name: step.name, do: "glue", from: at, to: at, volume: along.coats * DROP };
  }
  if (along) {
    const zone = vise.zone(along.from, along.to);
    const full = meanDiameter(vise.profile, zone.from, zone.to);
    const volume = brushedVolume(step.liquid ?? "lacquer", full, zone.to - zone.from, along.coats);
    return { id: step.id, name: step.name, do: "glue", from: zone.from, to: zone.to, volume };
  }
  const at = vise.spot(step.at);
  return { id: step.id, name: step.name, do: "glue", from: at, to: at, volume: step.drops * DROP };
}

/** What is done adds no material; half hitches take thread. */
export function runAct(vise: Vise, step: TyingStep & { do: "act" }): StepResult {
  const at = step.at ? vise.spot(step.at) : vise.beadMm;
  if (step.hitches) vise.tieIn(step.at ?? { landmark: "eye" }, step.hitches);
  return { id: step.id, name: step.name, do: "act", from: at, to: at };
}
