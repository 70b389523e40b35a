import { headOf } from "../head";
import { isSpokenSize, readHook, type HookSaid } from "../hook";
import { formSaid, descriptionAt } from "../description";
import { PARTS } from "../lexicon/parts";
import { sizeNumber } from "../../hooks";
import type { MaterialForm } from "../../materials";
import type { SizeSpan } from "../../recipe";
import type { CabinetIndex } from "../cabinet";
import { isStop } from "../lexicon/stops";
import { lineOf, type Reading } from "../reading";
import { readWanted } from "../hookWanted";
import { verbAt } from "../verbs";
import { hookByKind, keepModel, noteHook } from "./hookModel";
import { hookWords, hooksTold } from "./hookTold";
import { readFrom } from "./title";

const besideHook = /[,;/+.]\s+/g;
const besideEnd = /^\s*(?:[,;/+.](?:\s|$)|$)/;

/** “Slide a bead onto a jig hook, size 12”: the hook is told by the way, and the rest is a step. */
export function readHookWithin(r: Reading, i: number): void {
  const text = r.plain[i] ?? "";
  for (const m of hooksTold(text)) {
    const said = readHook(m[0], r.context.hooks);
    // “House nymph. Hook is a 10 or 12”: what kind it is may stand in the name before it.
    const ahead =
      said.sizes && !said.model
        ? readHook(lineOf(r, i).text.slice(0, m.index).toLowerCase(), r.context.hooks)
        : undefined;
    if (said.sizes ?? said.model)
      return keepHook(r, i, m, ahead?.model ? { ...said, model: ahead.model, family: ahead.family } : said);
  }
}

/** Sizes that a line tells; where another line has told others, of which it comes in none, it is asked which hold. */
export function keepSizes(r: Reading, i: number, sizes: SizeSpan | undefined, at: number, end: number): void {
  if (!sizes) return;
  const { facts } = r.bench;
  const before = facts.sizesLine === undefined || facts.sizesLine === i ? undefined : facts.sizes;
  if (before && areApart(before, sizes)) {
    const [was, is] = [before, sizes].map(({ from, to }) => (from === to ? from : `${from} to ${to}`));
    lineOf(r, i).asks.push({
      at: [at, end],
      sentence: `Line ${r.bench.lines.numberOf(facts.sizesLine ?? 0)} is about size ${was}, this one about ${is}. Which is it tied in? Take one of the two out.`,
      answers: [],
    });
    return;
  }
  facts.sizes = sizes;
  facts.sizesLine = i;
}
const areApart = (a: SizeSpan, b: SizeSpan): boolean => {
  const ends = [a, b].map((s) => [sizeNumber(s.from), sizeNumber(s.to)].sort((x, y) => x - y));
  const [[aFrom = 0, aTo = 0] = [], [bFrom = 0, bTo = 0] = []] = ends;
  return aTo < bFrom || bTo < aFrom;
};

function keepHook(r: Reading, i: number, m: RegExpExecArray, said: HookSaid): void {
  const text = r.plain[i] ?? "";
  keepSizes(r, i, said.sizes, m.index, m.index + m[0].length);
  keepModel(r, i, said);
  const at: [number, number] = [m.index, m.index + m[0].length];
  lineOf(r, i).marks.push({ at, kind: "known" });
  // The step is read without it; where it is a sentence of its own, the line begins behind it.
  const stop = text.slice(0, at[0]).trim() === "" ? (/^\s*[.;](?=\s)/.exec(text.slice(at[1]))?.[0].length ?? 0) : 0;
  r.plain[i] = text.slice(0, at[0]) + " ".repeat(m[0].length + stop) + text.slice(at[1] + stop);
}

/** Whether words say nothing but what a hook is like: every other word of such a line is asked about, none is lost. */
function isOfHook(r: Reading, words: string): boolean {
  const names = new Set([...r.context.hooks].flatMap((h) => `${h.id} ${h.name}`.toLowerCase().split(/[^a-z0-9]+/)));
  return [...words.matchAll(/[\p{L}\d#/](?:[\p{L}\d#/.'-]*[\p{L}\d])?/gu)].every(
    ([w], n, all) => hookWords.test(w) || isSpokenSize(w) || names.has(w) || isStop(words, all[n]?.index ?? 0),
  );
}

function askOwnLine(r: Reading, i: number, at: [number, number]): void {
  const words = lineOf(r, i).text.slice(...at);
  lineOf(r, i).asks.push({
    at,
    sentence: `“${words}” is not the hook. Give it a line of its own.`,
    answers: [{ label: "A line of its own", text: `\n${words}` }],
  });
}

/** “On a size 8 hook twelve wraps of lead”: a material told behind the hook in the same breath is not lost. */
function askBehindHook(r: Reading, i: number): void {
  const text = r.plain[i] ?? "";
  const from = (/\bhooks?\b(?!.*\bhooks?\b)/.exec(text)?.index ?? text.length) + "hook".length;
  // “0.5 mm” ends no sentence.
  const end = from + (/^(?:[^,;.+]|\.(?=\d))*/.exec(text.slice(from))?.[0].length ?? 0);
  const names = [...text.slice(from, end).matchAll(/[\p{L}\d][\p{L}\d.'-]*/gu)].map((m) => from + m.index);
  const isThing = (at: number): boolean => {
    const found = descriptionAt(text, at, r.scanContext.index);
    const form = formSaid(found);
    return form !== undefined && form !== "hook" && !isOfHook(r, text.slice(at, end));
  };
  const [first] = names;
  if (first === undefined || !names.some(isThing)) return;
  const words = lineOf(r, i).text.slice(first, end).trimEnd();
  askOwnLine(r, i, [first, first + words.length]);
}

/** What a line about the hook names beside it is not the hook's, and is not lost. */
function askBesideHook(r: Reading, i: number): void {
  const text = r.plain[i] ?? "";
  const wanted = readWanted(text).at;
  for (const m of text.matchAll(besideHook)) {
    const at = m.index + m[0].length;
    // “Wet 10, black nickel”: that is said of the hook.
    if (wanted.some(([from, to]) => from === at && besideEnd.test(text.slice(to)))) continue;
    const end = at + (/^[^,;+]*/.exec(text.slice(at))?.[0].trimEnd().length ?? 0);
    const words = lineOf(r, i).text.slice(at, end);
    if (/\bhooks?\b|^(?:(?:extra\s+)?(?:light|fine|medium|heavy|strong|standard)\s+wire|barbless)\b/i.test(words))
      continue;
    const found = descriptionAt(text, at, r.scanContext.index, false);
    const isPart = new RegExp(`^(?:${PARTS})(?![\\p{L}])`, "u").test(text.slice(at));
    const isThing = isPart || (found?.means ?? found?.exact) !== undefined;
    if (!isThing && isOfHook(r, text.slice(at, end))) continue;
    askOwnLine(r, i, [at, end]);
  }
}
const besideIt = new Set<MaterialForm>(["bead", "thread", "weight wire", "eyes"]);

/** “size 14 wet hook and yellow silk”, “jig 10, slotted bead”: what lies beside the hook is a thing of its own. */
function isBesideHook(text: string, at: number, index: CabinetIndex): boolean {
  const found = descriptionAt(text, at, index, false);
  const form = formSaid(found);
  if (form !== undefined && besideIt.has(form)) return true;
  return /^(?:(?:thread|silk)\s+[\p{L}\d]|(?:[a-z]+\s+)?\d{1,2}\/0\s+(?:[a-z]+\s*)?(?:[.,;]|$)|(?!(?:extra\s+)?(?:long|short|heavy|light|standard|wide|hook|shank|sizes?|in)\b)(?:[a-z]+\s+){1,2}\d{1,2}\/0\s*(?:[.,;]|$))/u.test(
    text.slice(at),
  );
}
const countsTurns = /^(?:\d{1,2}|[a-z]+)\s+(?:turns?|wraps?|strands?|fibres?)\s+of\b/;

/** “Hook: dry 14; thread: black; tail: …”: where the list in one line goes on behind the hook. */
function endOfHook({ scanContext: { index } }: Reading, text: string, begin: number): number | undefined {
  for (const m of text
    .slice(begin)
    .matchAll(
      /[;.:]\s+|,\s+(?:(?:and|with|plus)\s+)?(?:(?:i|we)\s+(?:(?:will|'ll| {3})\s*)?(?:use|like|tie\s+with)\s+)?(?:an?\s+|some\s+)?|\s(?:and|with|plus|&|\+|\/)\s+(?:(?:i|we)(?:'ve|\s+have|\s{3})?\s+(?:use|like|got|tie\s+with|(?=(?:put|slide|slip|add)\b))\s*)?(?:an?\s+|some\s+)?/g,
    )) {
    const at = begin + m.index + m[0].length;
    if (m[0].startsWith(":") && !/\d/.test(text.slice(begin, at))) continue;
    if (/\bhook\b|\d/.test(text.slice(begin, at)) && isBesideHook(text, at, index)) return at;
    // “grub 12, weight 10 turns of lead”: a part with its figures.
    const verb = /\d|\bhook\b/.test(text.slice(begin, at)) ? verbAt(text, at)?.id : undefined;
    if (verb && doneAtOnce.has(verb)) return at;
    if (/\d/.test(text.slice(begin, at)) && threadAhead.test(text.slice(at))) return at;
    if (/^(?:[,;]|\s(?:and|with|plus)\s)/.test(m[0]) && /\d/.test(text.slice(begin, at)) && weighs.test(text.slice(at)))
      return at;
    if (!/^[;.:]/.test(m[0])) continue;
    const head = headOf(text.slice(at));
    if (head.isListed && head.role !== "hook") return at;
    // “A size 10 hook, 2x long. 8 turns of lead”: a sentence that counts something else.
    if (countsTurns.test(text.slice(at))) return at;
    // “Take hook D1 in 16. Wind yellow silk to the bend”: a sentence that does something is no more about the hook.
    if (!head.isListed && verbAt(text, at)) return at;
  }
  return undefined;
}

export function readHookLine(r: Reading, i: number): void {
  const whole = r.plain[i] ?? "";
  const end = endOfHook(r, whole, r.heads[i]?.begin ?? 0);
  if (end !== undefined) r.plain[i] = whole.slice(0, end);
  readHookWords(r, i);
  if (end === undefined) return;
  r.plain[i] = whole;
  readFrom(r, i, end);
  const line = lineOf(r, i);
  line.kind = "steps";
  line.about = undefined;
}

/** “… sizes 8 and 10, and slide on a bead”: what is done in the same breath is a step. */
const doneAtOnce = new Set<string>(["seat", "start", "tie in", "wind", "move", "dub"]);
const weighs =
  /^(?:(?:weight(?:ed)?|lead|bead|thread|silk)\b[^,;]*\d|(?:\d{1,2}(?:\s*(?:-|to|or)\s*\d{1,2})?|[a-z]+)\s+(?:turns|wraps)\s+(?:of\s+)?(?:\S+\s+){0,3}(?:lead|wire)\b)/;

/** “… and I use brown 8/0.” */
const threadAhead =
  /^(?:(?:[a-z]+\s+){1,2}(?:\d{1,2}\/0|\d{2,3}\s*den(?:ier)?)|\d{2,3}\s*den(?:ier)?\.?\s+[a-z]+|(?!turns\b|size\b)[a-z]+\s+(?:50|70|100|140|210)|(?:[5-9]\d|[12]\d\d)\s+(?!degrees?\b)[a-z]+(?:\s+(?:thread|silk))?)\s*(?:[.;,]|$)/;
const linkBehind = /(?:[,;.]|\s(?:and|with|plus|&|\+|\/))(?:\s+an?)?\s*$/;
const WHICH_SIZES = "In which sizes is it tied?";
const WHICH_HOOK = "Which hook of the room is it?";

/** Once all lines are read for facts: what one of them tells is asked at no other. */
export function askHookOnce(r: Reading): void {
  hookByKind(r);
  const { sizes, hookModel } = r.bench.facts;
  const isTold = ({ sentence }: { sentence: string }): boolean =>
    (sentence === WHICH_SIZES && sizes?.from !== undefined) || (sentence === WHICH_HOOK && hookModel !== undefined);
  r.lines.forEach((_, i) => {
    const line = lineOf(r, i);
    line.asks = line.asks.filter((ask) => !isTold(ask));
  });
  noteHook(r);
}

function readHookWords(r: Reading, i: number): void {
  const line = lineOf(r, i);
  line.kind = "fact";
  line.about = "hook";
  const begin = r.heads[i]?.begin ?? 0;
  const said = readHook((r.plain[i] ?? "").slice(begin), r.context.hooks);
  // An answer goes behind the hook’s own words, before what else the line names.
  const behind = (r.plain[i] ?? "").replace(linkBehind, "").length;
  line.marks.push({ at: [0, (r.plain[i] ?? "").length], kind: "known" });
  if (said.sizes) keepSizes(r, i, said.sizes, begin, behind);
  else if (!r.bench.facts.sizes?.from) line.asks.push({ at: [behind, behind], sentence: WHICH_SIZES, answers: [] });
  keepModel(r, i, said);
  if (said.model) {
    if (said.others.length > 0)
      line.notes.push(`${said.model.name} was taken; ${said.others.map((h) => h.name).join(", ")} would do as well`);
  } else {
    const all = [...r.context.hooks];
    line.asks.push({
      at: [behind, behind],
      sentence: WHICH_HOOK,
      answers: all.slice(0, 8).map((h) => ({ label: h.name, text: ` (${h.name})` })),
    });
  }
  askBehindHook(r, i);
  askBesideHook(r, i);
  askNumberLeft(r, i, begin, said);
}

const angle = /\d+\s*(?:°|deg(?:rees?)?\b)/g;
/** “12/0 or 14”: a number that is neither a size nor anything else said of a hook is not lost. */
function askNumberLeft(r: Reading, i: number, begin: number, { text, at, model }: HookSaid): void {
  const line = lineOf(r, i);
  let left = text.replace(angle, (m) => " ".repeat(m.length));
  for (const [from, to] of [...at, ...readWanted(text).at])
    left = left.slice(0, from) + " ".repeat(to - from) + left.slice(to);
  for (const m of left.matchAll(/(?<![\p{L}\d])#?\d[\d/.]*/gu)) {
    const [from, to] = [begin + m.index, begin + m.index + m[0].length];
    if (m[0] === model?.id || line.asks.some((ask) => ask.at[0] < to && from < ask.at[1])) continue;
    line.asks.push({
      at: [from, to],
      sentence: `“${line.text.slice(from, to)}” is no size that goes with the others here, nor anything else of the hook. Say it otherwise, or take it out.`,
      answers: [],
    });
  }
}
