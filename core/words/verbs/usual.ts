import { isSame } from "../../numeric";
import type { Said, Kind } from "../said";
import { type Component, type Role, proportionsOfFamily, type LengthRule, type NoodleThickness } from "../../recipe";
import type { Bench, Telling } from "../bench";
import type { Place } from "../../hooks";
import type { MaterialForm } from "../../materials";
import { barbed, type Meant } from "./object";
import { isOfStem } from "../finish";
import { looseLeft } from "../told";
import { HERE } from "../text/place";
import { alongShank } from "../settle";
import { sayLength } from "../say/length";

/** “The rib through it, same number of turns”: as many as what was wound last had. */
export function asManyTurns(said: Said, component: Component | undefined, bench: Bench): void {
  const isSameNumber = said.sameTurns;
  delete said.sameTurns;
  if (!isSameNumber || said.rule) return;
  if (isSameNumber === "rib") return asTheRib(said, bench);
  const last = bench.made.findLast(
    ({ step }) => step.do === "wind" && step.component !== component?.id && step.rule.turns !== undefined,
  )?.step;
  if (last?.do === "wind" && last.rule.turns !== undefined) said.rule = { turns: last.rule.turns };
}

/** “One turn to each turn of the rib”: as many as that has on what is covered. */
function asTheRib(said: Said, bench: Bench): void {
  const rib = bench.made.findLast(({ step }) => step.do === "wind" && bench.component(step.component)?.role === "rib");
  if (rib?.step.do !== "wind" || rib.step.rule.turns === undefined) return;
  const { from, to = from, rule } = rib.step;
  const long = (a: Place, b: Place): number => Math.abs(alongShank(a) - alongShank(b));
  const share = said.from && said.to ? Math.min(1, long(said.from, said.to) / long(from, to)) : 1;
  said.rule = { turns: Math.max(1, Math.round((rule.turns ?? 0) * share)) };
}

/** “Butt: green floss, 3 mm”, “hot spot behind the bead, 1.5 mm”: of a tag or a butt that is how long it is. */
export function asLongAs(said: Said, role: Role | undefined): void {
  inFrontOfThat(said, role);
  const [mm] = (said.size ?? []).flatMap((l) => ("mm" in l ? [l.mm] : []));
  if (mm === undefined) return;
  // “Rear ball, 3 mm long”: so long it is, at the rear end of its half.
  const half = said.isLong && isHalf(said);
  if (half) for (const of of ["from", "to"] as const) delete said[of];
  if (half === "front") said.there ??= { eyeLengths: 1.5 };
  if (said.there && "landmark" in said.there && said.there.landmark === "bend" && !said.there.plus) delete said.there;
  if (said.from || said.to || (said.begin && said.end)) return;
  const usual: Place | undefined =
    role === "thorax" || role === "head" || role === "collar" ? { eyeLengths: 1 } : undefined;
  const front = said.there ?? said.begin ?? usual;
  const moved = (p: Place, by: number): Place | undefined =>
    p.plus === undefined ? { ...p, plus: { mm: by } } : undefined;
  // In front of a part it goes on towards the eye.
  const isAhead = front !== undefined && "part" in front && front.end === "front";
  const other = front ? moved(front, isAhead ? -mm : mm) : moved({ landmark: "bend" }, -mm);
  if (!other) return;
  Object.assign(said, front ? { from: front, to: other } : { from: other, to: { landmark: "bend" } });
  delete said.there;
  delete said.begin;
  delete said.size;
  said.rule ??= { touching: true };
}

/** Whether only one half of the shank was named. */
export function isHalf({ from, to }: Said): "rear" | "front" | undefined {
  if (from && "fraction" in from && from.fraction === 0.5 && to && isSame(to, { landmark: "bend" })) return "rear";
  return to && "fraction" in to && to.fraction === 0.5 && from && isSame(from, { eyeLengths: 1.5 })
    ? "front"
    : undefined;
}

/** “Tag: floss, 3 mm in front of that”: so much of it lies in front of what was wound last. */
function inFrontOfThat(said: Said, role: Role | undefined): void {
  const { there } = said;
  const isAhead =
    there && "part" in there && there.part === HERE && there.plus && "mm" in there.plus && there.plus.mm < 0;
  if (!isAhead || said.from || said.to || said.rule?.turns !== undefined || (role !== "tag" && role !== "butt")) return;
  Object.assign(said, { from: there, to: { ...there, plus: { mm: 0 } } } satisfies Said);
  said.rule ??= { touching: true };
  delete said.there;
}

/** What is cut to length before it is wound. */
export const cutForms: ReadonlySet<MaterialForm> = new Set<MaterialForm>(["wire", "tinsel", "yarn", "chenille"]);

const SHORTEST_PIECE = 30;
const filling = new Set<MaterialForm>(["thread", "floss"]);

/** No body is wound so full of thread or floss. */
const FULLEST_MM = 12;

/** A bare size of what is wound is how full thread and floss fill, and how long barbs are; of nothing else. */
export function askWhatSize(
  said: Said,
  kind: Kind,
  { role, form }: Meant,
  { told, line }: Telling,
  where: [number, number] | undefined,
): void {
  if (kind !== "wind" || !said.size || form === undefined) return;
  // “about four inches” of a wire is the piece that is cut.
  const [only] = said.size;
  if (cutForms.has(form) && said.pieceMm === undefined && "mm" in only && only.mm >= SHORTEST_PIECE) {
    said.pieceMm = only.mm;
    delete said.size;
    return;
  }
  const isDeeperThanAnyFly = said.size.some((l) => "mm" in l && l.mm > FULLEST_MM);
  if (filling.has(form) && !isDeeperThanAnyFly) return;
  if (role !== undefined && barbed.has(role)) return;
  line.asks.push({
    at: where ?? [told.at, told.end],
    sentence: `A length stands here, but not what is so long: only thread and floss are wound until they are so full. Say its zone, “from the bend to mid-shank”, or take it out.`,
    answers: [],
  });
  delete said.size;
}

/** “craft fur, 40 mm”: no body is so full; it may be how long the fibre is. */
export function askHowFull(said: Said, kind: Kind, { told, line }: Telling, where: [number, number] | undefined): void {
  const fullest = said.fullness?.find((l) => "mm" in l && l.mm > FULLEST_MM);
  if (kind !== "dress" || !fullest) return;
  line.asks.push({
    at: where ?? [told.at, told.end],
    sentence: `Nothing is dubbed ${sayLength(fullest)} full. Say how long the noodle is, “40 mm of noodle”, or take the length out.`,
    answers: [],
  });
  delete said.fullness;
}

/**
 * “2 mm, three times the shank”: of hair the first is how thick it is, of slips how wide, of fibres so much of the
 * stem; of all else it is asked which length holds.
 */
export function thickOrLong(
  said: Said,
  kind: Kind,
  form: MaterialForm | undefined,
  { told, line }: Telling,
  where: [number, number] | undefined,
): void {
  const { thick } = said;
  if (kind !== "lay" || !thick) return;
  delete said.thick;
  // “A pinch of marabou (2 mm), a shank long”: so thick is the pinch.
  const isBunch = told.loose.some(({ words }) => bunch.test(words));
  if (form === "hair" || isBunch) {
    said.amount ??= { clump: thick };
    if (isBunch) told.loose = looseLeft(told.loose, said);
    return;
  }
  if (form === "quill" || said.isSlips) {
    said.amount ??= { slipWidth: thick };
    return;
  }
  // “4 mm of pheasant tail, a shank long”: so much of the stem.
  if (isOfStem.has(form) && said.amount === undefined && "mm" in thick) {
    said.amount = { spanMm: thick.mm };
    return;
  }
  line.asks.push({
    at: where ?? [told.at, told.end],
    sentence: `Two lengths are said, ${sayLength(thick)} and ${sayLength(said.shown ?? thick)}. Which of them is it?`,
    answers: [],
  });
}

const bunch = /\b(?:pinch|bunch|clump|tuft|wisp|bundle|amount)\b/;

/** What is said of a step, of what it is, and where its words stand. */
interface Supplied extends Meant {
  said: Said;
  line: Telling["line"];
  bench: Bench;
}

/** What is usually wound or dubbed where nobody says how much; told as supplied. */
export const usualAmounts = (said: Said, kind: Kind, object: Meant, { line, bench }: Telling): void =>
  usualOf[kind]?.({ ...object, said, line, bench });

const usualOf: Partial<Record<Kind, (u: Supplied) => void>> = {
  wind: usualTurns,
  dress: usualFullness,
  whip: usualKnot,
  glue: usualDrops,
  lay: usualPieces,
};

function usualTurns(u: Supplied): void {
  const { said, role, form, line } = u;
  const first = said.onSizes?.[0];
  if (said.rule === undefined && first)
    said.rule = { turns: first.count, ...(role === "weight" && { touching: true }) };
  if (said.rule === undefined && said.fill === undefined) {
    // “Legs: brown hen, palmered over the thorax”: whatever it is to be, it is wound as a hackle is.
    const isHackle = role === "hackle" || role === "collar" || (form === "hackle" && said.palmered === true);
    const turns = role === "rib" || (isHackle && said.palmered) ? 5 : isHackle ? 3 : undefined;
    // “No more than two turns”: the usual number, as far as that goes.
    const most = turns === undefined ? undefined : Math.min(turns, said.atMost ?? turns);
    said.rule = most === undefined ? { touching: true } : { turns: most };
    line.assumed.push(most === undefined ? "touching" : `${most} turns`);
  }
  // “Twice the width of the body”: how full a part is, not how long.
  const thick = (l: LengthRule): LengthRule =>
    "of" in l && (l.of === "body" || l.of === "thorax") ? asThick(u, l.times) : l;
  if (said.fill) said.fill = [thick(said.fill[0]), thick(said.fill[1])];
  // “Until it is as thick as the bead”, where the recipe says which bead.
  const bead = said.asBead !== undefined && said.fill === undefined ? asBead(said.asBead, u.bench) : undefined;
  if (bead) said.fill = [bead, said.tapersToBead ? THIN_BODY : bead];
}

/** So many times as thick as the bead, where there is one, of one size. */
function asBead(times: number, bench: Bench): LengthRule | undefined {
  const mm = beadMm(bench);
  return mm === undefined ? undefined : { mm: Number((mm * times).toFixed(2)) };
}

function usualFullness(u: Supplied): void {
  const { said, bench, line } = u;
  const isDosed =
    said.noodle !== undefined || said.trace !== undefined || (said.loopMm !== undefined && said.loopLoad !== undefined);
  if (said.fullness !== undefined) return;
  let full = said.asBead !== undefined ? asBead(said.asBead, bench) : undefined;
  if (!full && said.ofBody !== undefined) full = asThick(u, said.ofBody);
  if (!full && !isDosed) {
    const dense = said.thickness ?? (said.shape === "slim" ? "sparse" : "medium");
    full = timesAs(proportionsOfFamily(bench.facts.family ?? "wet").body, asDense[dense]);
    line.assumed.push(`${sayLength(full)} full`);
  }
  if (full) said.fullness = [full, full];
}
/** How full a body is that is called sparse, slim or fat, of a usual one: nominal; docs/arithmetic.md, "Families". */
const asDense = { sparse: 0.75, medium: 1, full: 1.3 } as const satisfies Record<NoodleThickness, number>;

function usualKnot({ said, line }: Supplied): void {
  if (said.turns !== undefined) return;
  said.turns = 5;
  line.assumed.push("5 turns");
}

function usualDrops({ said, line }: Supplied): void {
  if (said.drops !== undefined) return;
  if (said.along === undefined && said.coats === undefined) line.assumed.push("1 drop");
  said.drops = said.along === undefined ? (said.coats ?? 1) : 1;
}

/** One of what is tied in by the piece, a pair of what stands on either side. */
function usualPieces(u: Supplied): void {
  const { said, component, role, form, bench, line } = u;
  amountBySize(u);
  // “White hackle points”: of what stands on either side there are two.
  const isOneCheek = role === "cheeks" && said.amount && "feathers" in said.amount && said.amount.feathers === 1;
  const isSeveral = said.isSeveral && inPairs.has(role ?? "body");
  if ((isSeveral || isOneCheek) && said.amount && "feathers" in said.amount && !said.amount.paired) {
    said.amount = { ...said.amount, feathers: 2 };
    line.assumed.push("2 tips");
  }
  // How wide slips are, nobody can say for another.
  if (said.amount !== undefined || form === undefined || (said.isSlips && form === "hackle")) return;
  // “Lead wire lashed along both sides of the shank”: one on each.
  const isOneASide = form === "weight wire" && said.round?.near !== undefined && said.round.far !== undefined;
  const name = bench.materialOf(component)?.name ?? "";
  const isTopping = form === "feather fibre" && /\b(?:topping|crest)$/i.test(name);
  const isYarn = form === "flash" && /\b(?:yarn|poly)/i.test(name);
  if (!isTopping && !isYarn && !oneOfIt.has(form)) return;
  const isPair = form === "hackle" && inPairs.has(role ?? "body");
  if (isPair) said.amount = { feathers: 2, paired: true };
  else if (isTopping || form === "hackle") said.amount = { feathers: 1 };
  else if (form === "extended body") said.amount = { pieces: 1 };
  else said.amount = { strands: said.folded || isOneASide ? 2 : 1, folded: said.folded === true };
  const one = "feathers" in said.amount ? "feather" : "pieces" in said.amount ? "piece" : "strand";
  line.assumed.push(isPair ? "1 pair of feathers" : isOneASide ? "2 strands" : `1 ${one}`);
}

/** “6 fibres on 14, 5 on 16”: where every size has its own, the first stands for what is said of none. */
function amountBySize({ said, form }: Supplied): void {
  const first = said.onSizes?.[0];
  if (!first || said.amount !== undefined || form === undefined || form === "hair") return;
  const isOfStrands =
    first.noun === undefined
      ? strandForms.includes(form) || form === "flash" || form === "rubber"
      : /^strand/.test(first.noun);
  said.amount = isOfStrands ? { strands: first.count, folded: false } : { fibres: first.count };
}

/** So many times as full as the body; one that is wound is taken to be as full as bodies of such flies are. */
function asThick({ bench, line }: Supplied, times: number): LengthRule {
  const known = likeBody(bench, times)?.[0];
  const body = bench.ofRole("body");
  const isThin =
    body === undefined || thinForms.has(bench.formOf(body)) || /\bquill\b/i.test(bench.materialOf(body)?.name ?? "");
  const usual = isThin ? THIN_BODY : proportionsOfFamily(bench.facts.family ?? "wet").body;
  const full = known ?? timesAs(usual, times);
  if (!known) line.assumed.push(`${sayLength(full)} full`);
  return full;
}

/** How thick the bead is, where all sizes have the same. */
function beadMm(bench: Bench): number | undefined {
  const beads = bench.components.filter((c) => c.role === "bead");
  const sizes = new Set(beads.map((c) => bench.materialOf(c)?.part?.diameter));
  return sizes.size === 1 && beads.every((c) => c.material.length === 1) ? [...sizes][0] : undefined;
}

/** A body of thread, floss or wire is little fuller than the hook itself. */
const THIN_BODY: LengthRule = { of: "gape", times: 0.18 };

const thinForms = new Set<MaterialForm | undefined>(["thread", "floss", "tinsel", "wire", "quill"]);

const timesAs = (l: LengthRule, times: number): LengthRule =>
  "of" in l ? { of: l.of, times: Number((l.times * times).toFixed(3)) } : l;

/** As full as the body's fuller end, times a factor. */
function likeBody(bench: Bench, times: number): Said["fullness"] {
  const roles = new Map(bench.components.map((c) => [c.id, c.role]));
  const body = bench.made.findLast((m) => m.step.do === "dress" && roles.get(m.step.component ?? "") === "body")?.step;
  const full = body?.do === "dress" ? body.fullness?.[0] : undefined;
  if (!full || !("of" in full)) return undefined;
  const scaled = { of: full.of, times: Number((full.times * times).toFixed(3)) };
  return [scaled, scaled];
}

/** Whole feathers of these stand on either side. */
const inPairs = new Set<Role>(["wing", "cheeks", "eyes"]);

/** Strands that wait to be wound when they are tied in. */
export const strandForms: readonly MaterialForm[] = [
  "wire",
  "tinsel",
  "yarn",
  "floss",
  "chenille",
  "stretch body",
  "herl",
  "thread",
];

/** Of these one is bound in where nobody says how many. */
const oneOfIt = new Set<MaterialForm>([...strandForms, "hackle", "weight wire", "extended body"]);
