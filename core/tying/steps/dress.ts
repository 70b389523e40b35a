import { dress } from "../dress";
import { meanDiameter } from "../profile";
import type { StepResult, TyingStep } from "../types";
import type { Vise } from "../vise";

/** Thread that a loop takes beside twice its length. */
const LOOP_EXTRA = 40;

/** Dubbing is wound on: on the thread itself, or in a loop of it. */
export function runDress(vise: Vise, step: TyingStep & { do: "dress" }): StepResult {
  const zone = vise.behindHard(vise.zone(step.from, step.to));
  const under = meanDiameter(vise.profile, zone.from, zone.to);
  const { volume, mass, massOnFly, noodle, endDiameters, nothingToFill } = dress(
    vise.profile,
    step.dubbing,
    zone,
    step.rule,
  );
  vise.mass.dubbing += massOnFly;
  if (step.loop === undefined) vise.use.underDubbing += noodle;
  else vise.use.loops += 2 * (step.loop === "as the noodle" ? noodle : step.loop) + LOOP_EXTRA;
  if (nothingToFill) vise.warnings.push({ step: step.id, code: "NOTHING_TO_FILL", details: { name: step.name } });
  return {
    id: step.id,
    name: step.name,
    do: "dress",
    from: zone.from,
    to: zone.to,
    volume,
    mass,
    noodle,
    endDiameters,
    under,
    growthMm: meanDiameter(vise.profile, zone.from, zone.to) - under,
  };
}
