import { bounds, guard } from "../../units";
import type { Material } from "../../materials";
import { methodFigures } from "../../methods";
import type { RecipeStep } from "../../recipe";
import type { TyingStep } from "../../tying";
import { layAmount, type Laid } from "../amount";
import type { FlyContext } from "../context";
import { rootOf } from "../lengths";
import { strandFor } from "../strands";
import type { FlyStep } from "../types";

type LayStep = RecipeStep & { do: "lay" };

/** A part bound down along the shank: how long it shows, how much of it, and what leaves the drawer. */
export function resolveLay(c: FlyContext, step: LayStep, flyStep: FlyStep): TyingStep {
  const material = c.material(step);
  const bound = c.span(step);
  const shown = step.shown ? c.lengths.mm(step.shown, rootOf(step, c.hook, c.beadMm)) : 0;
  guard("shown", shown, bounds.shownMm);
  guard("trimmed butts", step.trimMm, bounds.trimMm);
  const butts = c.school(step, "butts") === "trimmed after" ? (step.trimMm ?? methodFigures.longButts) : 0;
  const grossMm = shown + bound + butts;
  const taken = laidOf(c, step, material, grossMm);
  flyStep.shownMm = shown;
  flyStep.grossMm = grossMm;
  flyStep.fibres = taken.fibres;
  flyStep.widthMm = taken.widthMm;
  if (taken.use && !step.countedWhenWound) c.take(step, taken.use);
  return {
    id: step.id,
    name: step.name,
    do: "lay",
    from: step.from,
    to: step.to,
    strand: taken.strand,
    strands: taken.strands,
    strandLength: step.countedWhenWound ? undefined : shown + bound,
    shown,
  };
}

function laidOf(c: FlyContext, step: LayStep, material: Material, grossMm: number): Laid {
  const strand = () => strandFor(material, step);
  const bought = c.components.get(step.component ?? "")?.bought;
  if (material.form === "made part" && bought) {
    const each = bought.perFly;
    return { strand: strand(), strands: each, fibres: each, use: { kind: "pieces", each } };
  }
  return layAmount(step.amount, {
    step,
    material,
    strand,
    mm: (rule) => c.lengths.mm(rule),
    grossMm,
    pooled: c.school(step, "feather use") !== "whole flies",
    stacked: c.school(step, "tips") === "stacked",
  });
}
