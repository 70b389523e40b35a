import { bounds, guard } from "../../units";
import type { Material } from "../../materials";
import { methodFigures } from "../../methods";
import type { RecipeStep, Role } from "../../recipe";
import { stretched, type StepResult, type Strand, type TyingStep } from "../../tying";
import { layAmount, type Laid } from "../amount";
import type { FlyContext } from "../context";
import { rootOf } from "../lengths";
import { isAcross } from "../liesAlong";
import { strandFor } from "../strands";
import type { FlyStep } from "../types";

type LayStep = RecipeStep & { do: "lay" };

/** How much more is taken than stays, by the way in which it is measured and levelled. */
function overOf(c: FlyContext, step: LayStep): number {
  const tips = c.school(step, "tips");
  const levelled =
    tips === "stacked" ? methodFigures.stackedOver : tips === "by hand" ? methodFigures.handLevelledOver : 1;
  return levelled * (c.school(step, "fibre dose") === "eye" ? methodFigures.byEyeOver : 1);
}

/** What the fingers hold of a part while it is drawn over, in mm. */
const HELD_OVER = 10;

/** A part bound down along the shank: how long it shows, how much of it, and what leaves the drawer. */
export function resolveLay(c: FlyContext, step: LayStep, flyStep: FlyStep): TyingStep {
  const material = c.material(step);
  if (isAcross(step, c.roleOf(step))) flyStep.isAcross = true;
  const bound = flyStep.isAcross ? 0 : c.span(step);
  const shown = step.shown ? c.lengths.mm(step.shown, rootOf(step, c.hook, c.beadMm)) : 0;
  guard("shown", shown, bounds.shownMm);
  guard("trimmed butts", step.trimMm, bounds.trimMm);
  const butts = c.school(step, "butts") === "trimmed after" ? (step.trimMm ?? methodFigures.longButts) : 0;
  const grossMm = shown + bound + butts;
  const taken = laidOf(c, step, material, grossMm, bound);
  flyStep.shownMm = shown;
  flyStep.grossMm = grossMm;
  flyStep.fibres = taken.fibres;
  flyStep.widthMm = taken.widthMm;
  const isTakenOver = step.hanging === true && takenOverFrom(c, step).length > 0;
  flyStep.bundleMm = taken.widthMm ?? bundleMm(taken.strand, taken.strands);
  if (isOver(step)) {
    const lies = step.stretch === undefined ? taken.strand : tightened(taken.strand, step.stretch);
    flyStep.freeMm = freeOf(c, step);
    flyStep.coverMm = taken.widthMm ?? coverWidth(material, lies, taken.strands);
  }
  // How long it has to be is known only once the fly is tied that it is taken over.
  if (taken.use && !step.countedWhenWound && !isTakenOver) c.take(step, taken.use);
  return {
    id: step.id,
    name: step.name,
    do: "lay",
    from: step.from,
    to: step.to,
    strand: step.stretch === undefined ? taken.strand : tightened(taken.strand, step.stretch),
    strands: taken.strands,
    strandLength: step.countedWhenWound ? undefined : isTakenOver ? bound : shown + bound,
    shown,
    over: flyStep.freeMm === undefined ? undefined : { freeMm: flyStep.freeMm },
  };
}

const isOver = (step: LayStep): boolean => step.tiedIn !== undefined && step.attitude === "over";

/** The steps that take a hanging part over, in working order. */
const takenOverFrom = (c: FlyContext, step: LayStep): LayStep[] =>
  c.order.filter((s): s is LayStep => s.do === "lay" && s.tiedIn === step.id && isOver(s));

function freeOf(c: FlyContext, step: LayStep): number {
  const free = step.free ? c.lengths.mm(step.free) : 0;
  guard("left free", free, bounds.shownMm);
  return free;
}

/** Drawn out, a strand is as much thinner as it is longer. */
function tightened(strand: Strand, stretch: number): Strand {
  guard("stretch", stretch, bounds.stretch);
  return { ...stretched(strand, stretch), area: strand.area / stretch, massPerMm: strand.massPerMm / stretch };
}

/**
 * Once it is tied: what is taken over is as long as its way over the fly, what stays free of it and what the fingers
 * hold, however often it is taken further; and wide enough to cover.
 */
export function collectLay(c: FlyContext, flyStep: FlyStep, results: ReadonlyMap<string, StepResult>): void {
  const { step } = flyStep;
  if (step.do !== "lay" || !step.hanging) return;
  const overs = takenOverFrom(c, step);
  const last = overs.at(-1);
  if (!last) return;
  const wayMm = overs.reduce((sum, s) => sum + (results.get(s.id)?.wayMm ?? 0) / (s.stretch ?? 1), 0);
  const neededMm = wayMm + freeOf(c, last) + HELD_OVER;
  // The tips of a bundle are the tail, its butts go over: each of its ends has a length of its own.
  const tailMm = c.roleOf(step) === "tail" ? (flyStep.shownMm ?? 0) : 0;
  const statedMm = tailMm > 0 ? 0 : (flyStep.shownMm ?? 0);
  if (statedMm > 0 && statedMm < neededMm - HELD_OVER - 1e-9)
    c.warnings.push({ step: step.id, code: "CANNOT_REACH", details: { name: step.name, statedMm, neededMm } });
  const bound = c.span(step);
  const grossMm = tailMm + Math.max(statedMm, neededMm) + bound;
  flyStep.grossMm = grossMm;
  flyStep.reachMm = neededMm;
  const { use } = laidOf(c, step, c.material(step), grossMm, bound);
  if (use && !step.countedWhenWound) c.take(step, use);
  const widthMm = c.flySteps.find((s) => s.id === last.id)?.coverMm ?? 0;
  const coversMm = Math.max(...overs.map((s) => results.get(s.id)?.coversMm ?? 0));
  if (covers.has(c.roleOf(step) ?? "body") && widthMm < COVERS_LEAST * coversMm)
    c.warnings.push({ step: last.id, code: "COVER_NARROW", details: { name: last.name, widthMm, coversMm } });
}

/** Fibres lie beside each other as they grew on the stem; strips as wide as they are. */
const coverWidth = ({ feather }: Material, strand: Strand, strands: number): number =>
  feather ? strands / feather.perMm : strand.width * strands;

/** Strands bound round take a circle, with a little air between them. */
const bundleMm = (strand: Strand, strands: number): number =>
  Math.sqrt(((4 / Math.PI) * strand.area * strands) / BUNDLE_PACKING);
/** Share of a tightly bound bundle that is material; circles of one size fill at most 0.91. */
const BUNDLE_PACKING = 0.8;

/** Parts that are there to cover; a stripe or a strand that is taken over is not. */
const covers = new Set<Role>(["wing case"]);
/** Least share of the fullness beneath that a cover is wide. */
const COVERS_LEAST = 0.5;

function laidOf(c: FlyContext, step: LayStep, material: Material, grossMm: number, boundMm: number): Laid {
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
    boundMm,
    pooled: c.school(step, "feather use") !== "whole flies",
    over: overOf(c, step),
  });
}
