import { ANY, either, firstsOf, inOrder, waysOf, type Firsts } from "./firsts";

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
const inWord = /[\p{L}\p{N}]/u;
/** A pattern at a place, whole words only; gives the groups that it captured. */
export function match(source: string): Reader<(string | undefined)[]> {
  // Nothing is read where nothing is taken up.
  const firsts: Firsts = { ...firstsOf(source), canBeEmpty: false };
  const begins = asTable(firsts);
  const patternAt = byLetter(source);
  return beginning(firsts, (text, at) => {
    if (begins[text.charCodeAt(at)] === 0) return undefined;
    const pattern = patternAt(text.charCodeAt(at));
    pattern.lastIndex = at;
    const m = pattern.exec(text);
    if (!m || m[0] === "") return undefined;
    if (at > 0 && inWord.test(text[at - 1] ?? "") && inWord.test(m[0][0] ?? "")) return undefined;
    return { value: m.slice(1), end: at + m[0].length };
  });
}

// The end of a word is part of the pattern, so that a shorter alternative does not hide a longer one.
const wholeWords = (source: string): RegExp =>
  new RegExp(`(?:${source})(?:(?<![\\p{L}\\p{N}])|(?![\\p{L}\\p{N}]))`, "iuy");
/** From so many ways on a pattern of those that begin with a letter is quicker than one of all. */
const MANY = 12;
const captures = /(?<!\\)\((?!\?)/;
/** The pattern to try where a character stands: of many ways those that can begin with it, in their order. */
function byLetter(source: string): (code: number) => RegExp {
  const whole = wholeWords(source);
  // What is captured is counted through all ways.
  const ways = captures.test(source) ? [] : waysOf(source).map((way) => ({ way, firsts: firstsOf(way) }));
  if (ways.length < MANY) return () => whole;
  const known: (RegExp | undefined)[] = [];
  return (code) => {
    if (!(code < PLAIN)) return whole;
    const char = String.fromCharCode(code).toLowerCase();
    return (known[code] ??= wholeWords(
      anyOf(...ways.filter(({ firsts }) => canBegin(firsts, char)).map(({ way }) => way)),
    ));
  };
}

/** Of the plain characters, by their codes, whether one can begin there: 1 or 0; all others are not in it. */
const asTable = ({ chars }: Firsts): Uint8Array =>
  Uint8Array.from({ length: PLAIN }, (_, code) =>
    !chars || chars.has(String.fromCharCode(code).toLowerCase()) ? 1 : 0,
  );

/** A reader of which is known with what it begins. */
export function beginning<T>(
  firsts: Firsts | undefined,
  read: (text: string, at: number) => Found<T> | undefined,
): Reader<T> {
  const reader: Reader<T> = read;
  reader.firsts = firsts;
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
export const words = (source: string): Reader<true> => map(match(source), () => true as const);

/** The words themselves, with single blanks. */
export function said(source: string): Reader<string> {
  const pattern = match(source);
  return (text, at) => {
    const m = pattern(text, at);
    return m && { value: text.slice(at, m.end).replace(/\s+/g, " "), end: m.end };
  };
}

export const map = <A, B>(read: Reader<A>, change: (value: A) => B | undefined): Reader<B> =>
  beginning(read.firsts, (text, at) => {
    const found = read(text, at);
    if (!found) return undefined;
    const value = change(found.value);
    return value === undefined ? undefined : { value, end: found.end };
  });

type Values<R extends readonly Reader<unknown>[]> = { [K in keyof R]: R[K] extends Reader<infer T> ? T : never };

/** One after the other, blanks between them. */
export function seq<const R extends readonly Reader<unknown>[]>(...readers: R): Reader<Values<R>> {
  const firsts = inOrder(readers.map((r) => r.firsts));
  return beginning({ ...firsts, canBeEmpty: false }, (text, at) => {
    const values: unknown[] = [];
    let end = at;
    for (const [i, read] of readers.entries()) {
      const next = i === 0 ? end : skipBlanks(text, end);
      // Where no blank stands, there is nothing else to try: most readings end here.
      const found = read(text, next) ?? (next === end ? undefined : read(text, end));
      if (!found) return undefined;
      values.push(found.value);
      end = found.end;
    }
    return end === at ? undefined : { value: values as Values<R>, end };
  });
}

/** It may be there, or not. */
export const opt = <T>(read: Reader<T>): Reader<T | undefined> =>
  beginning<T | undefined>(
    { ...(read.firsts ?? ANY), canBeEmpty: true },
    (text, at) => read(text, skipBlanks(text, at)) ?? { value: undefined, end: at },
  );

/** The first that reads. */
export function oneOf<T>(...readers: Reader<T>[]): Reader<T> {
  const those = byFirst(readers);
  return beginning(either(readers.map((r) => r.firsts)), (text, at) => {
    for (const read of those(text, at)) {
      const found = read(text, at);
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
  const known: (readonly R[] | undefined)[] = [];
  const BLANK = 32;
  return (text, at) => {
    const code = text.charCodeAt(at);
    if (!(code > BLANK && code < PLAIN)) return all;
    return (known[code] ??= all.filter(({ firsts }) => canBegin(firsts, String.fromCharCode(code).toLowerCase())));
  };
}
const canBegin = (firsts: Firsts | undefined, char: string): boolean =>
  firsts === undefined || firsts.canBeEmpty || firsts.chars === undefined || firsts.chars.has(char);

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
