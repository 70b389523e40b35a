import { deepCopy } from "../copy";
import { bodyEnds } from "./lastBody";
import { isSame } from "../../numeric";
import type { Telling, Waiting } from "../bench";
import type { Kind, Said } from "../said";
import type { Meant } from "./object";
import { takeRest, takeFrontOfTag, takeShare, takeShareOfBody } from "./shares";
import type { Material, MaterialForm } from "../../materials";
import { askOtherSizes, sizeNotes, withSizes } from "./onSizes";
import type { Role } from "../../recipe";
import type { Bench } from "../bench";
import type { RecipeStep, Component, LengthRule } from "../../recipe";
import { usualAmounts, asManyTurns, asLongAs, isHalf, askWhatSize, thickOrLong, askHowFull } from "./usual";
import { backToBody, settleParts, ribOverCover, settleBead, weightInThorax, frontOf, LEAST_WAY } from "./places";
import { settle, alongShank } from "../settle";
import { build, missingQuantity } from "../build";
import { finishSaid } from "../finish";
import { lastBody } from "./lastBody";
import { sayNumber } from "../say/number";
import { sayLength } from "../say/length";
import type { Place } from "../../hooks";

/** A strip of the cabinet that is so much wider or narrower than is said is another one. */
const AS_WIDE = 0.1;
/** “Raffia strip, 3 mm wide”: what is new is cut so wide; of what the cabinet has another width is asked about. */
function cutTo(mm: number, material: Material, { told, bench, line }: Telling): void {
  const { strand } = material;
  if (!strand) return;
  if (bench.newMaterials.includes(material)) strand.width = mm;
  else if (Math.abs(strand.width - mm) > AS_WIDE * mm)
    line.asks.push({
      at: [told.at, told.end],
      sentence: `${material.name} of the cabinet is ${sayNumber(strand.width)} mm wide, and ${sayNumber(mm)} mm is said. Name another, or take the width out.`,
      answers: [],
    });
}

/** Makes a step of what was said, with what is usual where nobody said it; asks where a quantity is missing. */
export function make(
  t: Telling,
  kind: Kind,
  spoken: Said,
  object: Meant,
  more: { name: string; tiedIn?: Waiting; before?: string; where?: [number, number] },
): RecipeStep | undefined {
  const { bench, line, told } = t;
  const { component, role, form } = object;
  // What was read is shared by all that read the same words: what is made of it is its own.
  const said = deepCopy(spoken);
  const where = more.where ?? ([told.at, told.end] as const);
  complete(said, kind, object, t, more.where);
  const isRuleSaid = said.rule !== undefined;
  const isLengthSaid = said.shown !== undefined || said.barb !== undefined;
  if (!isRuleSaid) askHowOpen(kind, object, t, where);
  usualAmounts(said, kind, object, t);
  const material = bench.materialOf(component);
  const context = {
    id: "",
    role,
    form,
    family: bench.facts.family,
    component: component?.id,
    // A list tells no way of the thread: its parts have their usual places. A tail is behind, wherever the thread is.
    hangs:
      (line.isListed && !isRoundBend(role, bench.hangs) && !isOfThread(object, bench)) ||
      isBehind(role, bench.hangs) ||
      isOverWing(role, bench) ||
      isOnlyStarted(role, said, bench)
        ? undefined
        : bench.hangs,
    tiedInAt: more.tiedIn?.at,
    boundIn: more.tiedIn?.step,
    // Of a feather that is measured it is known; one that is only described could be either.
    isSoft:
      material?.feather?.soft ?? (material?.feather && !bench.newMaterials.includes(material) ? false : undefined),
    widthMm: material?.strand?.width,
    hasBead: bench.components.some((c) => c.role === "bead"),
    isBodyAlone: bench.isBodyAlone,
    bodyEnds: bodyEnds(bench),
  };
  settleParts(said, t, bench.last.component);
  settleBead(said, bench);
  if (said.stripMm !== undefined && material) cutTo(said.stripMm, material, t);
  const assumed = settle(said, kind, context);
  if (kind === "lay" && bench.wraps !== undefined && said.tieIn?.at && said.tieIn.wraps === undefined)
    said.tieIn.wraps = bench.wraps;
  line.assumed.push(...assumed);
  settleParts(said, t, bench.last.component);
  if (kind === "dress") thickInFront(said);
  askTurnsOrPitch(said, kind, t, where);
  if (isOfWrongStuff(kind, object, t, where) || cannotBeMade(said, kind, t, where)) return undefined;
  const { id, was } = bench.nextId(line.number, more.name, kind);
  const step = build("", said, kind, { ...context, id, was });
  const named: RecipeStep = was ? step : { ...step, name: more.name };
  const sized = withSizes(named, said, bench);
  line.notes.push(...sizeNotes(sized));
  askOtherSizes(said, t);
  bench.push(sized, line.number, more.before);
  if (!isRuleSaid && said.rule?.turns !== undefined) bench.usualTurns.add(id);
  if (!isLengthSaid) bench.usualLengths.add(id);
  line.steps.push(id);
  return sized;
}

/** “Front lump: black fur, 1.5 mm thick”: in its half, and about as long as it is thick. */
function asLump(said: Said): void {
  const [thick] = said.fullness ?? [];
  if (said.size === undefined && thick && "mm" in thick && isHalf(said)) {
    said.size = said.fullness;
    said.isLong = true;
  }
}
const rings = new Set<Role | undefined>(["collar", "butt", "tag", "head"]);
/** “Collar: dark fur, 2 mm wide” goes so far along the shank; a body is so thick. */
function asWide(said: Said, role: Role | undefined): void {
  const { size } = said;
  delete said.isWide;
  if (rings.has(role)) said.isLong = true;
  else {
    said.fullness ??= size;
    delete said.size;
  }
}

/** “A tapered body, from the bend to the thorax”: thickest in front, though its rear is named first. */
function thickInFront(said: Said): void {
  const { shape, from, to } = said;
  if (shape !== "tapered" || !from || !to || alongShank(from) <= alongShank(to)) return;
  said.from = to;
  said.to = from;
}

/** A tail hackle, or a rear one, is wound where a tail would be; a middle one in front of the body that is there. */
function placeOfHackle(part: string | undefined, bench: Bench): Place | undefined {
  if (part === "tail hackle" || part === "rear hackle") return { landmark: "bend" };
  const body = part === "middle hackle" ? lastBody(bench) : undefined;
  return body && frontOf(body.from, body.to);
}

/** “Mole at the thorax”, of which the thorax is made: that is no place beside it. */
function atItself(said: Said, role: Role | undefined): void {
  if (role !== "thorax" || !said.there || !("part" in said.there) || said.there.part !== role || said.there.plus)
    return;
  delete said.there;
}

/** What was said, completed by what its part, its stuff and the parts before it make of it. */
function complete(said: Said, kind: Kind, object: Meant, t: Telling, where: [number, number] | undefined): void {
  const { bench, told } = t;
  const { component, role, form } = object;
  takeRest(said, t, told.part);
  atItself(said, role);
  weightInThorax(said, role, bench);
  ribOverCover(said, role, bench);
  backToBody(said, role, t);
  const between = kind === "wind" && !said.from && !said.begin ? placeOfHackle(told.part, bench) : undefined;
  if (between) said.there ??= between;
  takeShare(said, role, t);
  takeShareOfBody(said, role, t);
  if (kind === "wind") takeFrontOfTag(said, object, t);
  inStrands(said, form);
  asManyTurns(said, component, bench);
  if (kind === "wind" && (role === "tag" || role === "butt" || said.isLong)) asLongAs(said, role);
  if (kind === "dress" && said.isWide) asWide(said, role);
  if (kind === "dress" && said.shape === "ball") asLump(said);
  if (kind === "dress" && said.isLong) asLongAs(said, role);
  // “Tail: breast feather, wound as a hackle”: where it is tied in.
  const isHackleOfTail =
    kind === "wind" && role === "tail" && said.rope === undefined && said.rule?.turns !== undefined;
  if (isHackleOfTail && !said.from && !said.end && !said.to) said.there ??= said.begin ?? { landmark: "bend" };
  delete said.isLong;
  askWhatSize(said, kind, object, t, where);
  thickOrLong(said, kind, form, t, where);
  finishSaid(said, kind, { role, form });
  askHowFull(said, kind, t, where);
  // “Front station: a loop of olive fibre, wound to the eye”: it begins where the station before ended.
  const station = kind === "dress" && said.loop && role === "body" ? lastBody(bench) : undefined;
  if (station?.to && said.end && !said.begin && !said.from && !said.there) {
    const from = frontOf(station.from, station.to);
    if (alongShank(from) > alongShank(said.end) + LEAST_WAY) said.begin = from;
  }
  // “A tail level with the bend”, tied in there: to the outside of it.
  const reach =
    said.shown && "reach" in said.shown && said.shown.pastMm === undefined && !said.shown.share
      ? said.shown.reach
      : undefined;
  if (kind === "lay" && role === "tail" && reach === "bend")
    said.shown = { to: { landmark: "bend", plus: { of: "gape", times: 0.5 } } };
  // “Golden crest over the wing”: it lies over it, and is tied in where its own part is.
  if (kind === "lay" && role === "topping" && said.there && "part" in said.there && said.there.part === "wing")
    delete said.there;
  if (kind === "lay") reachesFromTo(said, role);
  // “A strip of film, as wide as the gape”: a strip has the width of its drawer, however it is cut.
  const width =
    said.amount && "slipWidth" in said.amount && form === "stretch body" ? said.amount.slipWidth : undefined;
  if (width && "of" in width) t.line.notes.push(`cut ${sayLength(width)} wide; it is reckoned as one strip`);
  // “Lead wire, 0.5 mm, along both sides”: so thick it is.
  const mm = role === "weight" && said.shown && "mm" in said.shown ? said.shown.mm : undefined;
  if (kind === "lay" && mm !== undefined && mm <= THICKEST_WIRE_MM) delete said.shown;
  // Breathers and gills stand out at the head, where a beard would hang.
  if (kind === "lay" && role === "throat" && atTheSides.test(told.part ?? "")) said.attitude ??= "sides";
}

/** Weight wire is at most so thick; no piece of it is so short. */
const THICKEST_WIRE_MM = 1.5;
const reaching = new Set<Role | undefined>(["wing", "underwing", "topping", "cheeks", "throat", "legs", "flash"]);
/** What hangs free is bound in over no more of the shank than this. */
const MOST_BOUND = 0.4;
const AT_ITS_FRONT = 0.15;
/** “A wing from the front of the body to the bend”: where it is tied in, and how far it reaches. */
function reachesFromTo(said: Said, role: Role | undefined): void {
  const from = said.from ?? said.begin;
  const to = said.to ?? said.end;
  if (!reaching.has(role) || !from || !to || (said.shown ?? said.hanging ?? said.countedWhenWound) !== undefined)
    return;
  // “From the eye to the end of the tail, tied at the head only”
  const tiedAt = said.tieIn?.at;
  if (tiedAt && Math.abs(alongShank(tiedAt) - alongShank(from)) > AT_ITS_FRONT) return;
  if (alongShank(to) - alongShank(from) < MOST_BOUND) return;
  // “… to the end of the tail”: to its tip, and not to where it is tied in.
  const isTip =
    "part" in to && (to.part === "tail" || to.part === "wing") && to.end === "rear" && to.plus === undefined;
  const shown: LengthRule = isTip ? { reach: to.part === "tail" ? "tail" : "wing" } : { to };
  Object.assign(said, { shown, tieIn: { at: from, ...said.tieIn } });
  for (const key of ["from", "to", "begin", "end"] as const) delete said[key];
}

const openTurns = /\bopen\s+(?:turns|spirals|wraps)\b/u;
/** “Wind the lace over it in open turns”: of what lies touching else, nobody knows how far apart it is wound. */
function askHowOpen(
  kind: Kind,
  { role, form }: Meant,
  { line, text }: Telling,
  [from, to]: readonly [number, number],
): void {
  const isSpaced = role !== "body" && role !== "thorax" && role !== "tag";
  const open = openTurns.exec(text.slice(from, to));
  if (kind !== "wind" || isSpaced || form === "thread" || form === "hackle" || !open) return;
  const at: [number, number] = [from + open.index, from + open.index + open[0].length];
  const answers = [4, 6, 8].map((n) => ({ label: `${n} turns`, text: `${n} ${open[0]}` }));
  line.asks.push({ at, sentence: "How many open turns are that? Write the number ahead of them.", answers });
}

/** The turns over a zone decide how far apart they lie: both cannot be said. */
function askTurnsOrPitch(said: Said, kind: Kind, { line }: Telling, at: readonly [number, number]): void {
  if (kind !== "wind" || said.rule?.turns === undefined || said.rule.pitch === undefined) return;
  line.asks.push({
    at: [...at],
    sentence: `${said.rule.turns} turns, and ${said.rule.pitch} mm apart: the turns decide how far apart they lie. Take one of the two out.`,
    answers: [],
  });
  said.rule = { turns: said.rule.turns };
}

/** Of what no such part is: a reading that says so has taken up the wrong stuff. */
const HARD: readonly MaterialForm[] = ["weight wire", "bead", "eyes", "liquid"];
const FIBRES: readonly MaterialForm[] = ["hackle", "feather fibre", "quill", "hair", "dubbing", "blend", "herl"];
const neverOf: Partial<Record<Role, readonly MaterialForm[]>> = {
  thread: [...HARD, ...FIBRES, "chenille", "stretch body", "rubber"],
  "wing case": [...HARD, "wire"],
  wing: HARD,
  underwing: HARD,
  tail: HARD,
  topping: HARD,
  cheeks: HARD,
  throat: HARD,
  legs: HARD,
  hackle: [...HARD, "wire", "thread"],
  collar: [...HARD, "wire"],
  weight: [...FIBRES, "flash", "rubber", "liquid"],
  eyes: ["weight wire"],
};
/** “12 turns of thread to secure 6 turns of lead”: no thread is of lead; what is meant is asked. */
function isOfWrongStuff(kind: Kind, { role, form, component }: Meant, t: Telling, at: readonly [number, number]) {
  if (kind === "seat" || kind === "act" || role === undefined || form === undefined) return false;
  const isDubbedBead = role === "bead" && kind === "dress";
  // “Head: butts trimmed square, 2 mm long”: a wing of hair is laid, and never wound.
  const isWoundWing = (role === "wing" || role === "underwing") && kind === "wind" && form === "hair";
  const name = t.bench.materialOf(component)?.name ?? form;
  // Copper that is heavy enough to be weight can be tied with all the same.
  const isCopper = role === "thread" && form === "weight wire" && !/\blead\b/i.test(name);
  if (isCopper || (!isDubbedBead && !isWoundWing && !neverOf[role]?.includes(form))) return false;
  const [what, is] = role.endsWith("s")
    ? [`${role.charAt(0).toUpperCase()}${role.slice(1)}`, "are"]
    : [`A ${role}`, "is"];
  t.line.asks.push({
    at: [...at],
    sentence: `${what} of ${name}? Say in words of its own what that is for, and what the ${role} ${is} of.`,
    answers: [],
  });
  return true;
}

/** Whether a quantity or a way is missing without which no step can be made; it is asked about. */
function cannotBeMade(said: Said, kind: Kind, { line, told }: Telling, at: readonly [number, number]): boolean {
  const missing = missingQuantity(said, kind);
  // Loose words are asked about by themselves.
  if (missing && told.loose.length === 0) line.asks.push({ at: [...at], sentence: missing, answers: [] });
  if (missing) return true;
  if (kind !== "dress" || said.from === undefined || !isSame(said.from, said.to)) return false;
  line.asks.push({
    at: [...at],
    sentence: "It begins where it ends. From where to where is it dubbed? Say “from the bend to mid-shank”.",
    answers: [],
  });
  return true;
}

/** What a list named of a part before, under what the line itself says. */
export function withDeclared(t: Telling, component: Component | undefined, said: Said): Said {
  const declared = component && t.bench.declared.get(component.id);
  if (!declared) return said;
  declared.used = true;
  return { ...deepCopy(declared.said), ...said };
}

/** “Wind to the bend and back to the thorax”: a second layer, from the one end as far as there. */
export function windBack(t: Telling, object: Meant, { backTo, rule }: Said, end: Place): void {
  if (!backTo || Math.abs(alongShank(backTo) - alongShank(end)) < LEAST_WAY) return;
  const again: Said = { ...(rule?.touching && { rule }), from: end, to: backTo };
  const step = make(t, "wind", again, object, { name: partName(t, object, "winding") });
  if (step?.do === "wind") t.bench.hangs = step.to ?? step.from;
}

/** Names that steps go by, by the part. */
export const partName = (t: Telling, object: Meant, fallback: string): string => t.told.part ?? object.role ?? fallback;

const stranded = new Set<MaterialForm | undefined>(["flash", "rubber", "yarn", "floss"]);

/** “Three nylon fibres”: of what comes in strands they are strands. */
function inStrands(said: Said, form: MaterialForm | undefined): void {
  if (said.amount && "fibres" in said.amount && typeof said.amount.fibres === "number" && stranded.has(form))
    said.amount = { strands: said.amount.fibres, folded: false };
}

/** The body of the thread itself begins where the thread is: it cannot be anywhere else. */
const isOfThread = ({ role, form }: Meant, bench: Bench): boolean =>
  role === "body" && form === "thread" && bench.isBased;

/** A list tells no way of the thread; but where it was taken round the bend, what lies behind begins there. */
const isRoundBend = (role: Role | undefined, hangs: Place | undefined): boolean =>
  (role === "body" || role === "tail" || role === "tag") && hangs !== undefined && alongShank(hangs) > 1;

const atTheSides = /^(?:breathers?|gills?)$/;
const atTheRear = new Set<Role | undefined>(["tail", "tag", "butt"]);

/** So near the eye, in shanks, no tail is tied in. */
const NO_TAIL = 0.4;

/** The thread was started at the eye and has gone nowhere yet: what is ribbed or wound begins behind all the same. */
const isOnlyStarted = (role: Role | undefined, { tieIn, there, countedWhenWound }: Said, bench: Bench): boolean =>
  (role === "rib" || role === "body") &&
  countedWhenWound === true &&
  (tieIn?.at ?? there) === undefined &&
  !bench.isBased &&
  bench.hangs !== undefined &&
  ("eyeLengths" in bench.hangs || ("landmark" in bench.hangs && bench.hangs.landmark === "eye"));

const isBehind = (role: Role | undefined, hangs: Place | undefined): boolean =>
  atTheRear.has(role) && hangs !== undefined && alongShank(hangs) < NO_TAIL;

/** So far behind the wing, in shanks, the thread was left there, and nothing is tied in over the wing. */
const FAR_BEHIND = 0.4;
/** What tops a wing that stands at its usual place is tied in there, though the thread was left behind it. */
function isOverWing(role: Role | undefined, bench: Bench): boolean {
  const wing = bench.made.findLast((m) => bench.component(m.step.component)?.role === "wing")?.step;
  if (role !== "topping" || bench.hangs === undefined || wing?.do !== "lay") return false;
  return alongShank(bench.hangs) - alongShank(wing.tieIn?.at ?? wing.from) > FAR_BEHIND;
}
