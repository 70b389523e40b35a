import { DomainError } from "../../errors";
import type { Material, MaterialForm } from "../../materials";
import { ascending, ceilSafe, ceilTo } from "../../numeric";
import { bounds, guard } from "../../units";
import { methodFigures } from "../../methods";
import type { RecipeStep } from "../../recipe";
import {
  fibresInSpan,
  strandPieces,
  threadStrand,
  type StepResult,
  type Take,
  type ThreadAspect,
  type TyingStep,
} from "../../tying";
import { fibreUse, guardReach } from "../amount";
import type { FlyContext } from "../context";
import { middleOf } from "../lengths";
import { strandFor } from "../strands";
import { isClockwise } from "./direction";
import type { ComponentUse, FlyStep } from "../types";
import { featherTake } from "./feather";

type WindStep = RecipeStep & { do: "wind" };

/** What is thrown away at the spool's end, where nobody says how much; weight wire is cut close. */
const usualTrim = (form: MaterialForm): number => (form === "weight wire" ? 2 : 20);

/** Lost where the end of a stretched material is cut and springs back. */
const SPRINGS_BACK = 5;
const springsBack = (form: MaterialForm): number => (form === "stretch body" || form === "rubber" ? SPRINGS_BACK : 0);

/** Pieces cut for a fly are cut to whole 5 mm, with enough to hold them by. */
export const cutLength = (used: number): number => ceilTo(used + methodFigures.cutHandling, 5);

/** A winding as its schools have it: of its material, or of the thread itself. */
export function resolveWind(c: FlyContext, step: WindStep, flyStep: FlyStep): TyingStep {
  flyStep.clockwise = isClockwise(c, step);
  const { id, name, from, to, rule, passes, stretch, rope, ribbon, laid } = step;
  // The butts lie there already: nothing is wound, and the thread stays where it hangs.
  if (c.school(step, "underbody") === "long butts") return { id, name, do: "act" };
  const material = c.material(step);
  guard("stretch", stretch, bounds.stretch);
  const fill: [number, number] | undefined = step.fill && [c.lengths.mm(step.fill[0]), c.lengths.mm(step.fill[1])];
  flyStep.fillMm = fill;
  const smooth = isSmoothBody(c, step, material);
  const ofThread = { id, name, do: "wind", from, to, rule, passes, strand: "thread", smooth } as const;
  if (c.school(step, "underbody") === "flat thread") return { ...ofThread, fill, aspect: "flat" };
  const aspect = aspectOf(c, step);
  if (isWorkingThread(c, step, material)) return { ...ofThread, fill, ...(aspect && { aspect }) };
  if (c.school(step, "body ground") === "flat thread") return { ...ofThread, rule: { touching: true }, aspect: "flat" };
  if (step.barb) {
    const root = middleOf(step, c.hook, c.beadMm);
    flyStep.barbMm = ascending(c.lengths.mm(step.barb[0], root), c.lengths.mm(step.barb[1], root));
    for (const mm of flyStep.barbMm) guard("barb", mm, bounds.barbMm);
  }
  const take = takeOf(c, step, material);
  const useUp = take.from === "feather" ? usedUpMm(c, step, material, take) : undefined;
  const tookMm =
    step.take?.from === "leftover" ? step.take.startMm - step.take.leftMm - springsBack(material.form) : undefined;
  const strand = aspect && material.thread ? threadStrand({ ...material.thread, aspect }) : strandFor(material, step);
  const { atMost } = step;
  return {
    id,
    name,
    do: "wind",
    from,
    to,
    rule,
    atMost,
    strand,
    passes,
    stretch,
    rope,
    ribbon,
    laid,
    take,
    useUp,
    fill,
    tookMm,
    smooth,
    roundMm: step.roundPost ? postMm(c, step) : undefined,
    cavityMm: step.intoBead ? cavityOf(c) : undefined,
  };
}

/** Thickness of the wing that stands on the shank before this step. @throws DomainError STEP_NEEDS without one */
function postMm(c: FlyContext, step: WindStep): number {
  const post = c.flySteps.findLast((s) => s.role === "wing" && s.bundleMm !== undefined);
  if (post?.bundleMm === undefined)
    throw new DomainError("STEP_NEEDS", {
      step: step.name,
      missing: "an upright wing tied before it, to be wound round",
    });
  return post.bundleMm;
}

/** Depth of a bead into which wire can be pushed, where nobody has measured it: a share of its length. */
const CAVITY_OF_BEAD = 0.25;

/** Inner space of the bead against the eye, mm; 0 for a fly without one. */
function cavityOf(c: FlyContext): number {
  if (c.beadMm === 0) return 0;
  const bead = c.order.find((s) => s.do === "seat" && c.chosen.get(s.component ?? "")?.part?.length === c.beadMm);
  return c.chosen.get(bead?.component ?? "")?.part?.cavityMm ?? CAVITY_OF_BEAD * c.beadMm;
}

/** Stem that is wound where no count says when to stop: all that is free of it, or until it goes bare or thick. */
function usedUpMm(
  c: FlyContext,
  step: WindStep,
  { feather }: Material,
  take: Extract<Take, { from: "feather" }>,
): number | undefined {
  const free = take.usable - take.grip - take.bound;
  switch (c.school(step, "hackle turns")) {
    case "whole feather":
      return free;
    case "until it stops":
      return Math.min(free, Math.max(0, (feather?.span ?? Infinity) - take.bound));
    default:
      return undefined;
  }
}

const smoothForms = new Set<MaterialForm>(["tinsel", "floss", "thread"]);

/** A body under which every ledge shows; what is wound to level or to fill is there to hide them. */
const isSmoothBody = (c: FlyContext, step: WindStep, material: Material): boolean =>
  (c.roleOf(step) === "body" || c.roleOf(step) === "tag") &&
  smoothForms.has(material.form) &&
  !step.levels &&
  !step.fill;

/** How a winding of thread lies, where a tier spins it; undefined as it comes. */
function aspectOf(c: FlyContext, step: RecipeStep): ThreadAspect | undefined {
  const lay = c.school(step, "thread lay");
  return lay === "flat" || lay === "corded" ? lay : undefined;
}

/** The thread on the hook at this step; another thread wound as rib or body is a material like any other. */
function isWorkingThread(c: FlyContext, step: RecipeStep, material: Material): boolean {
  if (material.form !== "thread") return false;
  const role = c.roleOf(step);
  const changed = c.order.slice(0, c.order.indexOf(step)).findLast((s) => s.do === "thread")?.component;
  const running = c.chosen.get(changed ?? c.firstThread().id);
  return role === "thread" || role === "head" || material === running;
}

/** Bound length of a wound material: what its own laid zone, or the step that bound it in, holds down. */
function boundMm(c: FlyContext, step: WindStep): number {
  const tiedIn = step.tiedIn ? c.order.find((s) => s.id === step.tiedIn) : undefined;
  return (step.laid ? c.span(step.laid) : 0) + (tiedIn?.do === "lay" ? c.span(tiedIn) : 0);
}

function takeOf(c: FlyContext, step: WindStep, material: Material): Take {
  const bound = boundMm(c, step);
  const rule =
    step.take ??
    (material.form === "hackle"
      ? { from: "feather" as const }
      : { from: "spool" as const, trimMm: usualTrim(material.form) });
  if (rule.from === "feather") return featherTake(c, step, material, bound);
  // What is left is stock again: nothing is thrown away but what springs back.
  if (rule.from === "leftover") return { from: "spool", bound, trim: springsBack(material.form) };
  const trim = c.school(step, "wire ends") === "broken" ? Math.min(rule.trimMm, methodFigures.brokenEnd) : rule.trimMm;
  if (rule.from === "pieces" && c.school(step, "pieces") !== "spool")
    return { from: "pieces", bound, piece: rule.pieceMm, grip: rule.gripMm, trim };
  return { from: "spool", bound, trim };
}

/** What a winding took, once it is tied. */
export function collectWind(c: FlyContext, flyStep: FlyStep, result: StepResult): void {
  const { step } = flyStep;
  if (step.do !== "wind" || !flyStep.material || result.strands === undefined) return;
  const carried = step.carries === undefined ? undefined : c.flySteps.find((s) => s.id === step.carries);
  if (carried?.step.do === "wind") return goOn(c, carried, result);
  if (carried && c.school(step, "bundle") === "fold back") {
    // The same bundle goes on: counted once, but it has to be long enough for both.
    const use = c.parts.get(carried.step.component ?? "")?.uses.find((u) => u.step === carried.id)?.use;
    if (use?.kind === "fibres") {
      use.lengthMm += result.strandLength ?? 0;
      guardReach(step.name, flyStep.material, use.lengthMm);
    }
    return;
  }
  c.take(step, useOf(c, flyStep, step, flyStep.material, result));
}

/** The same strand or feather goes on in another place: what it takes is added to what it took. */
function goOn(c: FlyContext, carried: FlyStep, result: StepResult): void {
  const use = c.parts.get(carried.step.component ?? "")?.uses.find((u) => u.step === carried.id)?.use;
  if (use?.kind === "wound feather" || use?.kind === "cut") use.length += result.length ?? 0;
  if (use?.kind !== "length") return;
  use.mm += result.strandLength ?? result.length ?? 0;
  if (use.turns !== undefined) use.turns += result.turns ?? 0;
}

function useOf(c: FlyContext, flyStep: FlyStep, step: WindStep, material: Material, result: StepResult): ComponentUse {
  const bound = result.bound ?? 0;
  const one = result.strandLength ?? 0;
  const count = result.strands ?? 1;
  if (material.form === "hackle") return featherUse(c, flyStep, step, material, result);
  const pooled = c.school(step, "feather use") !== "whole flies";
  if (material.form === "quill" && material.feather) {
    // A slip or a biot is one of many on its quill.
    const wide = Math.max(1, fibresInSpan(material.strand?.width ?? 0, material.feather.perMm));
    return fibreUse(material, step, count * wide * inTurn(material, one), one, pooled);
  }
  if (material.form === "feather fibre" && material.feather)
    return fibreUse(material, step, count * inTurn(material, one), one, pooled);
  if (material.unit === "count") return woundPieces(material, count, one);
  if (c.school(step, "pieces") === "cut") return { ...cutUse(step, one, bound), ...togetherOf(result) };
  const turns = material.form === "weight wire" && result.turns !== undefined ? { turns: result.turns } : {};
  return { kind: "length", mm: count * (result.use ?? one), ...turns };
}

/** How many lengths of a material are wound one after another where a single one is too short. */
const inTurn = ({ fibreMm = Infinity }: Material, oneMm: number): number => Math.max(1, ceilSafe(oneMm / fibreMm));

/** Strands of a hank, so many flies from each; and herl, of which a long winding takes more than one. */
function woundPieces(material: Material, count: number, one: number): ComponentUse {
  if (material.pieceMm !== undefined)
    return {
      kind: "strands",
      ...strandPieces({ hank: material.pieceMm, piece: one, ends: count, folded: false }),
      pieceMm: one,
    };
  return { kind: "pieces", each: count * inTurn(material, one) };
}

function featherUse(c: FlyContext, flyStep: FlyStep, step: WindStep, material: Material, r: StepResult): ComponentUse {
  const bound = r.bound ?? 0;
  const doubledBack = c.school(step, "hackle tied in") === "tip" ? methodFigures.tipDoubledBack : 0;
  const { usable, grip, single } = featherTake(c, step, material, bound - doubledBack);
  return {
    kind: "wound feather",
    length: r.length ?? 0,
    bound,
    usable,
    grip,
    barb: flyStep.barbMm,
    ...(single && { single }),
    ...togetherOf(r),
    ...(c.school(step, "hackle turns") === "whole feather" && { whole: true }),
  };
}

/** Two hackles wound as one, four strands of floss: each of them is taken. */
const togetherOf = ({ strands = 1 }: StepResult): { together?: number } => (strands > 1 ? { together: strands } : {});

function cutUse(step: WindStep, one: number, bound: number): Extract<ComponentUse, { kind: "cut" }> {
  const length = one - bound;
  if (step.take?.from === "pieces") {
    const { pieceMm, gripMm, trimMm } = step.take;
    return { kind: "cut", length, bound, piece: pieceMm, grip: gripMm, trim: trimMm };
  }
  const piece = cutLength(one);
  return { kind: "cut", length, bound, piece, grip: 0, trim: methodFigures.cutHandling, toMeasure: true };
}
