import type { MaterialForm } from "../materials";
import type { LayAmount, PlainLength } from "../recipe";
import type { LiquidKind } from "../tying";
import { isThickness, type Kind, type Said } from "./said";
import type { StepContext } from "./types";

/** Minutes that a coat dries where nobody says how long. */
export const DEFAULT_DRY: Record<LiquidKind, number> = { lacquer: 240, resin: 2, glue: 30 };

/** What is said of one side is there on both. */
function twice(a: LayAmount): LayAmount {
  if ("fibres" in a) return { fibres: 2 * a.fibres };
  if ("strands" in a) return { ...a, strands: 2 * a.strands };
  if ("feathers" in a) return { ...a, feathers: 2 * a.feathers };
  return "pieces" in a ? { pieces: 2 * a.pieces } : a;
}

/** So many bunches together: their fibres add up, and of clumps the sections do. */
function allBunches(a: LayAmount, n: number): LayAmount {
  if ("fibres" in a) return { fibres: n * a.fibres };
  if ("strands" in a) return { ...a, strands: n * a.strands };
  if ("spanMm" in a) return { spanMm: n * a.spanMm };
  if (!("clump" in a)) return a;
  const wider = (l: PlainLength): PlainLength => {
    const times = Math.sqrt(n);
    const much = (x: number): number => Number((x * times).toPrecision(3));
    return "of" in l ? { ...l, times: much(l.times) } : "mm" in l ? { mm: much(l.mm) } : l;
  };
  return {
    clump: "between" in a.clump ? { between: [wider(a.clump.between[0]), wider(a.clump.between[1])] } : wider(a.clump),
  };
}

/** Strips of these are cut to a width; one is laid. */
const byWidth = new Set<MaterialForm>(["stretch body", "yarn", "tinsel", "weight wire", "rubber"]);
const WIDEST_SLIP = 8;
/** Of these a piece is a strand. */
const byPiece = new Set<MaterialForm>([
  "yarn",
  "flash",
  "floss",
  "rubber",
  "stretch body",
  "chenille",
  "tinsel",
  "wire",
]);

/** A size without a word for it: of a hackle its barbs, of thread and floss how full they fill. */
function settleSize(said: Said, kind: Kind, role: StepContext["role"]): void {
  if (kind !== "wind" || !said.size) return;
  if (role === "hackle" || role === "collar" || role === "throat") said.barb ??= said.size;
  else if (said.fill === undefined) {
    said.fill = said.size;
    said.rule = { ...said.rule, touching: true };
  }
}

/** What was said in passing and is needed in another form by the kind of step that it turned out to be. */
export function finishSaid(said: Said, kind: Kind, { role, form }: Pick<StepContext, "role" | "form">): void {
  if (kind === "dress" && said.loop && said.loopMm === undefined)
    said.methods = { ...said.methods, "dubbing way": "loop" };
  // Wraps of the thread itself are its turns; weight is not held by wraps either.
  if (
    kind === "wind" &&
    (role === "head" || role === "thread" || role === "weight" || role === "hackle" || role === "collar") &&
    (role !== "hackle" || said.tieIn === undefined) &&
    said.rule === undefined &&
    said.wraps !== undefined
  ) {
    said.rule = { turns: said.wraps };
    delete said.wraps;
  }
  if (kind === "wind" && said.pieceMm !== undefined && said.take === undefined)
    said.take = { from: "pieces", pieceMm: said.pieceMm, gripMm: 0, trimMm: 0 };
  if (
    kind === "wind" &&
    role === "weight" &&
    said.rule?.turns !== undefined &&
    said.to === undefined &&
    said.end === undefined &&
    said.rule.touching === undefined
  )
    said.rule = { ...said.rule, touching: true };
  if (kind === "lay" && said.byMiddle && said.amount && "strands" in said.amount && !said.amount.folded)
    said.amount = { strands: 2 * said.amount.strands, folded: true };
  if (said.size) settleSize(said, kind, role);
  if (kind === "lay" && said.amount && "slipWidth" in said.amount && form !== undefined && byWidth.has(form))
    said.amount = { strands: 1, folded: false };
  // “slips of grey quill, 2.5 mm”: a quill's own figure is its width.
  if (
    kind === "lay" &&
    (form === "quill" || said.isSlips) &&
    said.amount === undefined &&
    said.shown &&
    "mm" in said.shown &&
    said.shown.mm <= WIDEST_SLIP
  ) {
    said.amount = { slipWidth: said.shown };
    delete said.shown;
  }
  // “white bucktail, 2 mm”: so thick is the bunch.
  if (kind === "lay" && form === "hair" && said.amount === undefined && said.shown && isThickness(said.shown)) {
    said.amount = { clump: said.shown };
    delete said.shown;
  }
  // “4 slips 3 mm wide” are two on either side.
  if (
    kind === "lay" &&
    said.amount &&
    "slipWidth" in said.amount &&
    (said.count ?? 0) > 2 &&
    (said.count ?? 0) % 2 === 0
  ) {
    said.amount = { ...said.amount, layers: (said.count ?? 0) / 2 };
    delete said.count;
  }
  // What hair is stacked for, fibres on a stem are drawn level for.
  if (kind === "lay" && form === "feather fibre" && said.methods?.tips === "stacked")
    said.methods = { ...said.methods, tips: "by hand" };
  // “three fibres each, one to a side”: six.
  if (kind === "lay" && said.isOfEach && said.count && said.amount && "fibres" in said.amount) {
    said.amount = { fibres: said.count * said.amount.fibres };
    delete said.count;
  }
  if (kind === "lay" && said.ofMm !== undefined) {
    if (form === "hair") said.amount ??= { clump: { mm: said.ofMm } };
    else said.shown ??= { mm: said.ofMm };
    delete said.ofMm;
  }
  // “pheasant body feather, 1 per side”: one on either side is two.
  const { amount, round, count } = said;
  if (kind === "lay" && count && round?.near && round.far && amount && "feathers" in amount && amount.feathers === 1) {
    said.amount = { ...amount, feathers: count };
    // A list said it, and its step once more.
    delete said.perSide;
  }
  if (kind === "lay" && said.bunches !== undefined && said.amount) {
    said.amount = allBunches(said.amount, said.bunches);
    delete said.bunches;
  }
  // “A slip on each side”: two of them.
  if (kind === "lay" && said.perSide && !said.amount && said.count !== undefined) {
    said.count *= 2;
    delete said.perSide;
  }
  if (kind === "lay" && said.perSide && said.amount) {
    said.amount = twice(said.amount);
    delete said.perSide;
  }
  if (kind === "lay" && said.count !== undefined && said.amount === undefined && said.round)
    said.amount =
      form === "hackle"
        ? { feathers: said.count, ...(said.count % 2 === 0 && { paired: true }) }
        : { strands: said.count, folded: false };
  if (
    kind === "lay" &&
    said.count !== undefined &&
    said.amount === undefined &&
    form !== undefined &&
    byPiece.has(form)
  )
    said.amount = { strands: said.count, folded: false };
}
