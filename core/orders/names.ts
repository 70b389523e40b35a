import { numberOf } from "./numbers";
import { fold, nearest } from "./nearest";
import { remembered } from "./remembered";
import type { Span } from "./spans";

/** From this likeness on a name is taken without a question. */
export const SURE = 0.84;
/** Two names that are so nearly alike could both be meant. */
const APART = 0.04;
const MOST_WORDS = 5;
/** Colours and weights as they are called in German orders, and the other way to write one. */
const colours: Record<string, string> = {
  gray: "grey",
  grau: "grey",
  schwarz: "black",
  weiss: "white",
  weiß: "white",
  rot: "red",
  gelb: "yellow",
  grün: "green",
  gruen: "green",
  braun: "brown",
  rost: "rust",
  blau: "blue",
  rosa: "pink",
  lila: "purple",
  oliv: "olive",
  beige: "tan",
  bernstein: "amber",
  schiefer: "slate",
  perle: "pearl",
  perl: "pearl",
  perlmutt: "pearl",
  silber: "silver",
  kupfer: "copper",
  natur: "natural",
  creme: "cream",
  hase: "hare",
  messing: "brass",
  messingkopf: "brass bead",
  messingperle: "brass bead",
  wolfram: "tungsten",
  tungstenkopf: "tungsten bead",
  weinrot: "claret",
  bordeaux: "claret",
  blk: "black",
  rd: "red",
  grn: "green",
  pnk: "pink",
  wht: "white",
  olv: "olive",
  brn: "brown",
  gry: "grey",
  yel: "yellow",
  wtd: "weighted",
  wgtd: "weighted",
  unwtd: "unweighted",
  beschwert: "weighted",
  unbeschwert: "unweighted",
};
/** The word as the names have it; of several with a stroke between them each. */
export const plainColour = remembered((word): string => word.split("/").map(plainOne).join("/"));
const plainOne = (word: string): string =>
  colours[
    word
      .toLowerCase()
      .replace(/(?<=\p{L}{3})(?:farben|colou?red)(?:e[nrsm]?)?$/u, "")
      .replace(/(?<=(?:rot|gelb|grün|braun|blau|grau|schwarz|weiß))e[nrsm]?$/u, "")
  ] ?? word;

export interface NameFound<T> {
  item: T;
  from: number;
  to: number;
  like: number;
  /** Another name is as near: it is asked about. */
  isUnclear: boolean;
}

/** The longest run of words that is (nearly) one of the names; undefined when nothing comes close. */
export function findName<T>(
  words: Span[],
  all: readonly T[],
  nameOf: (t: T) => string,
  least: number,
): NameFound<T> | undefined {
  return findExactly(words, all, nameOf) ?? nearly(words, all, nameOf, least);
}

const runOf = (words: Span[], from: number, to: number): string =>
  words
    .slice(from, to)
    .map((w) => w.text)
    .join(" ");

/** Names by their folded form, made once for each list. */
const indexes = new WeakMap<object, Map<string, unknown>>();
function indexOf<T>(all: readonly T[], nameOf: (t: T) => string): Map<string, T> {
  const known = indexes.get(all) as Map<string, T> | undefined;
  if (known) return known;
  const made = new Map<string, T>();
  for (const item of all) if (!made.has(fold(nameOf(item)))) made.set(fold(nameOf(item)), item);
  indexes.set(all, made);
  return made;
}

/** The longest run of words that is one of the names, but for capitals and signs. */
export function findExactly<T>(words: Span[], all: readonly T[], nameOf: (t: T) => string): NameFound<T> | undefined {
  const index = indexOf(all, nameOf);
  for (let length = Math.min(MOST_WORDS, words.length); length > 0; length--)
    for (let from = 0; from + length <= words.length; from++) {
      const text = fold(runOf(words, from, from + length));
      const item = text === "" ? undefined : index.get(text);
      if (item !== undefined) return { item, from, to: from + length, like: 1, isUnclear: false };
    }
  return undefined;
}

function nearly<T>(
  words: Span[],
  all: readonly T[],
  nameOf: (t: T) => string,
  least: number,
): NameFound<T> | undefined {
  let best: NameFound<T> | undefined;
  for (let from = 0; from < words.length; from++)
    for (let to = Math.min(words.length, from + MOST_WORDS); to > from; to--) {
      const [hit, rival] = nearest(runOf(words, from, to), all, nameOf, { most: 2, least });
      if (!hit) continue;
      const isBetter =
        !best || hit.like > best.like + 1e-9 || (hit.like === best.like && to - from > best.to - best.from);
      if (isBetter) best = { ...hit, from, to, isUnclear: rival !== undefined && hit.like - rival.like < APART };
    }
  return best;
}

/** Of fewer letters, a word of a name is that of too many other things. */
const LEAST_OF_NAME = 3;
const singular = (word: string): string[] => [word, ...(/[^s]s$/.test(word) ? [word.slice(0, -1)] : [])];

/** Which items have a word in their names, made once for each list. */
const byWord = new WeakMap<object, Map<string, unknown[]>>();
function holders<T>(all: readonly T[], nameOf: (t: T) => string): Map<string, T[]> {
  const known = byWord.get(all) as Map<string, T[]> | undefined;
  if (known) return known;
  const made = new Map<string, T[]>();
  for (const item of all)
    for (const word of new Set(fold(nameOf(item)).split(" ").flatMap(singular)))
      made.set(word, [...(made.get(word) ?? []), item]);
  byWord.set(all, made);
  return made;
}

/**
 * Words that only one of the names has: “the Lodgers”, “Quayhead”. The longest run of such words, with other words of
 * that name between and beside them.
 *
 * @param leads whether a word of that name may stand for it alone
 */
export function findShort<T>(
  words: Span[],
  all: readonly T[],
  nameOf: (t: T) => string,
  leads: (word: string, name: string[]) => boolean,
): NameFound<T> | undefined {
  const index = holders(all, nameOf);
  const found = words.flatMap((w, at) => {
    // “six for 12 April” counts, also where a fly is called after an hour.
    if (numberOf(w.text) !== undefined) return [];
    const forms = singular(fold(w.text)).filter((f) => f.length >= LEAST_OF_NAME);
    const form = forms.find((f) => index.get(f)?.length === 1);
    const item = form === undefined ? undefined : index.get(form)?.[0];
    if (item === undefined || form === undefined) return [];
    const name = fold(nameOf(item)).split(" ");
    return leads(form, name) ? [{ item, at, name }] : [];
  });
  const [first] = found;
  if (!first || found.some((f) => f.item !== first.item)) return undefined;
  const isOwn = (i: number): boolean =>
    words[i] !== undefined && singular(fold(words[i].text)).some((f) => first.name.flatMap(singular).includes(f));
  let from = first.at;
  let to = first.at + 1;
  while (isOwn(from - 1)) from--;
  while (isOwn(to)) to++;
  return { item: first.item, from, to, like: 1, isUnclear: false };
}

/** The items in whose names a word stands, also where it names several. */
export const namedWith = <T>(word: string, all: readonly T[], nameOf: (t: T) => string): readonly T[] => {
  const index = holders(all, nameOf);
  const form = singular(fold(word)).find((f) => f.length >= LEAST_OF_NAME && index.has(f));
  return form === undefined ? [] : (index.get(form) ?? []);
};

/** Whether a word stands in any of the names. */
export const isInName = <T>(word: string, all: readonly T[], nameOf: (t: T) => string): boolean =>
  holders(all, nameOf).has(word);

/** Whether a word of a name is its noun: what stands before it only says which. */
export const isNoun = (word: string, name: string[]): boolean => singular(name.at(-1) ?? "").includes(word);

export const isSure = (found: NameFound<unknown> | undefined): boolean =>
  found !== undefined && found.like >= SURE && !found.isUnclear;
