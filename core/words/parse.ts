import { either, firstsOf, inOrder, never, once, optional, waysOf, type Firsts } from "./firsts";
import { BLANK as A_BLANK, canStart } from "./starts";

/**
 * Small readers that are put together: each reads one thing at a place of a text, or nothing. Texts are in small
 * letters
 * and as long as what was typed, so that places hold in both.
 */
export interface Found<T> {
  value: T;
  /** Where it ends. */
  end: number;
}
export interface Reader<T> {
  (text: string, at: number): Found<T> | undefined;
  /** With what it can begin, where that is known. */
  firsts?: Firsts;
  /** The same reader, for those who have looked already whether it can begin here. */
  tried?: (text: string, at: number) => Found<T> | undefined;
}

const PLAIN = 128;
const [BLANK, TAB, RETURN] = [32, 9, 13];
export function skipBlanks(text: string, at: number): number {
  let end = at;
  for (; end < text.length; end++) {
    const code = text.charCodeAt(end);
    const isPlain = code === BLANK || (code >= TAB && code <= RETURN);
    if (!isPlain && (code < PLAIN || !/\s/.test(text[end] ?? ""))) break;
  }
  return end;
}

/** A pattern of several ways to say it; the first that fits is taken. */
export const anyOf = (...sources: string[]): string => sources.join("|");

/** Whether a word could go on at this place: the end of a word must not lie within another. */
const isInWord = (text: string, at: number): boolean => {
  const code = text.charCodeAt(at);
  if (code < PLAIN) return (code >= 97 && code <= 122) || (code >= 48 && code <= 57) || (code >= 65 && code <= 90);
  return inWord.test(text[at] ?? "");
};
const inWord = /[\p{L}\p{N}]/u;
/** A pattern at a place, whole words only; gives the groups that it captured. */
export const match = (source: string): Reader<(string | undefined)[]> => matching(source, (m) => m.slice(1));

/** A pattern at a place, with what is made of its match. */
function matching<T>(source: string, valueOf: (m: RegExpExecArray) => T): Reader<T> {
  // Nothing is read where nothing is taken up.
  const firsts = never(firstsOf(source));
  const patternAt = byStart(source);
  const isStart = startTable(firsts);
  const tried = (text: string, at: number): Found<T> | undefined => {
    const pattern = patternAt(text, at);
    if (!pattern) return undefined;
    pattern.lastIndex = at;
    const m = pattern.exec(text);
    if (!m || m[0] === "") return undefined;
    if (at > 0 && isInWord(text, at - 1) && isInWord(text, at)) return undefined;
    return { value: valueOf(m), end: at + m[0].length };
  };
  return beginning(firsts, (text, at) => (isStart(text, at) ? tried(text, at) : undefined), tried);
}

/**
 * Letters and numbers of all scripts, as ranges: nearly those of Unicode's own classes, which take a hundred times as
 * long to compile as they do to match. Texts are in small letters, so that case need not be looked at either.
 */
const LETTERS =
  "a-z\\u00aa\\u00b5\\u00ba\\u00c0-\\u00d6\\u00d8-\\u00f6\\u00f8-\\u1fff\\u2c00-\\u2dff\\u3040-\\ud7ff\\uf900-\\ufdff";
const NUMBERS = "0-9\\u00b2\\u00b3\\u00b9\\u00bc-\\u00be\\u2070-\\u2079\\u2080-\\u2089\\u2150-\\u218b";
const bracketOrClass = /\\p\{([LN])\}|\\[^]|[[\]]/g;
/** A source with these ranges in place of the classes; a bracket is put round them where none is. */
function inRanges(source: string): string {
  let isInClass = false;
  return source.replace(bracketOrClass, (found: string, unicode?: string) => {
    if (found === "[") isInClass = true;
    if (found === "]") isInClass = false;
    if (unicode === undefined) return found;
    const ranges = unicode === "L" ? LETTERS : NUMBERS;
    return isInClass ? ranges : `[${ranges}]`;
  });
}
const AT_END = `(?:(?<![${LETTERS}${NUMBERS}])|(?![${LETTERS}${NUMBERS}]))`;
// The end of a word is part of the pattern, so that a shorter alternative does not hide a longer one.
function wholeWords(source: string): RegExp {
  const ranged = inRanges(source);
  // What names no class of Unicode's is compiled in half the time without it.
  return new RegExp(`(?:${ranged})${AT_END}`, /\\p\{/i.test(ranged) ? "uy" : "y");
}
/** From so many ways on a pattern of those that can begin at a place is quicker than one of all. */
const MANY = 6;
const captures = /(?<!\\)\((?!\?)/;
/** The pattern to try at a place: of many ways those that can begin with its two characters, in their order. */
function byStart(source: string): (text: string, at: number) => RegExp | undefined {
  const whole = once(() => wholeWords(source));
  // What is captured is counted through all ways.
  const found = captures.test(source) ? [] : waysOf(source);
  if (found.length < MANY) return whole;
  const ways = found.map((way) => ({ way, firsts: firstsOf(way) }));
  const plain: (RegExp | false | undefined)[] = [];
  const others = new Map<string, RegExp | false>();
  const patternOf = (first: string, second: string): RegExp | false => {
    const those = ways.filter(({ firsts }) => canStart(firsts(), first, second));
    return those.length > 0 && wholeWords(anyOf(...those.map(({ way }) => way)));
  };
  // A pattern of all ways takes a thousand times as long to compile as to try: signs that no way names are as one.
  const charAt = (text: string, at: number): string => {
    const own = text[at] ?? OTHER;
    return plainAt(text, at) ?? (/\s/.test(own) ? A_BLANK : source.includes(own) ? own : OTHER);
  };
  return (text, at) => {
    const [first, second] = [text.charCodeAt(at), text.charCodeAt(at + 1)];
    if (first < PLAIN && second < PLAIN)
      return (plain[first * PLAIN + second] ??= patternOf(charAt(text, at), charAt(text, at + 1))) || undefined;
    const pair = charAt(text, at) + charAt(text, at + 1);
    const pattern = others.get(pair) ?? patternOf(charAt(text, at), charAt(text, at + 1));
    others.set(pair, pattern);
    return pattern || undefined;
  };
}
/** A character that stands in no pattern: what is at the end of a text, and every sign that the ways do not name. */
const OTHER = "\u0001";

/** The next character as the starts have it; undefined where it is none that is plain. */
function plainAt(text: string, at: number): string | undefined {
  const code = text.charCodeAt(at);
  if (!(code < PLAIN)) return undefined;
  return code === BLANK || (code >= TAB && code <= RETURN) ? A_BLANK : (text[at] ?? "").toLowerCase();
}
const [UNKNOWN, YES, NO] = [0, 1, 2];
/** So many patterns have room in a row; it grows with them. */
const ROOM = 4096;
/**
 * For each two characters a row of all patterns: hundreds of them are asked at one place of a text, and so look into
 * one small piece of memory.
 */
const rows: (Uint8Array | undefined)[] = [];
let patterns = 0;
function rowOf(pair: number): Uint8Array {
  const before = rows[pair];
  const row = new Uint8Array(Math.max(ROOM, 2 * patterns));
  if (before) row.set(before);
  rows[pair] = row;
  return row;
}
/** Whether one can begin with the two characters at a place, worked out once for each two. */
function startTable(firsts: Firsts): (text: string, at: number) => boolean {
  const own = patterns++;
  return (text, at) => {
    const [first, second] = [text.charCodeAt(at), text.charCodeAt(at + 1)];
    if (!(first < PLAIN && second < PLAIN)) return canStart(firsts(), plainAt(text, at), plainAt(text, at + 1));
    const pair = first * PLAIN + second;
    const found = rows[pair]?.[own] ?? UNKNOWN;
    if (found !== UNKNOWN) return found === YES;
    const isStart = canStart(firsts(), plainAt(text, at), plainAt(text, at + 1));
    const row = rows[pair];
    (row && own < row.length ? row : rowOf(pair))[own] = isStart ? YES : NO;
    return isStart;
  };
}

/** A reader of which is known with what it begins. */
export function beginning<T>(
  firsts: Firsts | undefined,
  read: (text: string, at: number) => Found<T> | undefined,
  tried = read,
): Reader<T> {
  const reader: Reader<T> = read;
  reader.firsts = firsts;
  reader.tried = tried;
  return reader;
}

/**
 * Remembers what was read at each place of the text in hand: numbers, lengths and places are asked for by many
 * clauses at
 * the same place.
 */
export function memo<T>(read: Reader<T>): Reader<T> {
  let known = "";
  let results: (Found<T> | undefined | null)[] = [];
  return beginning(read.firsts, (text, at) => {
    if (text !== known) {
      known = text;
      results = [];
    }
    const before = results[at];
    if (before !== undefined) return before ?? undefined;
    const found = read(text, at);
    // A reader may have gone to another text meanwhile, through one that calls this again.
    if (text === known) results[at] = found ?? null;
    return found;
  });
}

/** Words that carry no value: their presence is all that counts. */
export const words = (source: string): Reader<true> => matching(source, () => true as const);

/** The words themselves, with single blanks. */
export function said(source: string): Reader<string> {
  const pattern = match(source);
  return (text, at) => {
    const m = pattern(text, at);
    return m && { value: text.slice(at, m.end).replace(/\s+/g, " "), end: m.end };
  };
}

export function map<A, B>(read: Reader<A>, change: (value: A) => B | undefined): Reader<B> {
  const changed = (found: Found<A> | undefined): Found<B> | undefined => {
    if (!found) return undefined;
    const value = change(found.value);
    return value === undefined ? undefined : { value, end: found.end };
  };
  const { tried = read } = read;
  return beginning(
    read.firsts,
    (text, at) => changed(read(text, at)),
    (text, at) => changed(tried(text, at)),
  );
}

type Values<R extends readonly Reader<unknown>[]> = { [K in keyof R]: R[K] extends Reader<infer T> ? T : never };

const MAYBE_BLANK: ReadonlySet<string> = new Set(["", A_BLANK, A_BLANK + A_BLANK]);
/** One after the other, blanks between them. */
export function seq<const R extends readonly Reader<unknown>[]>(...readers: R): Reader<Values<R>> {
  const firsts = inOrder(
    readers.map((r) => r.firsts),
    MAYBE_BLANK,
  );
  const [first, ...others] = readers;
  const goOn = (text: string, at: number, begun: Found<unknown> | undefined): Found<Values<R>> | undefined => {
    if (!begun) return undefined;
    const values: unknown[] = [begun.value];
    let { end } = begun;
    for (const read of others) {
      const next = skipBlanks(text, end);
      // Where no blank stands, there is nothing else to try: most readings end here.
      const found = read(text, next) ?? (next === end ? undefined : read(text, end));
      if (!found) return undefined;
      values.push(found.value);
      end = found.end;
    }
    return end === at ? undefined : { value: values as Values<R>, end };
  };
  return beginning(
    never(firsts),
    (text, at) => goOn(text, at, first?.(text, at)),
    (text, at) => goOn(text, at, (first?.tried ?? first)?.(text, at)),
  );
}

/** It may be there, or not. */
export const opt = <T>(read: Reader<T>): Reader<T | undefined> =>
  beginning<T | undefined>(
    optional(read.firsts, MAYBE_BLANK),
    (text, at) => read(text, skipBlanks(text, at)) ?? { value: undefined, end: at },
  );

/** The first that reads. */
export function oneOf<T>(...readers: Reader<T>[]): Reader<T> {
  const those = byFirst(readers);
  return beginning(either(readers.map((r) => r.firsts)), (text, at) => {
    for (const read of those(text, at)) {
      const found = (read.tried ?? read)(text, at);
      if (found) return found;
    }
    return undefined;
  });
}

/**
 * Of several the ones that can begin at a place, in their order. Where a blank stands, or a character that is not
 * plain, that is all of them: some read on behind the blank.
 */
export function byFirst<R extends { firsts?: Firsts }>(all: readonly R[]): (text: string, at: number) => readonly R[] {
  const known: ((readonly R[] | undefined)[] | undefined)[] = [];
  const those = (text: string, at: number): readonly R[] =>
    all.filter(({ firsts }) => !firsts || canStart(firsts(), plainAt(text, at), plainAt(text, at + 1)));
  return (text, at) => {
    const [first, second] = [text.charCodeAt(at), text.charCodeAt(at + 1)];
    if (!(first > BLANK && first < PLAIN)) return all;
    const row = (known[first] ??= []);
    return (row[second < PLAIN ? second : PLAIN] ??= those(text, at));
  };
}

/** Only where something else does not follow. */
export const unless = <T>(read: Reader<T>, next: Reader<unknown>): Reader<T> =>
  beginning(read.firsts, (text, at) => {
    const found = read(text, at);
    return found && !next(text, skipBlanks(text, found.end)) ? found : undefined;
  });

/** The value of the whole text, or undefined where something else stands in it. */
export function whole<T>(read: Reader<T>, text: string): T | undefined {
  const clean = plain(text);
  const begin = skipBlanks(clean, 0);
  const found = read(clean, begin);
  return found && skipBlanks(clean, found.end) === clean.length ? found.value : undefined;
}

const signs: Record<string, string> = {
  "–": "-",
  "—": "-",
  "−": "-",
  "’": "'",
  "‘": "'",
  "“": '"',
  "”": '"',
  "×": "x",
};
const toPlain = /[–—−’‘“”×]|\p{Lu}/gu;

/** A text in small letters with the plain signs, of the same length. */
export const plain = (text: string): string =>
  text.replace(toPlain, (c) => {
    const small = signs[c] ?? c.toLowerCase();
    return small.length === c.length ? small : c;
  });
