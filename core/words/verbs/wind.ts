import { bothStrands } from "./windsBoth";
import { AT_THE_BEND, MANY_TURNS } from "./stiffness";
import { isSame } from "../../numeric";
import type { Place } from "../../hooks";
import { isColour } from "../../materials";
import type { MaterialForm } from "../../materials";
import type { RecipeStep, Role } from "../../recipe";
import type { Bench, MadeStep, Telling, Waiting } from "../bench";
import { anyOf } from "../parse";
import type { Said } from "../said";
import { formTold, type Told } from "../told";
import { tellDub } from "./dub";
import { tellFinish } from "./finish";
import { windsTag } from "./tag";
import { HACKLE_IN_TURNS } from "./hackleInTurns";
import { coverJustPulled, frontOf, ribOverCover, settlePlaces } from "./places";
import { bodyBefore, bodyOfLine, coveredBy, palmerAlone, rearAhead, rearOf, thoraxOfLine, turnsOfEach } from "./bodies";
import { lastBody, lastBodyOrTail } from "./lastBody";
import { make, partName, windBack, withDeclared } from "./making";
import { nameWords } from "./nameWords";
import { lockedWithThread, windsOverWeight } from "./overWeight";
import { isPlumeAsCollar, objectOf, type Meant } from "./object";
import { tieIn, waitsToBeWound } from "./tieIn";
import { startsThread, tellThread } from "./thread";
import { askWhereTheyMeet } from "./whereTheyMeet";
import { alongShank } from "../settle";
import { verb } from "./verb";
import { boundBehind, boundInFor, isAhead, laidToBeWound } from "./woundAs";

const counterVerb =
  /(?<![\p{L}])(?:(?:counter|reverse)-?\s?(?:wind|wrap|rib|palmer|spiral|twine)|reverse\s+(?:an?|the)\s)/u;
const palmerVerb = /(?<![\p{L}])(?:palmer|spiral)/u;

const dubbedThread = /\bdubbed\s+(?:thread|silk)\b|\b(?:the|this)\s+(?:dubbing\s+)?(?:noodle|rope)\b/u;

/** What goes through something is a hackle, no dubbing. */
const throughIt = /\bthrough\s+(?:the\s+)?(?:thorax|body|dubbing|fur|abdomen|it)\b/u;

/** Winds what waits, or what it names. */
export function tellWind(t: Telling): void {
  sayHow(t);
  if (windsTag(t) || windsOverWeight(t) || coversWeight(t) || coversEnds(t) || windsDubbed(t)) return;
  if (t.told.kind === "dress") return tellDub(t);
  if (goesOn(t)) return carryOn(t);
  for (const takes of ofWhatIsThere) if (takes(t)) return;
  windNamedOrNew(t);
}

const coverThe = /\bcover(?:s|ing)?\s+(?:up\s+)?the\s+(?:\w+\s+)?(?:lead|wire|weight)\b/;
/** “Cover the lead with thread”: what lies there is not wound anew; where none lies, that is asked. */
function coversWeight({ told, text, bench, line }: Telling): boolean {
  const { description, role } = told;
  const isWeight = description ? formTold(told) === "weight wire" : role === "weight";
  if (!isWeight || !coverThe.test(text.slice(told.at, told.end))) return false;
  const sentence = "No weight is tied in before this line. Say how much of it lies there, in a line of its own.";
  if (!bench.ofRole("weight")) line.asks.push({ at: [told.at, told.end], sentence, answers: [] });
  return true;
}

const coverEnds =
  /^\W*(?:(?:and|then|now)\s+)*(?:cover(?:ing)?|(?:wrap|wind|bind)(?:p?ing)?\s+over)\s+(?:up\s+)?(?:them|it|those|(?:the|its|their|all)\s+(?:[a-z]+\s+)?(?:butts?|ends|stubs?))\b(?:\W+(?:up|over|well|neatly|smoothly|completely|evenly|fully|tightly|with|in|by|the|a|some|few|several|tying|touching|close|tight|neat|smooth|turns|wraps|layer|of|thread|silk))*\W*$/;
/** “Trim the butts and cover them with thread”: what is laid is bound over by itself; nothing of it is wound. */
function coversEnds({ told, text, bench }: Telling): boolean {
  const last = bench.made.findLast((m) => m.step.do !== "act");
  return last?.step.do === "lay" && !last.step.countedWhenWound && coverEnds.test(text.slice(told.at, told.end));
}

const through = /\bthrough\s+(?:it|the\s+(?:body|chenille|fur|dubbing|floss|herl|wool|yarn))\b/u;
const another = /\b(?:second|other|next|last)\b/;
/** “Wind a hackle through the chenille”, “through it”: over the body, where that is what was made last. */
function goesThroughBody(bench: Bench): boolean {
  const last = bench.made.findLast((m) => m.step.do === "wind" || m.step.do === "dress");
  return bench.component(last?.step.component)?.role === "body";
}

/** What the words of the verb say of how it is wound. */
function sayHow({ told, text, bench }: Telling): void {
  const words = text.slice(told.at, told.end);
  if (counterVerb.test(words)) told.said.counter = true;
  if (palmerVerb.test(`${told.part ?? ""} ${words}`)) told.said.palmered = true;
  if (through.test(words) && !another.test(words) && goesThroughBody(bench)) told.said.palmered ??= true;
  // “Palmer it down the body”, of what was tied in at the front.
  if (told.said.palmered && downBody.test(words) && !told.said.end && !told.said.to)
    told.said.end = { part: "body", end: "rear" };
}

/** The winding of what was dubbed: “spin a loop … and wind it forward”, “wind the dubbed thread to the eye”. */
function windsDubbed(t: Telling): boolean {
  const { told, bench, line } = t;
  const { said } = told;
  const words = t.text.slice(told.at, told.end);
  const before = bench.made[bench.made.length - 1];
  // So is “wind it forward” on the next line, where nothing else waits to be wound.
  const isNext = told.role === undefined && bench.waits((w) => !w.hangs) === undefined;
  const isNamed = told.refers === "it" || (before?.line === line.number && onward.test(words));
  const isIt = told.description === undefined && (said.rule?.turns === undefined || isNamed);
  // “Make a rope 6 cm long”, and on the next line “wrap that forward”: whatever else waits.
  const isRope = before?.step.do === "dress" && before.line === line.number - 1 && isNoodle(before.step);
  const isThat = isRope && thatOne.test(words) && told.role === undefined;
  const isOfIt = before?.step.do === "dress" && (before.line === line.number || isNext || isThat) && isIt;
  if (isOfIt && !throughIt.test(words) && !overIt.test(words)) {
    // “Dub the silk; wind it four turns”: how much it takes follows from how full it is.
    if (said.rule?.turns !== undefined)
      line.notes.push(`${said.rule.turns} turns of the dubbed thread: how much it takes is told by how full it is`);
    whereDubbed(before, t);
    return true;
  }
  const dubbed = dubbedThread.test(words) ? bench.made.findLast((m) => m.step.do === "dress") : undefined;
  if (!dubbed || !(said.end ?? said.to ?? said.way)) return false;
  whereDubbed(dubbed, t);
  return true;
}

/** “Rib with it”, “palmer it”: over what was dubbed, which is wound by now. */
const overIt = /\b(?:rib|palmer|overwind)\b/u;
const thatOne = /^\W*(?:then\s+|now\s+|and\s+)*(?:wind|wrap)\s+(?:that|this|it)\b/u;
const isNoodle = (step: RecipeStep): boolean =>
  step.do === "dress" && (step.noodle !== undefined || step.loopMm !== undefined);

/** “Dub the silk and wind back in four turns”. */
const onward = /\bwind(?:ing)?\s+(?:it\s+)?(?:back|forwards?|on)\s+in\s/u;

/** Whether the rest of a bundle goes on, or the tail as the body. */
const goesOn = (t: Telling): boolean =>
  (t.told.refers === "the rest" && !isOfAnother(t)) ||
  t.told.refers === "the same" ||
  isRestOfTail(t) ||
  isTailItself(t) ||
  isTwistedTail(t);

const spooled = new Set<MaterialForm | undefined>(["wire", "tinsel", "floss", "yarn", "thread", "chenille"]);
/** “With the rest of the oval”, “thread wraps over the butts”: of what is named, and not of the bundle before. */
function isOfAnother({ told, bench }: Telling): boolean {
  if (told.role === "thread") return true;
  return told.description !== undefined && spooled.has(bench.resolve(told.description).material?.form);
}

/** Who may take it without anything new being tied in, in the order in which they are asked. */
const ofWhatIsThere: readonly ((t: Telling) => boolean)[] = [
  windsInTurn,
  liftsIt,
  standsWing,
  saysItsTurns,
  bindsPost,
  windsAllHackles,
  windsBothStrands,
  windsTaken,
  windsSilk,
];

/** “One turn at the bend, then open to the front”: the same strand goes on; where none was wound, that is asked. */
function windsInTurn(t: Telling): boolean {
  const { told, bench, line } = t;
  if (!told.isInTurn) return false;
  const last = bench.made.at(-1);
  const component = last?.line === line.number ? bench.component(last.step.component) : undefined;
  if (last?.step.do !== "wind" || !component) return true;
  const { role } = component;
  const object: Meant = { component, role, form: bench.formOf(component) };
  // It is the same strand or feather: what it takes is added to what it took.
  const said: Said = {
    ...told.said,
    carries: last.step.id,
    ...(last.step.rope !== undefined && { rope: last.step.rope }),
  };
  make(t, "wind", said, object, { name: last.step.name ?? partName(t, object, "winding") });
  return true;
}

function windsAllHackles(t: Telling): boolean {
  const all = allHackles(t);
  if (all.length < 2) return false;
  // Each is wound by itself, however many they are.
  const { count: _count, ...said } = t.told.said;
  for (const w of all) windWaiting(t, w, { ...said });
  return true;
}
function windsBothStrands(t: Telling): boolean {
  const all = bothStrands(t);
  for (const { waiting, said } of all) windWaiting(t, waiting, said);
  return all.length > 0;
}
function windsTaken(t: Telling): boolean {
  const waiting = taken(t);
  if (waiting) windWaiting(t, waiting, t.told.said);
  return waiting !== undefined;
}
/** “Two layers of tying silk as underbody”. */
function windsSilk(t: Telling): boolean {
  const { told } = t;
  const isOfThread = !told.description && /\b(?:silk|thread)\b/.test(t.text.slice(told.at, told.end));
  if (told.part !== "underbody" || told.said.passes === undefined || !isOfThread) return false;
  tellThread({ ...t, told: { ...told, role: "thread" } });
  return true;
}

const itForward = /^\W*(?:then\s+|and\s+|now\s+)*(?:wind|wrap)\s+(?:it|this|that|them|the\s+strands?)\b/u;
/** What is wound is named here, or nobody has named it. */
function windNamedOrNew(t: Telling): void {
  const { told, line } = t;
  const found = objectWound(t);
  const isIt = told.description === undefined && (told.refers === "it" || itForward.test(t.text.slice(told.at)));
  const laid = isIt && found.form === "flash" && found.component ? laidToBeWound(t.bench, found.component) : undefined;
  if (laid) return windWaiting(t, laid, told.said);
  // “Wrap that up”, where what was told of last cannot be wound.
  const isHard = found.form === "bead" || found.form === "eyes";
  const object: Meant = isHard ? {} : found;
  // “Finish with a neat head and varnish” coats what is there.
  if (object.form === "liquid") return tellFinish(t);
  if (isThread(t, object))
    return tellThread(told.role === "head" ? { ...t, told: { ...told, part: told.part ?? "head" } } : t);
  if (!object.component) return windUnnamed(t);
  if (object.role === "rib" && waitsToBeWound(object.role, object.form)) {
    line.notes.push(`the ${partName(t, object, "rib")} was never tied in: it is taken as bound in before the body`);
    return listedRib(t, object, withDeclared(t, object.component, told.said));
  }
  const named = namedBefore(t, object);
  if (named) return windNamed(t, object, named);
  windNew(t, object, withDeclared(t, object.component, told.said));
}

/** Nothing says what is wound: the thread before anything else is, or the weight of the line; else it is asked. */
function windUnnamed(t: Telling): void {
  const { told, bench, line } = t;
  // “Start the thread and wrap to the bend”: before anything is tied in, it is the thread that is wound.
  const { end, to, rope } = told.said;
  const isFirst = bench.waiting.length === 0 || startsThread.test(t.text.slice(0, told.at));
  if (!bench.isBased && isFirst && rope === undefined && (end ?? to ?? downThere(told.said)))
    return tellThread({ ...t, told: { ...told, role: "thread" } });
  // “14 turns of lead, then another 8 over them”: of the wire that was just wound.
  const before = bench.made[bench.made.length - 1];
  const weight = before?.line === line.number ? bench.component(before.step.component) : undefined;
  if (weight?.role === "weight" && told.said.rule?.turns !== undefined)
    return tellWind({ ...t, told: { ...told, role: "weight" } });
  line.asks.push({
    at: [told.at, told.end],
    sentence: "What is wound? Name the part, or tie it in first.",
    answers: [],
  });
}

const ofBoth = /\b(?:them|both|each|one\s+through\s+the\s+other|together)\b/u;
const ofHackles = /^(?:the\s+)?(?:hackles|saddles|feathers)$/;
/** “Tie in a brown and a grizzly hackle and wind them, four turns each”: all hackles that wait. */
function allHackles({ told, text, bench }: Telling): Waiting[] {
  const all = bench.waiting.filter((w) => !w.used && !w.hangs && isHackle(w.role));
  // “Palmer the two hackles”: as many as wait are those.
  const areThose = ofHackles.test(told.description?.text.trim().toLowerCase() ?? "") && told.said.count === all.length;
  if (areThose) return all;
  return !told.description && ofBoth.test(text.slice(told.at, told.end)) ? all : [];
}

/** “Put two wraps in front of them”, of hair that was tied in. */
const besideIt = /\b(?:in\s+front\s+of|ahead\s+of|behind|a?round|over)\s+(?:it|them|that|these)\b/;
const underIt = /\b(?:under(?:neath)?|beneath)\b/;
/** “Take one turn underneath to cock them up”: turns of the thread, under what was laid last. */
function liftsIt({ told, text, bench }: Telling): boolean {
  const { rule, wraps } = told.said;
  const turns = rule?.turns ?? wraps;
  const isOfThread = told.description === undefined && (told.role === undefined || told.role === "thread");
  const last = bench.made.findLast((m) => m.step.do !== "act");
  if (turns === undefined || !isOfThread || last?.step.do !== "lay" || last.step.countedWhenWound) return false;
  const words = text.slice(told.at, told.end);
  const isBeside = besideIt.test(words) && bench.waits((w) => isHackle(w.role)) === undefined;
  if (!underIt.test(words) && !isBeside) return false;
  const at = last.step.tieIn?.at ?? last.step.to ?? last.step.from;
  last.step = {
    ...last.step,
    tieIn: { ...last.step.tieIn, at, wraps: (last.step.tieIn?.wraps ?? 0) + Math.max(1, Math.round(turns)) },
  };
  return true;
}

/** “Two turns behind and two in front to keep them up”, where no hackle waits: wraps of the thread, of the wing. */
function standsWing({ told, bench }: Telling): boolean {
  const { around } = told.said;
  const last = bench.made.findLast((m) => m.step.do !== "act");
  const isOfThread = told.description === undefined && (told.role === undefined || told.role === "thread");
  if (!around || last?.step.do !== "lay" || !isOfThread || bench.waits((w) => isHackle(w.role))) return false;
  if (bench.component(last.step.component)?.role !== "wing") return false;
  const at = last.step.tieIn?.at ?? last.step.from;
  const wraps = Math.round(around.behind + around.front);
  last.step = { ...last.step, attitude: "up", tieIn: { ...last.step.tieIn, at, wraps } };
  return true;
}

/** “Wind six turns round the base to post it”, where no hackle waits: wraps of the thread at the root of the wing. */
function bindsPost({ told, bench }: Telling): boolean {
  const { rule, wraps, roundPost } = told.said;
  const turns = rule?.turns ?? wraps;
  const isOfOther = told.description !== undefined && formTold(told) !== "thread";
  if (!roundPost || turns === undefined || isOfOther || bench.waits((w) => isHackle(w.role))) return false;
  const wing = bench.made.findLast((m) => m.step.do === "lay" && bench.component(m.step.component)?.role === "wing");
  if (wing?.step.do !== "lay") return false;
  const at = wing.step.tieIn?.at ?? wing.step.from;
  wing.step = { ...wing.step, setBy: "wraps at the root", tieIn: { ...wing.step.tieIn, at, wraps: Math.round(turns) } };
  return true;
}

/** “Then the same pheasant tail is wound forward”: what was tied in as a tail goes on as the body. */
function isRestOfTail({ told, bench }: Telling): boolean {
  const { amount, rope, count } = told.said;
  if (!told.description || amount || rope || count || bench.waits((w) => !w.hangs && w.form === "feather fibre"))
    return false;
  const material = bench.resolve(told.description).material;
  if (material?.form !== "feather fibre" && material?.form !== "herl") return false;
  const last = bench.made.findLast(
    (m) => m.step.do === "lay" && m.step.component !== undefined && !m.step.countedWhenWound,
  );
  const component = bench.component(last?.step.component);
  return component?.role === "tail" && component.material.some((m) => m.value === material.code);
}

const allOfThem = /^\W*(?:(?:then|and|now)\s+)*(?:wind|wrap)\s+(?:them|these|those)\b/u;
/** “Wrap them to the thorax”, right behind a tail of fibres: all of them go on as the body. */
function isTailItself({ told, text, bench }: Telling): boolean {
  if (told.description !== undefined || told.role !== undefined || !allOfThem.test(text.slice(told.at))) return false;
  if (bench.waits((w) => !w.hangs)) return false;
  const last = bench.made.findLast((m) => m.step.do !== "act");
  const component =
    last?.step.do === "lay" && !last.step.countedWhenWound ? bench.component(last.step.component) : undefined;
  const form = component && bench.formOf(component);
  return component?.role === "tail" && (form === "feather fibre" || form === "herl");
}

/** “Twist the pheasant fibres and wrap them”, of what the tail was tied in of: they go on as the body. */
function isTwistedTail({ told, bench, line }: Telling): boolean {
  const last = bench.made[bench.made.length - 1];
  const isTwist = last?.line === line.number && last.step.do === "act" && last.step.act === "twist";
  const tail = isTwist && told.refers === "it" ? bench.component(last.step.component) : undefined;
  return tail?.role === "tail" && told.description === undefined;
}

/** “Five turns of rib”, “a turn and a half”: of what was wound before, and nobody had said how often. */
function saysItsTurns({ told, bench }: Telling): boolean {
  const { rule, spread, atMost } = told.said;
  if (rule?.turns === undefined || told.said.around) return false;
  const named = told.description && bench.resolve(told.description).material;
  if (told.description && !named) return false;
  if (bench.waits((w) => !w.hangs && (told.role === undefined || alikeRole(w.role, told.role)))) return false;
  const last = bench.made.findLast(
    ({ step }) =>
      step.do === "wind" &&
      (named === undefined || bench.materialOf(bench.component(step.component))?.code === named.code) &&
      (told.role === undefined || alikeRole(bench.component(step.component)?.role ?? "body", told.role)),
  );
  if (last?.step.do !== "wind" || !bench.usualTurns.has(last.step.id)) return false;
  last.step = {
    ...last.step,
    rule: { ...last.step.rule, turns: rule.turns },
    ...(spread && { spread }),
    ...(atMost !== undefined && { atMost }),
    ...(told.said.counter && { counter: true }),
  };
  bench.usualTurns.delete(last.step.id);
  throughNow(told.said, last, bench);
  woundNow(last, bench);
  return true;
}

/** “Wind 4 turns through the thorax”: a hackle that was named before is wound there, once that is dubbed. */
function throughNow({ from, to }: Said, hackle: MadeStep, bench: Bench): void {
  const { step } = hackle;
  if (step.do !== "wind" || !from || !to || !isHackle(bench.component(step.component)?.role)) return;
  bench.made.splice(bench.made.indexOf(hackle), 1);
  hackle.step = { ...step, from, to };
  bench.made.push(hackle);
}

/** What goes over the body is wound when its turns are told: over all of the body that is there by then. */
function woundNow(rib: MadeStep, bench: Bench): void {
  const front = ribbed(bench);
  if (rib.step.do !== "wind" || !bench.overBody.has(rib.step.id) || !front) return;
  const body = bench.made.findLast((m) => m.step.name === "body" || bench.component(m.step.component)?.role === "body");
  if (!body || bench.made.indexOf(body) < bench.made.indexOf(rib)) return;
  bench.made.splice(bench.made.indexOf(rib), 1);
  rib.step = { ...rib.step, to: front };
  bench.made.push(rib);
}

/** “Body: rear half black floss, front half claret fur”: a rib that was named before goes over both of the line. */
export function ribsOverAll(bench: Bench, line: number): void {
  const roleOf = (m: MadeStep): Role | undefined => bench.component(m.step.component)?.role;
  const bodies = bench.made.filter((m) => m.line === line && m.step.do !== "lay" && roleOf(m) === "body");
  const [first, last] = [bodies[0], bodies.at(-1)];
  if (!first || !last || first === last) return;
  const between = bench.made.slice(bench.made.indexOf(first), bench.made.indexOf(last));
  for (const rib of between.filter((m) => m.line !== line && roleOf(m) === "rib")) woundNow(rib, bench);
}

/** “Four herls for the body. Wind the herl …”: the winding that stands for what was named, if no more is told of. */
function namedBefore({ told, bench }: Telling, { component }: Meant): MadeStep | undefined {
  if (told.verb === undefined || told.said.amount !== undefined || told.said.rope !== undefined) return undefined;
  return bench.made.findLast(
    ({ step }) => step.do === "wind" && step.component === component?.id && bench.onlyNamed.has(step.id),
  );
}

/** It is wound once, as the later line says, from where it was bound in. */
function windNamed(t: Telling, object: Meant, named: MadeStep): void {
  const { bench, line, told } = t;
  const { step } = named;
  if (step.do !== "wind") return;
  const { rule, from, begin, end, there, passes } = told.said;
  // “Build a bump at both ends of the lead”: nothing new is said of how it is wound.
  if (!(rule ?? from ?? begin ?? end ?? there ?? passes)) return;
  const { hangs } = bench;
  bench.hangs = [step.from, step.to ?? step.from].reduce((a, b) => (alongShank(b) > alongShank(a) ? b : a));
  const said: Said = { ...told.said, rope: step.rope };
  // The turns that were said before hold where none are said now.
  if (!bench.usualTurns.has(step.id)) said.rule ??= step.rule;
  if (said.there && !said.from && !said.begin && !said.end) {
    Object.assign(said, { begin: bench.hangs, end: said.there });
    delete said.there;
  }
  const anew = make(t, "wind", said, object, { name: step.name ?? partName(t, object, "winding") });
  if (anew?.do !== "wind") {
    bench.hangs = hangs;
    return;
  }
  bench.made.splice(
    bench.made.findIndex((m) => m.step === anew),
    1,
  );
  line.steps.pop();
  named.step = { ...anew, id: step.id, name: step.name };
  bench.onlyNamed.delete(step.id);
  bench.hangs = frontOf(anew.from, anew.to);
  line.notes.push(`the winding of line ${bench.lines.numberOf(named.line)}, as it is said here`);
}

/** Of what has no other use, such as a biot, it is the body that is wound. */
function objectWound(t: Telling): Meant {
  const { bench, told } = t;
  const { said, description } = told;
  const isWound = (said.from ?? said.end ?? said.rule) !== undefined && said.round === undefined;
  const material = description && told.role === undefined ? bench.resolve(description).material : undefined;
  const isNew =
    material !== undefined && !bench.components.some((c) => c.material.some((m) => m.value === material.code));
  const isBody =
    isWound &&
    isNew &&
    material.form === "feather fibre" &&
    !isPlumeAsCollar(said, material.form, material.name, bench);
  return objectOf(isBody ? { ...t, told: { ...told, role: "body", part: told.part ?? "body" } } : t);
}

const AHEAD = 0.2;
const upTheShank = /\b(?:up|forwards?)\b/;
function whereDubbed(before: { step: RecipeStep }, t: Telling): void {
  const { bench, told } = t;
  const { said } = told;
  if (before.step.do !== "dress") return;
  settlePlaces(t);
  // “and wrap it two thirds up”: well ahead of where it was dubbed, that is where it ends.
  const isEnd =
    said.there !== undefined &&
    !said.begin &&
    !said.end &&
    upTheShank.test(t.text.slice(told.at, told.end)) &&
    alongShank(said.there) < alongShank(before.step.to) - AHEAD;
  const stated = said.from ?? said.begin ?? (isEnd ? undefined : said.there);
  const to = said.to ?? said.end ?? (isEnd ? said.there : undefined) ?? before.step.from;
  // Wound forward to a place that lies behind the thread: it begins at the bend.
  const isBehind = said.way === "forward" && alongShank(to) > alongShank(before.step.to) + 0.02;
  const from: Place = stated ?? (isBehind ? { landmark: "bend" } : before.step.to);
  // “Dub the silk and wind a body, thickening towards the head”; “in front of the ball” says no shape of it.
  const shape = said.shape === "ball" ? undefined : said.shape;
  before.step = { ...before.step, from, to, ...(shape && { shape }) };
  bench.hangs = frontOf(from, to);
}

function isThread(t: Telling, object: Meant): boolean {
  const role = t.told.role ?? object.role;
  return (role === "thread" || role === "head") && (object.form === undefined || object.form === "thread");
}

/** A winding of something that is tied in by the same clause. */
export function windNew(t: Telling, object: Meant, said: Said): void {
  // “.025 lead, 15 wraps”: wraps of what is wound are its turns.
  if (object.form === "weight wire" && said.wraps !== undefined && said.rule === undefined) {
    said.rule = { turns: said.wraps };
    delete said.wraps;
  }
  if (/^(?:body\s+hackle|palmer)/.test(t.told.part ?? "")) said.palmered ??= true;
  if (object.role === "hackle") palmeredFromBehind(said);
  if (isHackle(object.role) && isSpreadOut(t, said)) said.palmered ??= true;
  // A hot spot that comes when the body is there is one behind the eye.
  if (/^hot/.test(t.told.part ?? "") && lastBody(t.bench) && !isPlaced(said))
    Object.assign(said, { begin: { eyeLengths: 0.5 }, end: { eyeLengths: 1.5 } } satisfies Said);
  if (said.around) return windAround(t, object, said, said.around);
  if (isForPost(said, object, t.bench)) said.roundPost = true;
  // “Black cock over the seal only”, of a body of several: as far as that goes.
  const covered = isHackle(object.role) && !isPlaced(said) ? coveredBy(said, t.bench) : undefined;
  if (covered) Object.assign(said, { from: covered.rear, to: covered.front });
  windsFromBehind(said, object, t.bench);
  beginsOnBody(said, object, t.bench);
  const isPalmer = (isHackle(object.role) || object.form === "hackle") && said.palmered === true;
  const own = isPalmer && !isPlaced(said) ? (thoraxOfLine(t) ?? bodyOfLine(t)) : undefined;
  if (own) Object.assign(said, { from: rearOf(own), to: frontOf(own.from, own.to) });
  const front = isPalmer ? ribbed(t.bench) : undefined;
  const post = said.roundPost ? postAt(t.bench) : undefined;
  if (post && !said.from && !said.begin && !said.end) said.there ??= post;
  if (front && !said.from && !said.begin && !said.end && !said.there)
    Object.assign(said, { begin: { landmark: "bend" } satisfies Place, end: front });
  const step = make(t, "wind", said, object, { name: partName(t, object, "winding") });
  if (step?.do !== "wind") return;
  askWhereTheyMeet(t, step);
  if (t.told.verb === undefined && !t.line.isListed) t.bench.onlyNamed.add(step.id);
  t.bench.hangs = object.role === "weight" ? t.bench.hangs : frontOf(step.from, step.to);
  if (object.role === "weight") lockedWithThread(t);
  windBack(t, object, said, step.to ?? step.from);
  if (object.role) t.bench.release(object.role);
}

/** “Wind it back in open turns to the tail”: a hackle that goes so is palmered over the body. */
const isSpreadOut = ({ told, text }: Telling, { end }: Said): boolean =>
  end !== undefined && openTurns.test(text.slice(told.at, told.end));
const openTurns = /\b(?:open|spaced|well\s+spaced|evenly\s+spaced)\s+(?:turns|spirals|wraps)\b/;

const HACKLE_FRONT_EYES = 1.2;
/** “Hackle: furnace, tied in at the tail, 5 turns” goes forward over the body; two or three turns stay there. */
function palmeredFromBehind(said: Said): void {
  const tiedInAt = said.tieIn?.at;
  const isPlaced = (said.from ?? said.to ?? said.there ?? said.begin ?? said.end) !== undefined;
  if (isPlaced || said.stacked || !tiedInAt || alongShank(tiedInAt) < AT_THE_BEND) return;
  if ((said.rule?.turns ?? 0) >= MANY_TURNS) said.palmered ??= true;
}

/** “Tied in at the tail”, as a list said, and “wind the hackle forward”: over all of the body, from there. */
function windsFromBehind(said: Said, { role }: Meant, bench: Bench): void {
  const at = said.tieIn?.at ?? said.there;
  // A fly of nothing but hackle: it goes to where the head begins.
  const isBodiless = !bench.ahead.has("body") && !lastBody(bench);
  const front =
    isHackle(role) && said.way === "forward"
      ? (ribbed(bench) ?? (isBodiless ? { eyeLengths: HACKLE_FRONT_EYES } : undefined))
      : undefined;
  if (!front || !at || said.from || said.begin || said.end) return;
  if (alongShank(at) < alongShank(front) + BEHIND_BODY) return;
  Object.assign(said, { begin: at, end: front, palmered: true });
  delete said.there;
}
/** “Body hackle: black cock, from the second turn of the rib”: what begins on the body goes to its front. */
function beginsOnBody(said: Said, { role }: Meant, bench: Bench): void {
  const body = (role === "hackle" || role === "collar") && !said.end && !said.from ? lastBody(bench) : undefined;
  const front = body && frontOf(body.from, body.to);
  // A body that ends behind this very hackle.
  const isOfHackle = front && "part" in front && (front.part === "hackle" || front.part === "collar");
  if (!front || isOfHackle || !said.begin || said.roundPost || alongShank(said.begin) < alongShank(front) + BEHIND_BODY)
    return;
  Object.assign(said, { end: front, palmered: true } satisfies Said);
}
const BEHIND_BODY = 0.2;

const isPlaced = (s: Said): boolean =>
  s.from !== undefined || s.begin !== undefined || s.end !== undefined || s.there !== undefined;

/** Turns behind a part and in front of it are two windings of one strand or feather. */
function windAround(
  t: Telling,
  object: Meant,
  said: Said,
  { behind, front, part }: NonNullable<Said["around"]>,
  tiedIn?: Waiting,
): void {
  const there = (end: "rear" | "front"): Place =>
    "part" in part ? { ...part, end } : { ...part, plus: { of: "eye", times: end === "rear" ? 0.5 : -0.5 } };
  const name = partName(t, object, "hackle");
  const one: Said = { ...said, around: undefined, from: there("rear"), to: there("rear"), rule: { turns: behind } };
  const first = make(t, "wind", one, object, { name, tiedIn });
  const two: Said = {
    ...said,
    around: undefined,
    from: there("front"),
    to: there("front"),
    rule: { turns: front },
    carries: first?.id,
  };
  make(t, "wind", two, object, { name });
  t.bench.hangs = there("front");
  if (object.role) t.bench.release(object.role);
}

/** What waits and is meant: by the part, by the material, or simply the last. */
function taken({ told, bench }: Telling): Waiting | undefined {
  // “six turns of tippet”, where 4x tippet waits: a word of what waits, whatever else it could mean.
  const word = told.description && !told.description.exact ? told.description.text.trim().toLowerCase() : "";
  const isNamed = (w: Waiting): boolean => !w.hangs && nameWords(bench, w).includes(word);
  if (/^[a-z]{4,}$/.test(word) && !isColour(word) && (told.role === undefined || told.role === "rib")) {
    const waiting = bench.waits(isNamed);
    if (waiting) return waiting;
  }
  const found =
    told.description && !told.description.exact ? bench.resolve(told.description).material : told.description?.exact;
  if (found) {
    const isMeant = (w: Waiting): boolean =>
      !w.hangs && w.form === found.form && told.role === undefined && isBare(told.description?.text ?? "");
    const isOf = (w: Waiting): boolean =>
      !w.hangs && bench.component(w.component)?.material.some((m) => m.value === found.code) === true;
    // “Wind the tinsel”, where oval waits for the rib and flat for the body: the body comes first.
    return bench.waits((w) => isMeant(w) && w.role === "body") ?? bench.waits(isOf) ?? bench.waits(isMeant);
  }
  if (told.role !== undefined) return bench.waits((w) => !w.hangs && alikeRole(w.role, told.role));
  return told.refers || told.description === undefined ? bench.waits((w) => !w.hangs) : undefined;
}
/** “the wire”: a noun alone says nothing new. */
const isBare = (text: string): boolean => text.trim().split(/\s+/).length === 1;
const alikeRole = (a: Role, b: Role | undefined): boolean =>
  a === b ||
  (isHackle(a) && isHackle(b)) ||
  (a === "rib" && b === "tag") ||
  (a === "body" && b === "thorax") ||
  (a === "thorax" && b === "body");
const isHackle = (r: Role | undefined): boolean => r === "hackle" || r === "collar" || r === "throat";

const theFirst = /\bthe\s+(?:first|rear|back)(?:\s+(?:one|hackle|feather))?\b(?!\s+(?:half|third|turn))/u;
/** “Wind the first hackle five turns and tie it off”, of two that were tied in together. */
const isOneOfTwo = ({ told, text }: Telling, w: Waiting): boolean =>
  isHackle(w.role) && w.said.rope === 2 && theFirst.test(text.slice(told.at, told.end));
function leaveTheOther(bench: Bench, w: Waiting): void {
  const { rope: _rope, ...said } = w.said;
  w.said = said;
  bench.waiting.push({ ...w, used: false });
}

export function windWaiting(t: Telling, w: Waiting, own: Said): void {
  const { bench, told } = t;
  w.used = true;
  if (isOneOfTwo(t, w)) leaveTheOther(bench, w);
  boundInFor(bench, w, own, told.role);
  const component = bench.component(w.component);
  const said: Said = {
    ...w.said,
    ...withDeclared(t, component, own),
    methods: own.methods || w.said.methods ? { ...w.said.methods, ...own.methods } : undefined,
  };
  if (said.methods === undefined) delete said.methods;
  const role = component?.role ?? w.role;
  if (isAtPost(t, w)) {
    for (const at of ["there", "begin", "end", "from", "to", "way"] as const) delete said[at];
    said.roundPost = true;
  }
  if (said.around) return windAround(t, { component, role, form: w.form }, said, said.around, w);
  const isHackled = isHackle(component?.role ?? w.role);
  // A strand that waits at the rear and is tied off somewhere goes there.
  if (said.there && !isHackled && !said.from && !said.begin && !said.end && !isSame(said.there, w.at)) {
    said.begin = w.at;
    said.end = said.there;
    delete said.there;
  }
  // Round the post it is wound where it was tied in, wherever the thread hangs by then.
  if (said.roundPost && w.at) said.there ??= w.at;
  if (isHackled && isSpreadOut(t, said)) said.palmered ??= true;
  // What is palmered goes over the body, as a rib does.
  if (isHackled && (said.palmered || said.over !== undefined)) boundBehind(bench, w);
  const isForward = said.way === "forward" || said.over !== undefined;
  // “Tie in a hackle, dub a body. Hackle: 5 turns”: it goes forward, though nobody says where.
  const isLeftBehind = !isPlaced(said) && isOlderThanBody(bench, w);
  const isPalmered = said.palmered || ((isForward || isLeftBehind) && isBehindBody(bench, w));
  const goesOver = (component?.role ?? w.role) === "rib" || (isHackled && isPalmered && !said.roundPost);
  const isOpen =
    goesOver &&
    said.from === undefined &&
    said.end === undefined &&
    said.begin === undefined &&
    said.there === undefined;
  const body = isOpen ? ribbed(bench) : undefined;
  const cover = isOpen && !isHackled ? coverJustPulled(bench, body) : undefined;
  const over = cover ?? body;
  if (over) Object.assign(said, { begin: w.at, end: isHackled && isAhead(w.at, over) ? rearOfBody(bench) : over });
  const step = make(
    t,
    "wind",
    said,
    { component, role: component?.role ?? w.role, form: w.form },
    { name: told.part ?? component?.role ?? w.role, tiedIn: w },
  );
  if (step?.do !== "wind") return;
  if (isOpen && !cover) bench.overBody.add(step.id);
  bench.hangs = frontOf(step.from, step.to);
  windBack(t, { component, role: component?.role ?? w.role, form: w.form }, said, step.to ?? step.from);
  if (component) bench.release(component.role);
}

/** “Post: white calf tail”, and “Hackle: grizzly, 5 turns”: a hackle without a place of its own goes round the post. */
function isForPost(said: Said, { role }: Meant, bench: Bench): boolean {
  return bench.hasPost && role === "hackle" && !isPlaced(said) && !said.palmered && said.over === undefined;
}
const downIt = /\b(?:down(?:wards?)?(?!\s+(?:the\s+(?:body|shank|hook)|over|to\b))|under\s+(?:it|the\s+hackle))/;
/** “Wind the hackle down in six turns”, of one that was tied in at the post: round that. */
const isAtPost = ({ told, text, bench }: Telling, w: Waiting): boolean =>
  bench.hasPost &&
  isHackle(w.role) &&
  "part" in w.at &&
  w.at.part === "wing" &&
  downIt.test(text.slice(told.at, told.end));
/** Where the wing stands round which a hackle is wound. */
function postAt(bench: Bench): Place | undefined {
  const wing = bench.ofRole("wing");
  const step = bench.made.findLast((m) => m.step.do === "lay" && m.step.component === wing?.id)?.step;
  return step?.do === "lay" ? (step.tieIn?.at ?? step.from) : undefined;
}

/** A hackle that was tied in at the rear of a body which is there now. */
function isBehindBody(bench: Bench, w: Waiting): boolean {
  const front = ribbed(bench);
  return front !== undefined && w.at !== undefined && alongShank(w.at) > alongShank(front) + 0.2;
}

/** Whether the body was made when this hung there already. */
function isOlderThanBody(bench: Bench, w: Waiting): boolean {
  const body = bench.made.findLastIndex((m) => bench.component(m.step.component)?.role === "body");
  return body > bench.made.findIndex((m) => m.step.id === w.step);
}

function rearOfBody(bench: Bench): Place | undefined {
  const body = lastBody(bench);
  return body && rearOf(body);
}
/** A rib ends where the body does. */
function ribbed(bench: Bench): Place | undefined {
  const body = lastBodyOrTail(bench);
  return body && frontOf(body.from, body.to);
}

/** The bundle of an earlier part goes on as this winding: “wind the rest of the fibres forward”. */
function carryOn(t: Telling): void {
  const { told, bench } = t;
  const laid = bench.made.filter(
    (m) => m.step.do === "lay" && m.step.component !== undefined && !m.step.countedWhenWound,
  );
  // Flash that lies beside the tail is not what is wound on.
  const bundle = laid.findLast((m) => bench.formOf(bench.component(m.step.component)) !== "flash") ?? laid.at(-1);
  const component = bench.component(bundle?.step.component);
  if (!bundle || bundle.step.do !== "lay" || !component) {
    t.line.asks.push({
      at: [told.at, told.end],
      sentence: "The rest of what? No bundle is tied in before this line.",
      answers: [],
    });
    return;
  }
  // “Head: butts trimmed square”: those of a wing are left, and never wound.
  if (standsOff.has(component.role) && told.verb !== "wind") {
    const words = t.text.slice(told.at, told.end).trim();
    t.line.asks.push({
      at: [told.at, told.end],
      sentence: `What is done with the rest of the ${component.role}? Say it in other words, or keep it as an instruction for the bench.`,
      answers: [{ label: "Keep it as an instruction", text: `[${words}]` }],
    });
    return;
  }
  const { amount } = bundle.step;
  const n = "fibres" in amount ? amount.fibres : "strands" in amount ? amount.strands : 1;
  const said: Said = {
    ...told.said,
    rule: told.said.rule ?? { touching: true },
    carries: bundle.step.id,
    rope: told.said.rope ?? n,
    methods: { ...told.said.methods, bundle: "fold back" },
  };
  // It is the body that is wound of it, whatever the bundle was tied in as.
  const step = make(
    t,
    "wind",
    said,
    { component, role: "body", form: bench.formOf(component) },
    { name: told.part ?? "body", tiedIn: undefined, where: [told.at, told.end] },
  );
  if (step?.do !== "wind") return;
  bench.hangs = frontOf(step.from, step.to);
  bench.release("body");
}

/** Parts that stand off the fly, and whose butts are no body. */
const standsOff = new Set<Role>(["wing", "underwing", "topping", "cheeks", "throat"]);

/** A rib of a list is bound in before the body and wound when the body is there. */
export function listedRib(t: Telling, object: Meant, told: Said): void {
  const { bench } = t;
  const said = { ...turnsOfEach(t, told) };
  ribOverCover(said, "rib", bench);
  const beside = bodyOfLine(t);
  const body = beside?.id ?? bodyBefore(bench);
  const covered = coveredBy(said, bench) ?? (body || bench.ahead.has("body") ? undefined : palmerAlone(said, bench));
  const rear = covered?.rear ?? (beside ? rearOf(beside) : rearAhead(bench));
  const tieInSaid: Said = {
    ...(said.tieIn && { tieIn: said.tieIn }),
    ...(said.pieceMm !== undefined && { pieceMm: said.pieceMm }),
    ...(said.laid && { laid: said.laid }),
    ...(said.round && { round: said.round }),
    // “Rib: pheasant tail, one fibre”
    ...(object.form === "feather fibre" && { amount: { fibres: said.rope ?? 1 } }),
  };
  const hung = bench.hangs;
  bench.hangs = undefined;
  // Where the thread was taken round the bend, the body begins there, and what ribs it.
  const behindBend = [hung, rearOfBody(bench)].find((at) => at !== undefined && alongShank(at) > 1);
  const waiting = tieIn(
    t,
    object,
    { ...tieInSaid, tieIn: said.tieIn ?? { at: rear ?? said.begin ?? behindBend ?? { landmark: "bend" } } },
    body,
  );
  bench.hangs = hung;
  if (!waiting) return;
  const own: Said = { ...said, ...(covered && { from: covered.rear, to: covered.front }) };
  delete own.tieIn;
  delete own.pieceMm;
  // Named by a list, and dubbed or wound by a later line.
  const isNamed = bench.components.some((c) => c.role === "body" && bench.declared.get(c.id)?.used === false);
  // “Abdomen: wool, ribbed with four turns”: the line of the body winds it, and how often.
  const isInLine = ribbedInLine.test(t.text.slice(t.told.end));
  const isWoundThere = (): boolean => own.rule === undefined && bench.toldLater().some(ribsWithIt);
  // “Rib: wire. Abdomen: …”, in one line.
  const isNext = isInLine && isWoundThere() && bench.toldLater()[0]?.role === "body";
  if (body !== undefined || !(isNamed || isNext || bench.ahead.has("body"))) return windWaiting(t, waiting, own);
  bench.later.push({ after: ["body"], make: () => (isWoundThere() ? undefined : windWaiting(t, waiting, own)) });
}
const ribbedInLine = /\bribbed\b[^.;]*\bturns\b/u;
const ribsWithIt = ({ role, kind, said, description }: Told): boolean =>
  role === "rib" &&
  kind === "wind" &&
  said.rule?.turns !== undefined &&
  (description === undefined || /^(?:the\s+)?(?:wire|tinsel|oval|rib)$/.test(description.text.trim().toLowerCase()));
const downBody = /\bdown\s+(?:over\s+|along\s+)?the\s+(?:body|abdomen)\b/;
/** A place behind the middle of the shank, where only that was said: the thread goes down there. */
const downThere = ({ there }: Said): Place | undefined => (there && alongShank(there) > 0.5 ? there : undefined);
export const windVerb = verb(
  "wind",
  anyOf(
    "palmer\\s+(?:the\\s+(?:body|abdomen|fly)|it)\\s+with(?=\\s)",
    "(?:the\\s+)?rib\\s+(?:then\\s+)?(?:comes|goes|is\\s+brought|is\\s+wound)(?=\\s+(?:up|forward|through|over)\\b)",
    "(?:(?:counter|reverse)-?\\s?)?(?:wind|wrap|rib|palmer|spiral|overwrap|twine|cover(?!\\s+(?:it|them|(?:the\\s+)?(?:wire|weight|lead)(?:\\s+turns)?)\\s*(?:[,.;]|and\\b|$))|form)(?:s|ping|bing)?(?:\\s+(?:on|up|over))?(?!\\s*[:=])",
    "(?:follow|finish|continue)\\s+(?:up\\s+)?with(?=\\s)",
    "(?:rib|segment|reinforce|strengthen|overwind)\\s+(?:(?:it|the\\s+(?:body|back|shell|abdomen))\\s+)?with(?=\\s)",
    "(?:take|make|give|put|add|use|lay)\\s+(?:it\\s+|on\\s+|in\\s+)?(?=(?:about\\s+|some\\s+)?(?:\\d+|[a-z]+)(?:\\s*(?:-|to|or)\\s*(?:\\d+|[a-z]+))?\\s+(?:[\\w-]+\\s+)?(?:turns?|wraps?)\\b)",
    "(?:come|go|work|follow)\\s+(?:(?:back|up|forward|down|through)\\s+)*with(?=\\s+the\\s+(?:[a-z]+\\s+)?(?:rib|wire|tinsel|mono|oval)\\b)",
    `(?:take|bring|carry|work|lead)\\s+(?=${HACKLE_IN_TURNS})`,
    "bring\\s+(?:the\\s+)?(?=(?:[\\w-]+\\s+){0,2}(?:wire|rib|tinsel|hackle|floss|yarn|chenille|mono|nylon|oval|gut|horsehair)\\b)",
    "take\\s+(?=(?:the|that|your)\\s+(?:[\\w-]+\\s+){0,2}(?:wire|rib|tinsel|oval|mono)\\s+(?:the\\s+(?:other|opposite)\\s+way|forwards?|up|over|through|across|round|around)\\b)",
    "run\\s+(?=(?:it|the\\s+(?:wire|tinsel|rib))\\b)",
    "build(?:\\s+up)?",
    "fill(?:\\s+(?:up|in))?",
    "make\\s+a\\s+(?=(?:(?:small|neat|tidy|narrow|short|slim|thin|tight|little|nice|bright|wide|broad)\\s+)*(?:head|hot-?\\s?spot|collar|butt|tag)\\b)",
  ),
  tellWind,
);
