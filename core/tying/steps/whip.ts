import { meanDiameter, thicken } from "../profile";
import { liquidVolume } from "../take";
import type { StepResult, TyingStep } from "../types";
import type { Vise } from "../vise";

/** The knot over the head, and the coats on it. */
export function runWhip(vise: Vise, step: TyingStep & { do: "whip" }): StepResult {
  const zone = vise.knot(step.from, step.to);
  const headDiameter = meanDiameter(vise.profile, zone.from, zone.to);
  const headLength = zone.to - zone.from;
  const length = step.turns * Math.PI * (headDiameter + vise.strand.thickness);
  vise.use.whip += length;
  thicken(vise.profile, vise.profile.body, length * vise.strand.area, zone.from, zone.to);
  const volume = step.liquid ? liquidVolume(step.liquid, headDiameter, headLength, step.coats) : 0;
  return {
    id: step.id,
    name: step.name,
    do: "whip",
    from: zone.from,
    to: zone.to,
    length,
    turns: step.turns,
    headDiameter,
    headBulk: meanDiameter(vise.profile, zone.from, zone.to, vise.profile.body),
    headLength,
    volume,
  };
}
