import type { ReadOrder } from "./types";
import { joinedAt, surelyBroken } from "./unbroken";

/** A text as it is read, and where each place of it stands in what was typed. */
export interface Plain {
  text: string;
  typedAt: (at: number) => number;
}

const OTHER_BLANKS = /[\u00A0\u1680\u2000-\u200A\u202F\u205F\u3000]/gu;
const OTHER_APOSTROPHES = /[\u2018\u2019\u02BC\u00B4\u0060]/gu;
/** Rows that are set out in columns: their blanks part cells. */
const COLUMNS = /\t|(?<=\S)[^\S\n]{3,}(?=\S)/u;
/** Two blanks between words, as behind a full stop; and “&”, which is “and”. */
const WIDE = /(?<=\S) {2}(?=\S)/gu;
const NARROW = /(?<=\S) (?=\S)/gu;
const AND = /(?<=\s)&(?=\s)/gu;

/** Whether two blanks part cells: in several rows, of which the words within a cell stand one blank apart. */
function isSetOut(text: string): boolean {
  const count = (of: string, what: RegExp): number => of.match(what)?.length ?? 0;
  const rows = text.split("\n").filter((row) => count(row, WIDE) > 1);
  return COLUMNS.test(text) || (rows.length > 1 && rows.some((row) => count(row, NARROW) > 0));
}

const withoutBreaks = (text: string): string => joinedAt(text, surelyBroken(text));

/**
 * A text without what a mail or a sheet writes otherwise than a keyboard: blanks that hold words together, bent
 * apostrophes, two blanks between words, “&”, lines that were broken.
 */
export function plainly(typed: string): Plain {
  const signs = withoutBreaks(typed.replace(OTHER_BLANKS, " ").replace(OTHER_APOSTROPHES, "'"));
  const wide = isSetOut(signs) ? [] : [...signs.matchAll(WIDE)].map((m) => ({ at: m.index, length: 2, put: " " }));
  const ands = [...signs.matchAll(AND)].map((m) => ({ at: m.index, length: 1, put: "and" }));
  const puts = [...wide, ...ands].sort((a, b) => a.at - b.at);
  if (puts.length === 0) return { text: signs, typedAt: (at) => at };
  const places: number[] = [];
  let text = "";
  let done = 0;
  const copyTo = (end: number): void => {
    text += signs.slice(done, end);
    for (; done < end; done++) places.push(done);
  };
  for (const { at, length, put } of puts) {
    copyTo(at);
    text += put;
    places.push(at, ...Array.from({ length: put.length - 1 }, () => at + length));
    done = at + length;
  }
  copyTo(signs.length);
  return { text, typedAt: (at) => places[at] ?? signs.length };
}

/** Puts all places of an order where its words stand in what was typed. */
export function placedAsTyped(order: ReadOrder, { typedAt }: Plain): void {
  const lines = order.lines.flatMap((l) => [l, ...l.understood, ...l.doubts, ...l.wishes]);
  // One wish may be of several lines.
  for (const placed of new Set([...lines, ...order.asides, ...order.understood, ...order.doubts]))
    placed.at = [typedAt(placed.at[0]), typedAt(placed.at[1])];
}
