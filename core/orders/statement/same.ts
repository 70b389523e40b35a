import { type OrderReading, namesFlyIn } from "./reading";
import type { Catalogue, Doubt, ReadLine } from "../types";
import type { Span } from "../spans";
import { asManyIn, dozensText, quantitiesIn } from "../quantity";
import { commaParts } from "../pieces";
import { Stretch } from "../stretch";
import { findExactly } from "../names";
import { comesIn } from "../sizes";
import { wordsOfFlies } from "../flyWords";

/** “The same in 16”: as many as before. */
export const SAME_IN =
  /^\s*(?:and\s+|und\s+|plus\s+)?(?:the\s+)?(?:(?:same(?:\s+again)?|as\s+above|wie\s+oben|dasselbe|das\s+gleiche|nochmal)\s+(?:in|with|mit|of|von)\s|(?:same(?:\s+again)?|dasselbe|das\s+gleiche),?\s+(?:but|aber)\s+(?:(?:in|with|mit|of|von)\s)?|di?t+o\.?\s+(?:(?:in|with|mit|of|von)\s)?)/iu;

/** “Half Past Six 16: the same”: all that the statement before told of it. */
export const SAME_BEHIND =
  /[:,]\s*(?:the\s+)?same(?:\s+again)?\s*[.!]?\s*$|[:,]\s*(?:dasselbe|das\s+gleiche)\s*[.!]?\s*$/iu;

const LINK = /(?:\s*,\s*(?:(?:and|und)\s+)?|\s+(?:and|und|plus)\s+)$/iu;
/** “The same in 14 and half that in 16”: two statements, the second of another number. */
export function sameThenMore({ text, start, end }: Span): Span[] | undefined {
  const more = SAME_IN.test(text) ? asManyIn(text, start) : undefined;
  const head = more && text.slice(0, more.at[0] - start);
  const link = head && LINK.exec(head);
  if (!more || !head || !link) return undefined;
  return [
    { text: head.slice(0, link.index), start, end: start + link.index },
    { text: text.slice(more.at[0] - start), start: more.at[0], end },
  ];
}

const SAME_AT_END = /[\s:,]\s*((?:the\s+)?same(?:\s+again)?|dasselbe|das\s+gleiche|dto\.?|dito)\s*[.!]?\s*$/iu;
/** “Half Past Six, olive: same”, “olive the same”: words that name a fly, its colour or its size, and nothing else. */
export function sameAtEnd(o: OrderReading, { text, start }: Span): { at: [number, number]; times: number } | undefined {
  const found = SAME_AT_END.exec(text);
  const { patterns } = o.catalogue;
  const head = new Stretch(text.slice(0, found?.index ?? 0), start).words();
  const named = findExactly(head, patterns, (p) => p.name);
  const rest = head.filter((_, i) => !named || i < named.from || i >= named.to);
  const { isColour, isForm } = wordsOfFlies(patterns);
  const says = (w: string): boolean =>
    isColour(w) || isForm(w) || /^(?:#|in|sizes?|no\.?|gr\.?|\d{1,2}(?:\/0)?)$/iu.test(w);
  if (!found || rest.length === 0 || !rest.every((w) => says(w.text))) return undefined;
  const from = start + found.index + found[0].indexOf(found[1] ?? "");
  return { at: [from, from + (found[1] ?? "").length], times: 1 };
}

/**
 * “3 dz #12, 2 dz #16”, and a line later “same again in brown”: all that the statement before told of its fly, in
 * another colour or size. Of rows, it could be the last alone, or all of them: that is asked.
 */
export function asBefore(
  o: OrderReading,
  made: ReadLine[],
  clause: Span,
  isSame: boolean,
  left: readonly LeftOut[] = [],
): ReadLine[] {
  const [one, another] = made;
  const without = left.flatMap((l) => l.sizes);
  const ahead = isSame && one && !another ? listBefore(o) : [];
  const list = one && ahead.length > 1 ? again(o, one, ahead, without) : undefined;
  if (list) {
    for (const { at, words } of left)
      o.order.understood.push({ field: "size", at, label: words.replace(/^[,\s]+/, "") });
    return list;
  }
  for (const { at, words } of left)
    o.order.doubts.push({ field: "rest", code: "NOT_UNDERSTOOD", details: { words }, at, candidates: [] });
  if (!isSame || !one || another) return made;
  if (ahead.length > 1 && isCountOfSizes(one, ahead)) askHowMany(one, clause);
  const isInRow = ahead[0] && !o.text.slice(ahead[0].at[1], clause.start).includes("\n");
  const rows =
    isInRow || ahead.length > 1 || DITTO.test(clause.text) ? undefined : again(o, one, rowsBefore(o, one), without);
  if (rows) one.doubts.push(ofWhich(o, clause, [one], rows));
  return made;
}

/** Of a fly that is not tied in the sizes of the one before nobody knows which of their numbers is meant. */
const isCountOfSizes = (one: ReadLine, before: readonly ReadLine[]): boolean =>
  before.some((l) => l.pattern !== one.pattern) &&
  new Set(before.map((l) => l.flies)).size > 1 &&
  !one.understood.some((u) => u.field === "size");
function askHowMany(one: ReadLine, { start }: Span): void {
  one.flies = undefined;
  one.understood = one.understood.filter((u) => u.field !== "quantity");
  one.doubts.push({ field: "quantity", code: "HOW_MANY", details: {}, at: [start, start], candidates: [] });
}

const DITTO = /^\s*(?:and\s+|und\s+)?di?t+o/iu;

/** What a line may tell anew of the fly before it. */
const told = ["size", "variant", "form"] as const;

/**
 * All the lines before once more, in the colour, weight or size that this one tells, or of the fly that it names; none
 * where it tells none.
 */
function again(
  { catalogue }: OrderReading,
  one: ReadLine,
  before: readonly ReadLine[],
  without: readonly string[],
): ReadLine[] | undefined {
  if (before.length < 2) return undefined;
  const says = told.filter((f) => one.understood.some((u) => u.field === f));
  if (before.some((l) => l.pattern !== one.pattern)) return ofAnother(catalogue, one, before, without);
  // Where none is said, a size beside others, or they differ in that already, it is of the last of them.
  const isOfLast = says.length === 0 || (says.length > 1 && says.includes("size"));
  if (isOfLast || says.some((said) => new Set(before.map((l) => l[said])).size > 1)) return undefined;
  // What the lines before have of it is no longer open.
  const known = { size: "WHICH_SIZE", variant: "WHICH_COLOUR", form: "WHICH_FORM" };
  const doubts = one.doubts.filter(
    (d) => !Object.entries(known).some(([f, code]) => !says.some((s) => s === f) && d.code === code),
  );
  return before.map(({ flies, size, variant, form }, i) => ({
    ...one,
    doubts,
    ...{ flies, size, variant, form, ...Object.fromEntries(says.map((said) => [said, one[said]])) },
    ...(i > 0 && { understood: [], doubts: [] }),
  }));
}

/** “3 dz Slate Wisp 14 and 2 dz 16; the same of the Tar Pupa, but no 16s”: as many of another fly, size by size. */
function ofAnother(
  { patterns }: Catalogue,
  one: ReadLine,
  before: readonly ReadLine[],
  without: readonly string[],
): ReadLine[] | undefined {
  const fly = patterns.find((p) => p.id === one.pattern);
  const rows = before.filter(({ size }) => size === undefined || !without.includes(size));
  const isOfOne = before.every((l) => l.pattern === before[0]?.pattern);
  const isTied = rows.every(({ size }) => size !== undefined && fly !== undefined && comesIn(size, fly.sizes));
  if (!isOfOne || !isTied || rows.length === 0 || one.understood.some((u) => u.field === "size")) return undefined;
  return rows.map(({ flies, size }, i) => {
    const doubts = one.doubts.filter((d) => d.code !== "WHICH_SIZE");
    return { ...one, flies, size, doubts, ...(i > 0 && { understood: [] }) };
  });
}

const NO_SIZES =
  /,?\s*(?:but\s+)?(?:no|without(?:\s+the)?|not\s+in|aber\s+(?:keine|ohne))\s+(\d{1,2}(?:\/0)?)(?:'?s|er)?(?=\s*(?:[.,;)]|$))/iu;
export interface LeftOut {
  sizes: string[];
  at: [number, number];
  words: string;
}
/** “… but no 16s”: sizes that are left out of what is told once more; they are taken out of its words. */
export function takeLeftOut(stretch: Stretch): LeftOut[] {
  const all: LeftOut[] = [];
  for (let found = stretch.take(NO_SIZES); found; found = stretch.take(NO_SIZES))
    all.push({ sizes: found.words.match(/\d{1,2}(?:\/0)?/g) ?? [], at: found.at, words: found.words });
  return all;
}

const isNamed = (l: ReadLine): boolean => l.understood.some((u) => u.field === "pattern");

/** What the statement before told; lines that go on with a fly of their line of the text belong to it. */
function listBefore({ statements, order, text }: OrderReading): ReadLine[] {
  const last = statements.findLast((s) => s.lines[1] > s.lines[0]);
  if (!last) return [];
  const inLine = statements.filter((s) => s.lines[1] > s.lines[0] && !text.slice(s.at[1], last.at[0]).includes("\n"));
  const lines = order.lines.slice(inLine[0]?.lines[0] ?? last.lines[0], last.lines[1]);
  const named = lines.slice(
    Math.max(
      0,
      lines.findLastIndex((l) => isNamed(l) || SAME_IN.test(l.text)),
    ),
  );
  const own = order.lines.slice(...last.lines);
  const list = own.length > named.length && own.every((l) => l.pattern === own[0]?.pattern) ? own : named;
  // “Ghosts! 4/0, a dozen white, a dozen black”: a name above a list is none of its lines.
  const counted = list.filter((l) => l.flies !== undefined);
  return counted.length > 0 ? counted : list;
}

/** The rows before, back to where another fly begins, or another size or colour where that is what one tells. */
function rowsBefore({ order }: OrderReading, one: ReadLine): ReadLine[] {
  const last = order.lines.at(-1);
  const isAlike = (l: ReadLine): boolean =>
    l.pattern === last?.pattern && told.every((f) => !one.understood.some((u) => u.field === f) || l[f] === last?.[f]);
  return order.lines.slice(order.lines.findLastIndex((l) => !isAlike(l)) + 1).filter((l) => l.flies !== undefined);
}

/** Asked with both answers written out. */
function ofWhich(o: OrderReading, clause: Span, last: readonly ReadLine[], all: readonly ReadLine[]): Doubt {
  const { patterns } = o.catalogue;
  const written = ({ flies = 0, pattern, size, variant, form }: ReadLine): string => {
    const fly = patterns.find((p) => p.id === pattern);
    const names = [
      fly?.name,
      size === undefined ? undefined : `#${size}`,
      (fly?.variants.length ?? 0) > 1 ? fly?.variants.find((v) => v.id === variant)?.name : undefined,
      (fly?.forms.length ?? 0) > 1 ? fly?.forms.find((f) => f.id === form)?.name : undefined,
    ];
    return `${dozensText(flies)} ${names.filter(Boolean).join(" ")}`;
  };
  const answer = (lines: readonly ReadLine[]) => lines.map(written).join("; ");
  return {
    field: "quantity",
    code: "SAME_OF_WHICH",
    details: { words: clause.text, count: all.length },
    at: [clause.start, clause.end],
    candidates: [
      { label: answer(last), text: answer(last) },
      { label: answer(all), text: answer(all) },
    ],
  };
}

/** “and the same in 16, 4 dz Slate Wisp 12”: the same ends where the part begins that tells another fly's number. */
export function sameAhead(o: OrderReading, { text, start, end }: Span): [Span, Span] | undefined {
  if (!SAME_IN.test(text)) return undefined;
  const [first] = quantitiesIn(text, start, o.catalogue);
  const holder = first && commaParts(text, start).find((c) => c.end > first.at[0]);
  if (!first || !holder) return undefined;
  const from = holder.start > start && /\p{L}/u.test(text.slice(0, holder.start - start)) ? holder.start : first.at[0];
  const rest = { text: text.slice(from - start), start: from, end };
  const isAnother =
    namesFlyIn(o, rest.text) || /(?:^|[\s,])(?:plus|and|und|sowie|dazu)\s+$/iu.test(text.slice(0, first.at[0] - start));
  if (from <= start || !isAnother) return undefined;
  const own = text.slice(0, from - start).replace(/(?:[\s,]|\s(?:and|und|plus|also))+$/iu, "");
  return [{ text: own, start, end: start + own.length }, rest];
}

const SAME_BEGINS =
  /[,.]\s*(?=(?:and\s+|und\s+|plus\s+)?(?:the\s+)?(?:same(?:\s+again)?|dasselbe|das\s+gleiche)\s+(?:of|in|with|von|in|mit)\s)/iu;
/** “2 dz in 16, the same of the Tar Pupa”: another fly, as much of it as of the one before. */
export function sameOfAnother(o: OrderReading, { text, start, end }: Span): [Span, Span] | undefined {
  const joint = SAME_BEGINS.exec(text);
  if (!joint) return undefined;
  const from = joint.index + joint[0].length;
  const [head, rest] = [text.slice(0, joint.index), text.slice(from)];
  if (quantitiesIn(head, start, o.catalogue).length === 0 || !namesFlyIn(o, rest)) return undefined;
  if (quantitiesIn(rest, start + from, o.catalogue).length > 0) return undefined;
  return [
    { text: head, start, end: start + joint.index },
    { text: rest, start: start + from, end },
  ];
}

export const aheadOf = ({ start }: Span): { at: [number, number]; times: number } => ({ at: [start, start], times: 1 });
