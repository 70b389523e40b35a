import { type Reading, lineOf } from "../reading";
import { formTold, type Told } from "../told";
import { scan } from "../scan";
import { NUMBER_WORD, readNumber } from "../text/number";
import type { Bench, MadeStep, Telling } from "../bench";
import { sharings, retellings } from "./again";
import { changeForHead, isThreadStarted, isThreadNamed } from "./threads";
import { tellNone } from "./none";
import { coversWithRest } from "../verbs/restOfBundle";
import { legsOfTips, coverAndLegs } from "../verbs/tips";
import type { LineHead } from "../head";
import { actListed, actListedThread } from "./listed";
import { verbOf } from "../verbs";
import { objectOf } from "../verbs/object";
import { windNew, tellWind } from "../verbs/wind";
import { saysThreadOver } from "../verbs/overWeight";
import { isListInOne } from "./spoken";
import { tellAct } from "../verbs/act";
import { actUnsaid } from "./unsaid";
import { byColour } from "./stuff";
import { saysHowLong, saysHowLongAgain } from "./howLong";

/** “Rear: 100 hairs of bucktail, at the bend”, “Middle: …”: bunches along a large fly, of which one is the tail. */
function stationOfHair(name: string, told: Told, text: string): "tail" | "wing" | undefined {
  const form = formTold(told);
  if (told.kind !== "lay" || (form !== "hair" && form !== "flash")) return undefined;
  if (!/^\s*(?:rear|back|middle|mid|front|second|third|first|last)(?:\s+(?:bunch|clump|station))?$/.test(name))
    return undefined;
  return /^\s*(?:rear|back)/.test(name) && /\bbend\b/.test(text) ? "tail" : "wing";
}

/** “Weed guard: double mono”: a line of a list whose part nobody knows is asked about; nothing is guessed of it. */
function asksWhatPart(r: Reading, told: Told, text: string, i: number): boolean {
  const [name] = /^\s*(?:(?:[\p{L}'-]+\s+){0,2}[\p{L}'-]+(?=\s*:\s)|weed\s?-?guard\b)/u.exec(text) ?? [];
  const word = told.rest.find((r) => r.at < (name?.length ?? 0));
  const isGuard = /^\s*weed/.test(name ?? "");
  if (name === undefined || !word || (told.role !== undefined && !isGuard) || told.description === undefined)
    return false;
  // “Rear: a ball of fur”: one of the two that make the body.
  if (/^\s*(?:rear|front|back|first|second)$/.test(name) && (told.kind === "dress" || told.kind === "wind")) {
    told.rest = told.rest.filter((r) => r !== word);
    told.understood.push(word);
    Object.assign(told, { role: "body", part: name.trim() });
    return false;
  }
  const station = stationOfHair(name, told, text);
  if (station) {
    told.rest = told.rest.filter((r) => r !== word);
    told.understood.push(word);
    Object.assign(told, { role: station, part: name.trim() });
    return false;
  }
  const at = r.lines[i]?.search(/\S/) ?? 0;
  const words = r.lines[i]?.slice(at, name.length) ?? name.trim();
  // “Weedguard 16 lb hard mono”: what stands behind the name is still to be asked about.
  const behind = text.slice(name.length, word.end).search(/\S/);
  const more = behind < 0 ? [] : [{ at: name.length + behind, end: word.end }];
  told.rest = [...more, ...told.rest.filter((r) => r !== word)];
  lineOf(r, i).marks.push({ at: [at, name.length], kind: "doubt" });
  lineOf(r, i).asks.push({
    at: [at, name.length],
    sentence: `Which part of the fly is “${words}”?`,
    answers: ["Tail", "Body", "Wing", "Legs", "Throat", "Flash"].map((part) => ({
      label: part.toLowerCase(),
      text: part,
    })),
  });
  return true;
}

/** “Tie in a brown hackle behind the eye, two turns”: what says its turns is wound as well. */
function isWoundAtOnce(r: Reading, told: Told, text: string): boolean {
  const form = formTold(told);
  const turns = told.rest.find((r) => /\bturns?$/.test(text.slice(r.at, r.end)));
  // A plume is a hackle where its turns are told.
  const isPlume = form === "feather fibre" && told.said.amount !== undefined && "feathers" in told.said.amount;
  const isTied = told.verb === "tie in" || (isPlume && told.verb === undefined && told.role === undefined);
  // “Put a tag on of four turns of oval”.
  const isTag = (told.role === "tag" || told.role === "butt") && told.description !== undefined;
  if (!isTied || !(form === "hackle" || isPlume || isTag) || !turns) return false;
  const role = told.role ?? "collar";
  const again = scan(text, told.at, told.end, { role, part: role }, r.scanContext, "wind")[0];
  if (again?.said.rule?.turns === undefined) return false;
  const { there, ...said } = again.said;
  const at = told.said.tieIn?.at ?? there;
  Object.assign(told, { role, part: told.part ?? role, kind: "wind", verb: "wind" });
  told.said = { ...said, ...(at && { tieIn: { at }, there: at }) };
  told.rest = told.rest.filter((r) => r !== turns);
  told.understood.push(turns);
  return true;
}

/** “Tie in ten fibres. They should be as long as the shank”: the length of what was just laid. */
function addsToLast(r: Reading, i: number, { said }: Told): boolean {
  const last = r.bench.made.findLast((m) => m.line === i);
  if (last?.step.do !== "lay" || said.shown === undefined) return false;
  last.step = { ...last.step, shown: said.shown };
  return true;
}

/** “Fibres no longer than to the bend”, in a line of its own: of the hackle that was wound or tied in last. */
function tellsBarbs(r: Reading, told: Told, text: string): boolean {
  if (told.role !== undefined || told.verb !== undefined || !ofBarbs.test(text.slice(told.at, told.end))) return false;
  const last = r.bench.made.at(-1);
  const form = r.bench.formOf(r.bench.component(last?.step.component));
  if (last?.step.do !== "wind" || form !== "hackle") return false;
  const again = scan(text, told.at, told.end, {}, r.scanContext, "wind")[0];
  if (!again?.said.barb || again.rest.length > 0) return false;
  // Two feathers wound at once, or one on either side of a wing, are all of that line.
  for (const m of r.bench.made) {
    const isHackle = r.bench.formOf(r.bench.component(m.step.component)) === "hackle";
    if (m.line === last.line && m.step.do === "wind" && isHackle) m.step = { ...m.step, barb: again.said.barb };
  }
  Object.assign(told, { description: undefined, rest: [], understood: again.understood, kept: again.kept });
  return true;
}

function isAboutLast(t: Told): boolean {
  return t.kind === "act" || t.said.wraps !== undefined || t.understood.length === 0;
}

const ofBarbs =
  /^\W*(?:the\s+)?(?:hackle\s+)?(?:fibres?|fibers?|barbs?)\s+(?:no|not|as|just|about|to|reach|a|one|two|the|half|equal|long)/;

const bareTurns = new RegExp(`^(\\d{1,2}|${NUMBER_WORD})\\s+(?:turns?|wraps?)$`, "u");

/** “Fold the foam over and tie down, 4 turns”: turns of the thread, as nothing is wound. */
function turnsHoldIt(told: Told, text: string): void {
  for (const r of told.rest) {
    const n = readNumber(bareTurns.exec(text.slice(r.at, r.end).trim())?.[1] ?? "");
    if (n === undefined || told.said.wraps !== undefined) continue;
    told.said.wraps = n;
    told.rest = told.rest.filter((x) => x !== r);
    told.understood.push(r);
  }
}

const isEmptyTold = (t: Told): boolean =>
  t.verb === undefined &&
  t.description === undefined &&
  t.role === undefined &&
  t.understood.length === 0 &&
  t.loose.length === 0;

/** One clause of a line, as it is told to the bench. */
interface ToldClause {
  r: Reading;
  t: Telling;
  /** The line, and which of its clauses this is. */
  i: number;
  n: number;
  all: Told[];
}

/** Does what one clause of a line tells, with what the lines before it left on the bench. */
export function tellClause(r: Reading, i: number, told: Told, n: number, all: Told[]): void {
  const text = r.plain[i] ?? "";
  const t: Telling = { told, text, bench: r.bench, line: r.notesOf(i) };
  if (r.heads[i]?.isOptional) told.said.optional = true;
  if (n === 0) for (const share of sharings) share(text, all);
  for (const again of retellings) again(r, told, text);
  if (isEmptyTold(told) || saysHowLong(r, t, i) || saysHowLongAgain(t, i)) return;
  changeForHead(r, t);
  const clause = { r, t, i, n, all };
  const before = new Set(r.bench.made);
  const { hangs } = r.bench;
  if (!tellers.some((tells) => tells(clause))) tellByVerb(clause);
  if (beforeThat.test(text.slice(told.at))) moveAhead(r, i, before, hangs);
}
const beforeThat = /^\W*(?:(?:and|but)\s+)?before\s+(?:that|this|(?:you\s+)?do(?:ing)?\s+(?:so|that|this))\b/;
/** “Before that catch in the wire”: what is told now is done ahead of what the line before told. */
function moveAhead({ bench, out }: Reading, i: number, before: ReadonlySet<MadeStep>, hung: Bench["hangs"]): void {
  const line = out.findLastIndex((l, n) => n < i && l.steps.length > 0);
  const own = bench.made.filter((m) => !before.has(m));
  const at = bench.made.findIndex((m) => m.line === line && before.has(m));
  if (at < 0 || own.length === 0) return;
  const others = bench.made.filter((m) => before.has(m));
  bench.made.splice(0, bench.made.length, ...others.slice(0, at), ...own, ...others.slice(at));
  bench.hangs = hung;
}

const bump =
  /^\W*(?:(?:and|then|now|next)\s+)*(?:build|make|form|put)\s+(?:up\s+)?an?\s+(?:[a-z]+\s+){0,2}(?:dam|bump|ramp|wall|ridge|stop|ball)\b/;
const USUAL_BUMP = 6;
/** “Build a small dam of thread behind the cone”: turns of the thread, whatever waits to be wound. */
function tellBump({ t }: ToldClause): boolean {
  const { told, text, line, bench } = t;
  const form = formTold(told);
  if (!bump.test(text.slice(told.at, told.end)) || (form !== undefined && form !== "thread")) return false;
  const isName = (r: { at: number; end: number }): boolean => /^(?:dam|wall|ridge|ball)$/.test(text.slice(r.at, r.end));
  told.understood.push(...told.rest.filter(isName));
  told.rest = told.rest.filter((r) => !isName(r));
  if (told.said.rule?.turns === undefined) line.assumed.push(`${USUAL_BUMP} turns`);
  const there = told.said.there ?? told.said.begin ?? bench.hangs;
  const said = { there, rule: { turns: told.said.rule?.turns ?? USUAL_BUMP } };
  tellWind({ ...t, told: { ...told, role: "thread", part: undefined, verb: "wind", kind: "wind", said } });
  return true;
}

/** Who may take a clause, in the order in which they are asked; its verb is the last. */
const tellers: readonly ((c: ToldClause) => boolean)[] = [
  ({ r, t, i, n }) => n > 0 && tellNone(r, t.told, t.text, i),
  saysHowOnly,
  tellBump,
  ({ r, t, n }) => n === 0 && tellsBarbs(r, t.told, t.text),
  tellCoverAndLegs,
  ({ t }) => legsOfTips(t),
  ({ t }) => t.told.role === "wing case" && t.told.kind === "lay" && coversWithRest(t),
  goesOnWithLast,
  ({ r, t, i, n }) => n === 0 && asksWhatPart(r, t.told, t.text, i),
  bandsCollar,
  tellThreadAlone,
  restHangs,
  tellWoundAtOnce,
  tellAsListed,
  tellBoundWithWire,
];

/** “Body: in two halves. Rear half …”: how it is parted; what each is of comes behind. */
function saysHowOnly({ t: { told }, n, all }: ToldClause): boolean {
  const isHow = told.kept.length > 0 && told.rest.length === 0 && !told.description;
  const isNothingElse = told.verb === undefined && Object.keys(told.said).length === 0;
  return n === 0 && isHow && isNothingElse && told.role !== undefined && all[1]?.role === told.role;
}

function tellCoverAndLegs({ r, t, i }: ToldClause): boolean {
  const both = coverAndLegs(t.told, r.heads[i] as LineHead, t.text);
  if (!both) return false;
  const [cover, legs] = both;
  actListed(r, { ...t, told: cover }, i);
  legsOfTips({ ...t, told: legs });
  Object.assign(t.told, { rest: legs.rest, understood: legs.understood });
  return true;
}

function goesOnWithLast({ r, t, i, n }: ToldClause): boolean {
  const { told } = t;
  if (n === 0 || told.verb !== undefined || told.description) return false;
  if (told.refers === "it" && addsToLast(r, i, told)) return true;
  if (told.role !== undefined || !isAboutLast(told)) return false;
  verbOf("hold")?.tell(t);
  return true;
}

const overIt = /\bover\s+(?:it|that|this)\b/;
/** “A collar of grey fur, hot orange thread over it”: a band of thread on what the line has just tied. */
function bandsCollar({ r, t, i }: ToldClause): boolean {
  const { told, text, bench } = t;
  const last = bench.made.findLast((m) => m.line === i);
  const isOfThread = told.verb === undefined && told.role === undefined && formTold(told) === "thread";
  if (!isOfThread || bench.component(last?.step.component)?.role !== "collar") return false;
  if (!overIt.test(text.slice(told.at, told.end)) || r.heads[i]?.isListed) return false;
  const band: Telling = { ...t, told: { ...told, role: "collar", part: "collar", kind: "wind" } };
  windNew(band, objectOf(band), told.said);
  return true;
}

function tellThreadAlone({ r, t }: ToldClause): boolean {
  if (saysThreadOver(t)) return true;
  const { told, bench } = t;
  const thread = { ...t, told: { ...told, role: "thread" as const } };
  if (isThreadStarted(r, told)) {
    bench.thread = objectOf(thread).component?.id;
    bench.hangs = told.said.there ?? bench.hangs;
    return true;
  }
  if (!isThreadNamed(r, told)) return false;
  actListedThread(thread);
  return true;
}

const theRestHangs = /\bthe\s+(?:rest|remainder)\b/;
const isNotCut = /\b(?:don't|do\s+not)\s+(?:cut|trim|clip|snip)\b|\bleave\b.*\bhanging\b/;
/** “I leave the rest of the fibres hanging”, of what was just tied in: there it waits to be told of again. */
function restHangs({ t: { told, text, bench } }: ToldClause): boolean {
  const words = text.slice(told.at, told.end);
  // “Don't cut the rest of the marabou”, which a later clause takes up.
  if (told.refers === "the rest" && told.verb === undefined && isNotCut.test(words)) return true;
  if (told.said.hanging !== true || told.description || told.role !== undefined) return false;
  return theRestHangs.test(words) && bench.made[bench.made.length - 1]?.step.do === "lay";
}

function tellWoundAtOnce({ r, t }: ToldClause): boolean {
  if (!isWoundAtOnce(r, t.told, t.text)) return false;
  windNew(t, objectOf(t), t.told.said);
  return true;
}

function tellAsListed({ r, t, i, n }: ToldClause): boolean {
  const { told, text } = t;
  if (r.heads[i]?.isListed !== true) return false;
  const isDubbedInList = told.verb === "dub" && told.description !== undefined && isListInOne(text);
  const isWayOfPart =
    n === 0 &&
    told.refers === undefined &&
    (told.verb === "wind" || told.verb === "dub" || (told.verb === "take over" && told.description !== undefined));
  if (told.verb !== undefined && !isDubbedInList && !isWayOfPart) return false;
  actListed(r, t, i);
  return true;
}

const isBoundItself =
  /^\W*(?:(?:and|then|now|next)\s+)*(?:bind|lash|tie|fasten|secure|trap|whip|lock|hold|fix)(?:ing)?(?:\s+(?:down|along|in))?\s+(?:the\s+)?$/u;
/** “Bind the hackle down with fine wire, four turns” winds the wire over it. */
function tellBoundWithWire({ t }: ToldClause): boolean {
  const { told, text } = t;
  if (told.verb !== "hold" || told.kind !== "wind" || !(told.description ?? told.said.rule)) return false;
  // “Bind down the gold wire to the bend”: there it is the wire that is bound.
  const { description: d } = told;
  if (d && isBoundItself.test(text.slice(told.at, d.at))) return false;
  tellWind({ ...t, told: { ...told, role: "rib", said: { counter: true, ...told.said } } });
  return true;
}

function tellByVerb({ r, t, i }: ToldClause): void {
  const { told } = t;
  const isHeld = (told.verb === "hold" || told.verb === "tie in") && !told.description && told.kind === "lay";
  if (told.verb === "take over" || isHeld) turnsHoldIt(told, t.text);
  if (told.verb === "act") return tellAct(t);
  const verb = told.verb === undefined ? undefined : verbOf(told.verb);
  if (!verb) return actUnsaid(r, t);
  verb.tell(told.verb === "dub" ? byColour(r, t, i) : t);
}
