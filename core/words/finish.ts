import { arePairs, inSlips } from "./slips";
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
export function allBunches(a: LayAmount, n: number): LayAmount {
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

type Finish = (said: Said, role: StepContext["role"], form: StepContext["form"]) => void;

/** What was said in passing and is needed in another form by the kind of step that it turned out to be. */
export function finishSaid(said: Said, kind: Kind, { role, form }: Pick<StepContext, "role" | "form">): void {
  if (kind === "dress" && said.loop && said.loopMm === undefined)
    said.methods = { ...said.methods, "dubbing way": "loop" };
  if (kind === "wind") for (const finish of ofWinding) finish(said, role, form);
  if (kind === "lay") for (const finish of ofLaying) finish(said, role, form);
  // So many slips of a feather are no fibres: how wide each is has to be said.
  const isOfFeather = said.isSlips && (form === "feather fibre" || form === "quill" || form === "hackle");
  const isOfBunches = said.bunches !== undefined && said.count === said.bunches && !said.perSide;
  if (said.count !== undefined && kind === "lay" && said.amount === undefined && !isOfFeather && !isOfBunches) {
    // “Wing buds of grey duck, one each side”: of a quill they are slips, of a width that has to be said.
    if (form === "quill") said.isSlips = true;
    else countIsAmount(said, form);
  }
}

/** Turns, pieces and sizes of what is wound. */
const ofWinding: readonly Finish[] = [
  woundTogether,
  wrapsAreTurns,
  inCutPieces,
  weightTouches,
  settleSize,
  severalHackles,
];

/** “Three herls tied in by their tips, wind them”: so many that are wound are wound together. */
function woundTogether(said: Said): void {
  const { amount, rope, count } = said;
  if (!amount || rope !== undefined || count !== undefined) return;
  const many = "strands" in amount ? amount.strands : "feathers" in amount ? amount.feathers : 1;
  if (Number.isInteger(many) && many > 1) said.rope = many;
}

/** Wraps of the thread itself are its turns; weight is not held by wraps either. */
function wrapsAreTurns(said: Said, role: StepContext["role"]): void {
  const isOwn = role === "head" || role === "thread" || role === "weight" || role === "hackle" || role === "collar";
  if (!isOwn || (role === "hackle" && said.tieIn !== undefined)) return;
  if (said.rule !== undefined || said.wraps === undefined) return;
  said.rule = { turns: said.wraps };
  delete said.wraps;
}
function inCutPieces(said: Said): void {
  if (said.pieceMm !== undefined) said.take ??= { from: "pieces", pieceMm: said.pieceMm, gripMm: 0, trimMm: 0 };
}
function weightTouches(said: Said, role: StepContext["role"]): void {
  const isPlaced = said.to !== undefined || said.end !== undefined;
  if (role !== "weight" || said.rule?.turns === undefined || isPlaced) return;
  said.rule = { ...said.rule, touching: said.rule.touching ?? true };
}
/** A size without a word for it: of a hackle its barbs, of thread and floss how full they fill. */
function settleSize(said: Said, role: StepContext["role"]): void {
  if (!said.size) return;
  if (role === "hackle" || role === "collar" || role === "throat") said.barb ??= said.size;
  else if (said.fill === undefined) {
    said.fill = said.size;
    said.rule = { ...said.rule, touching: true };
  }
}

/** “Collar: 3 white hackles, 4 turns each”: they are wound together, and each of them is taken. */
function severalHackles(said: Said, _: StepContext["role"], form: StepContext["form"]): void {
  const { count, rope } = said;
  if (form !== "hackle" || (rope ?? count ?? 1) <= 1 || !Number.isInteger(rope ?? count)) return;
  Object.assign(said, { rope: rope ?? count, ribbon: true });
  delete said.count;
}

/** Amounts of what is laid, in the order in which one builds on the other. */
const ofLaying: readonly Finish[] = [
  piecesOfStrand,
  foldedByMiddle,
  stripIsOne,
  ownFigure,
  slipsOnEitherSide,
  levelByHand,
  noSlipsOfHair,
  ofEach,
  ofMeasure,
  oneOnEitherSide,
  bunchesTogether,
  perSide,
];
/** “2 pieces of orange floss”: of what comes on a spool they are strands. */
function piecesOfStrand(said: Said, _: StepContext["role"], form: StepContext["form"]): void {
  const { amount } = said;
  if (amount && "pieces" in amount && form !== undefined && byPiece.has(form))
    said.amount = { strands: amount.pieces, folded: false };
}
function foldedByMiddle(said: Said): void {
  if (!said.byMiddle || !said.amount || !("strands" in said.amount) || said.amount.folded) return;
  // “Each side as long as the body”: its two ends are the two sides.
  delete said.perSide;
  said.amount = { strands: 2 * said.amount.strands, folded: true };
}
function stripIsOne(said: Said, _: StepContext["role"], form: StepContext["form"]): void {
  if (!said.amount || !("slipWidth" in said.amount) || form === undefined || !byWidth.has(form)) return;
  const { slipWidth } = said.amount;
  if ("mm" in slipWidth) said.stripMm = slipWidth.mm;
  said.amount = { strands: 1, folded: false };
}
/** “slips of grey quill, 2.5 mm”, “white bucktail, 2 mm”: a quill's own figure is its width, a bunch's how thick. */
export function ownFigure(said: Said, _: StepContext["role"], form: StepContext["form"]): void {
  const { shown, amount } = said;
  // “Two pairs of starling slips, 3 mm”: so wide is each.
  const areSlips = (said.isSlips || form === "quill") && amount !== undefined && arePairs(amount);
  if (areSlips && shown && "mm" in shown && shown.mm <= WIDEST_SLIP) {
    said.amount = inSlips(amount, shown);
    delete said.shown;
    return;
  }
  if (amount !== undefined || !shown) return;
  const isCut = form === "quill" || (said.isSlips && form !== "tinsel" && form !== "flash" && form !== "floss");
  if (isCut && "mm" in shown && shown.mm <= WIDEST_SLIP) said.amount = { slipWidth: shown };
  else if (form === "hair" && isThickness(shown)) said.amount = { clump: shown };
  else return;
  delete said.shown;
}
/** “4 slips 3 mm wide” are two on either side. */
function slipsOnEitherSide(said: Said): void {
  const { amount, count = 0 } = said;
  if (!amount || !("slipWidth" in amount) || count <= 2 || count % 2 !== 0) return;
  said.amount = { ...amount, layers: count / 2 };
  delete said.count;
}
/** “A collar of deer hair, 7 mm wide”: nobody cuts slips of hair; how much of it there is, is not said. */
function noSlipsOfHair(said: Said, _: StepContext["role"], form: StepContext["form"]): void {
  if (form === "hair" && said.amount && "slipWidth" in said.amount) delete said.amount;
}
/** What hair is stacked for, fibres on a stem are drawn level for. */
function levelByHand(said: Said, _: StepContext["role"], form: StepContext["form"]): void {
  if (form === "feather fibre" && said.methods?.tips === "stacked") said.methods = { ...said.methods, tips: "by hand" };
}
/** “three fibres each, one to a side”: six; “Sides: one strand each”: on either side. */
function ofEach(said: Said, role: StepContext["role"]): void {
  if (said.isOfEach && said.amount && !said.count && !said.round && role === "cheeks")
    Object.assign(said, { round: { near: 1, far: 1 }, perSide: true });
  if (!said.isOfEach || !said.count || !said.amount || !("fibres" in said.amount)) return;
  said.amount = { fibres: said.count * said.amount.fibres };
  delete said.count;
}
/** “8 mm of hair” is how thick the bunch is; of more it is how long. */
const MOST_OF_HAIR_MM = 8;
/** Feathers of which fibres are taken by so much of the stem. */
export const isOfStem = new Set<StepContext["form"]>(["feather fibre", "hackle"]);
function ofMeasure(said: Said, _: StepContext["role"], form: StepContext["form"]): void {
  if (said.ofMm === undefined) return;
  const isLengthTold = (said.shown ?? said.like ?? said.sameLength ?? said.end) !== undefined;
  if (form === "hair" && said.ofMm <= MOST_OF_HAIR_MM) said.amount ??= { clump: { mm: said.ofMm } };
  // “10 mm of red hackle fibres, to the point”: so much of the stem.
  else if (isOfStem.has(form) && isLengthTold && said.count === undefined) said.amount ??= { spanMm: said.ofMm };
  else said.shown ??= { mm: said.ofMm };
  delete said.ofMm;
}
/** “pheasant body feather, 1 per side”: one on either side is two. */
function oneOnEitherSide(said: Said): void {
  const { amount, round, count } = said;
  if (!count || !round?.near || !round.far || !amount || !("feathers" in amount) || amount.feathers !== 1) return;
  said.amount = { ...amount, feathers: count };
  // A list said it, and its step once more.
  delete said.perSide;
}
function bunchesTogether(said: Said): void {
  if (said.bunches === undefined || !said.amount) return;
  said.amount = allBunches(said.amount, said.bunches);
  delete said.bunches;
}
/** What is said of one side is there on both: “a slip on each side”, two of them. */
function perSide(said: Said): void {
  if (!said.perSide || (!said.amount && said.count === undefined)) return;
  if (said.amount) said.amount = twice(said.amount);
  else if (said.count !== undefined) said.count *= 2;
  said.isOfBothSides = true;
  delete said.perSide;
}

/** So many of what nobody counted otherwise: strands, or feathers of what is a hackle. */
function countIsAmount(said: Said, form: StepContext["form"]): void {
  const { count = 0 } = said;
  if (said.round && form === "feather fibre") said.amount = { fibres: count };
  else if (said.round && form === "hackle") said.amount = { feathers: count, ...(count % 2 === 0 && { paired: true }) };
  else if (said.round || (form !== undefined && byPiece.has(form))) said.amount = { strands: count, folded: false };
}
