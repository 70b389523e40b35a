import { fullestIn, profileWay } from "../profile";
import type { StepResult, TyingStep } from "../types";
import type { Vise } from "../vise";

/** Strands are bound down along the shank; what shows of them leaves it. */
export function runLay(vise: Vise, step: TyingStep & { do: "lay" }): StepResult {
  const over = step.over && wayOver(vise, step);
  const { from, to, lengthEach, under, growthMm } = vise.bind(step.strands * step.strand.area, step.from, step.to);
  if (step.strandLength !== undefined) vise.mass.materials += step.strands * step.strand.massPerMm * step.strandLength;
  if (over) vise.mass.materials += step.strands * step.strand.massPerMm * (over.wayMm + (step.over?.freeMm ?? 0));
  const tieInMm = (step.tieIn?.wraps ?? 0) * vise.strand.width;
  if (step.shown && step.shown < tieInMm)
    vise.warnings.push({
      step: step.id,
      code: "SHORTER_THAN_TIE_IN",
      details: { name: step.name, shownMm: step.shown, tieInMm },
    });
  return {
    id: step.id,
    name: step.name,
    do: "lay",
    from,
    to,
    strands: step.strands,
    lengthEach,
    under,
    growthMm,
    ...over,
  };
}

/** How far it is over the fly, and how full the fly is there. */
function wayOver(vise: Vise, step: TyingStep & { do: "lay" }): { wayMm: number; coversMm: number } {
  const { from, to } = vise.zone(step.from, step.to);
  const { profile } = vise;
  return { wayMm: profileWay(profile, from, to), coversMm: fullestIn(profile, from, to) };
}
