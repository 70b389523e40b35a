import { zoneOf } from "../../hooks";
import { seat } from "../seat";
import type { StepResult, TyingStep } from "../types";
import type { Vise } from "../vise";

/** A bead or eyes are seated; against the eye they take the front of the shank from all that follows. */
export function runSeat(vise: Vise, step: TyingStep & { do: "seat" }): StepResult {
  const from = vise.at(step.from);
  const zone = zoneOf(from, from + step.part.length, vise.hook);
  seat(vise.profile, step.part, from);
  vise.mass.beads += step.part.mass * step.count;
  if (from <= vise.beadMm + 1e-9) vise.beadMm = zone.to;
  else vise.hard.push({ from, to: zone.to });
  return { id: step.id, name: step.name, do: "seat", from, to: zone.to, count: step.count, fullMm: step.part.diameter };
}
