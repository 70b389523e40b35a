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
export type Reader<T> = (text: string, at: number) => Found<T> | undefined;

const blanks = /[\s]*/y;
export function skipBlanks(text: string, at: number): number {
  blanks.lastIndex = at;
  return blanks.exec(text) ? blanks.lastIndex : at;
}

/** Whether a word could go on at this place: the end of a word must not lie within another. */
const inWord = /[\p{L}\p{N}]/u;
/** A pattern at a place, whole words only; gives the groups that it captured. */
export function match(source: string): Reader<(string | undefined)[]> {
  // The end of a word is part of the pattern, so that a shorter alternative does not hide a longer one.
  const pattern = new RegExp(`(?:${source})(?:(?<![\\p{L}\\p{N}])|(?![\\p{L}\\p{N}]))`, "iuy");
  return (text, at) => {
    pattern.lastIndex = at;
    const m = pattern.exec(text);
    if (!m || m[0] === "") return undefined;
    if (at > 0 && inWord.test(text[at - 1] ?? "") && inWord.test(m[0][0] ?? "")) return undefined;
    return { value: m.slice(1), end: at + m[0].length };
  };
}

/**
 * Remembers what was read at each place of the text in hand: numbers, lengths and places are asked for by many
 * clauses at
 * the same place.
 */
export function memo<T>(read: Reader<T>): Reader<T> {
  let known = "";
  let results: (Found<T> | undefined | null)[] = [];
  return (text, at) => {
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
  };
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

export const map =
  <A, B>(read: Reader<A>, change: (value: A) => B | undefined): Reader<B> =>
  (text, at) => {
    const found = read(text, at);
    if (!found) return undefined;
    const value = change(found.value);
    return value === undefined ? undefined : { value, end: found.end };
  };

type Values<R extends readonly Reader<unknown>[]> = { [K in keyof R]: R[K] extends Reader<infer T> ? T : never };

/** One after the other, blanks between them. */
export function seq<const R extends readonly Reader<unknown>[]>(...readers: R): Reader<Values<R>> {
  return (text, at) => {
    const values: unknown[] = [];
    let end = at;
    for (const [i, read] of readers.entries()) {
      const found = read(text, i === 0 ? end : skipBlanks(text, end)) ?? read(text, end);
      if (!found) return undefined;
      values.push(found.value);
      end = found.end;
    }
    return end === at ? undefined : { value: values as Values<R>, end };
  };
}

/** It may be there, or not. */
export const opt =
  <T>(read: Reader<T>): Reader<T | undefined> =>
  (text, at) =>
    read(text, skipBlanks(text, at)) ?? { value: undefined, end: at };

/** The first that reads. */
export const oneOf =
  <T>(...readers: Reader<T>[]): Reader<T> =>
  (text, at) => {
    for (const read of readers) {
      const found = read(text, at);
      if (found) return found;
    }
    return undefined;
  };

/** What reads furthest; the first of them where several do. */
export const longest =
  <T>(...readers: Reader<T>[]): Reader<T> =>
  (text, at) => {
    let best: Found<T> | undefined;
    for (const read of readers) {
      const found = read(text, at);
      if (found && (!best || found.end > best.end)) best = found;
    }
    return best;
  };

/** Only where something else does not follow. */
export const unless =
  <T>(read: Reader<T>, next: Reader<unknown>): Reader<T> =>
  (text, at) => {
    const found = read(text, at);
    return found && !next(text, skipBlanks(text, found.end)) ? found : undefined;
  };

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
