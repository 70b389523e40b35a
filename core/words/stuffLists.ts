import { isColour } from "../materials";
import { withoutPlural } from "../numeric";
import { formSaid, descriptionAt, type Description } from "./description";
import { headOf, isListHeading, numbering } from "./head";
import { readHook } from "./hook";
import { plain } from "./parse";
import { remembered } from "./remembered";
import { lineOf, type Reading } from "./reading";
import { inOneForm } from "./text/oneForm";
import { verbAt } from "./verbs";

/** Fewer things than these make no list; each takes few words. */
const FEWEST = 2;
const MOST_WORDS = 6;

interface Item {
  at: number;
  end: number;
  description: Description;
}
/** What it is, where some words name a material and nothing else; undefined for all other words. */
function itemOf(r: Reading, text: string, from: number, to: number): Item | undefined {
  const led = /^[\s,;.]*(?:(?:some|an?|the|and|a\s+(?:few|little)|a\s+(?:piece|length|spool|packet)\s+of)\s+)*/.exec(
    text.slice(from, to),
  );
  const at = from + (led?.[0].length ?? 0);
  const end = text.slice(0, to).replace(/[\s,;.]+$/, "").length;
  const words = text.slice(at, end);
  // “Lead wire 0.4”: that part is called by what it is of.
  const head = headOf(words);
  const isPart = head.isListed && head.role !== "weight";
  if (words === "" || words.split(/\s+/).length > MOST_WORDS || verbAt(words, 0) || isPart) return undefined;
  const description = descriptionAt(text, at, r.scanContext.index, false);
  const isAll = description !== undefined && description.end >= end && formSaid(description) !== undefined;
  return isAll ? { at, end, description } : undefined;
}

/** Hook and thread are told of in such a list as anywhere; a bead is on the hook before all else. */
const isToldAnyway = ({ description }: Item): boolean =>
  ["thread", "bead", "hook"].includes(formSaid(description) ?? "hook");

/** “Materials:” with a line for each below it, none of which says its part: what the steps name is of those. */
function readBlock(r: Reading, i: number): void {
  const items: { line: number; item: Item }[] = [];
  let line = i + 1;
  for (; line < r.plain.length; line++) {
    const text = r.plain[line] ?? "";
    if (text.trim() === "" && items.length === 0) continue;
    if (text.trim() === "") break;
    const begin = numbering.exec(text)?.[0].length ?? 0;
    const item = itemOf(r, text, begin, text.length);
    if (item) items.push({ line, item });
    else if (!isOfHook(r, text)) break;
  }
  const named = items.filter(({ item }) => !isToldAnyway(item));
  const used = named.filter(({ item }) => isTakenUp(r, item, line));
  if (named.length < FEWEST || used.length * 2 < named.length) return;
  for (const { line: n, item } of named) {
    r.bench.named.push(item.description);
    const own = lineOf(r, n);
    own.kind = "fact";
    own.marks.push({ at: [0, own.text.length], kind: "known" });
    if (!used.some((u) => u.item === item)) own.notes.push("it is named here, and no step takes it up");
  }
}
const isOfHook = (r: Reading, text: string): boolean => {
  const head = headOf(text);
  const own = text.slice(head.begin).trimStart();
  return (
    head.role === "thread" ||
    head.role === "hook" ||
    (!verbAt(own, 0) && readHook(own, r.context.hooks).sizes !== undefined)
  );
};

/** Whether a line from there on uses a word of what was named; a colour alone names nothing. */
function isTakenUp(r: Reading, { description }: Item, from: number): boolean {
  const words = (description.text.toLowerCase().match(/\p{L}{4,}/gu) ?? []).filter((w) => !isColour(w));
  return r.plain.slice(from).some((t) => words.some((w) => t.includes(withoutPlural(w))));
}

const inOneLine =
  /^\s*(?:[-*•]\s*)?(?:(?:the\s+)?materials?(?:\s+list)?|ingredients|kit(?:\s+list)?|what\s+you(?:\s+will|'ll)?\s+need|you(?:\s+will|'ll)?\s+need|you\s+want|for\s+this(?:\s+(?:one|fly))?\s+(?:you|we)(?:\s+will|'ll)?\s+need)\s*(?::\s*|\s(?=an?\s|some\s|size\s|\d))/;

const inForm = remembered((line) => inOneForm(plain(line)));
/** “You need a size 14 nymph hook, brown thread, pheasant tail and copper wire”: all in one line. */
function readOneLine(r: Reading, i: number): void {
  const typed = inForm(lineOf(r, i).text);
  const lead = inOneLine.exec(typed)?.[0];
  if (lead === undefined) return;
  const stretches = split(typed, lead.length);
  const items = stretches.flatMap(({ at, end }) => itemOf(r, typed, at, end) ?? []);
  const isAll = stretches.every(
    ({ at, end }) => isOfHook(r, typed.slice(at, end).trim()) || items.some((x) => x.at >= at && x.end <= end),
  );
  const named = items.filter((x) => !isToldAnyway(x));
  // Where the steps take up few of them, it is asked what the others are for.
  const used = named.filter((item) => isTakenUp(r, item, i + 1));
  if (!isAll || named.length < FEWEST || used.length * 2 < named.length) return;
  const line = lineOf(r, i);
  line.marks.push({ at: [0, lead.length], kind: "known" });
  let own = " ".repeat(lead.length) + typed.slice(lead.length);
  for (const item of named) {
    r.bench.named.push(item.description);
    line.marks.push({ at: [item.at, item.end], kind: "known" });
    if (!used.includes(item))
      line.notes.push(`“${line.text.slice(item.at, item.end)}” is named here, and no step takes it up`);
    const { at, end } = stretches.find((s) => item.at >= s.at && item.end <= s.end) ?? item;
    own = own.slice(0, at) + " ".repeat(end - at) + own.slice(end);
  }
  r.plain[i] = own.replace(/(?:[\s,;.]|\band\b)+$/, (m) => " ".repeat(m.length));
  r.heads[i] = headOf(r.plain[i] ?? "");
}

/** Between commas, semicolons and “and”, where each stands. */
function split(text: string, from: number): { at: number; end: number }[] {
  const parts: { at: number; end: number }[] = [];
  let at = from;
  for (const m of text.slice(from).matchAll(/[,;]\s+(?:and\s+)?|\s+and\s+|\.?\s*$/g)) {
    const end = from + m.index;
    if (text.slice(at, end).trim() !== "") parts.push({ at, end });
    at = end + m[0].length;
  }
  return parts;
}

/**
 * Materials that are only named ahead of the steps, and not for which part: what a step calls by a word of them is of
 * that. Nothing is tied by such a list.
 */
export function readStuffLists(r: Reading): void {
  r.plain.forEach((text, i) => {
    if (isListHeading(text)) readBlock(r, i);
    else readOneLine(r, i);
  });
}
