import { DomainError } from "../errors";
import { isHookSize, normalSize, sizesBetween, sizeWithin } from "../hooks";
import { allOf, englishOnes, englishTens } from "../numeric";
import { MONTH } from "./dates";
import type { Stretch } from "./stretch";

/**
 * Whether a fly comes in a size; one that says none, as it is not complete, may be asked for in any. A number in which
 * no hook is made is no size.
 */
export const comesIn = (size: string, sizes: Sizes): boolean =>
  isHookSize(size) && (sizes.from === "" || sizes.to === "" || sizeWithin(size, sizes));

/** A word as a hook size; undefined when it is none. */
export function sizeOf(word: string): string | undefined {
  try {
    return normalSize(word.replace(/^(?:sizes?|sz|#)\s*\.?/i, "").replace(/(?:'?s|er)$/i, ""));
  } catch (error) {
    if (error instanceof DomainError) return undefined;
    throw error;
  }
}

/** Sizes that are written out. */
const spelled: Record<string, string> = {
  ...Object.fromEntries(Object.entries({ ...englishOnes, ...englishTens }).map(([word, n]) => [word, String(n)])),
  zehn: "10",
  zwölf: "12",
  vierzehn: "14",
  sechzehn: "16",
  achtzehn: "18",
  zwanzig: "20",
};
const SPELLED = Object.keys(spelled)
  .sort((a, b) => b.length - a.length)
  .join("|");
/** “two dozen tens” */
const spelledMany: Record<string, string> = {
  sixes: "6",
  eights: "8",
  tens: "10",
  twelves: "12",
  fourteens: "14",
  sixteens: "16",
  eighteens: "18",
  twenties: "20",
};
const many = new RegExp(`(?<!\\p{L})(${Object.keys(spelledMany).join("|")})(?!\\p{L})`, "iu");
const spelledOut = new RegExp(`(?<!\\p{L})(?:sizes?|sz|gr(?:öße|\\.)?|hook)\\s+(${SPELLED})(?!\\p{L})`, "iu");

const SIZE = String.raw`\d{1,2}(?:\s?\/\s?0(?!\d))?(?:'?s|er)?(?![\p{L}\d%])`;
const MARK = String.raw`(?:#|(?:sizes?|sz|nos?(?!\s+\d{1,2}'?s(?![\p{L}\d]))|nr|gr|(?:haken)?größen?|groessen?|hook)(?!\p{L})\.?:?)\s*#?`;
const FREE = String.raw`(?<![\p{L}\d.,/#-])`;
const list = new RegExp(
  `${FREE}(?:${MARK})?(${SIZE}(?:\\s*(?:\\/|,|&|\\+|and|und|oder|or)[\\s\uE000]*(?:(?<=\uE000\\s*)(?:in|on)\\s+)?#?${SIZE}|\\s+#\\s?${SIZE})+)`,
  "iu",
);
/** “12s 14s 16s”, “12 14 16”: nothing between them, each a step above the one before. */
const row = new RegExp(
  `${FREE}(?:${MARK})?(\\d{1,2}'?s(?:\\s+\\d{1,2}'?s)+|\\d{1,2}(?:\\s+\\d{1,2}){2,})(?![\\p{L}\\d%/])`,
  "iu",
);
/** “12-14-16”: three or more are a list, two are a range. */
const chain = new RegExp(`${FREE}(?:${MARK})?(${SIZE}(?:\\s*[-–]\\s*#?${SIZE}){2,})`, "iu");
const range = new RegExp(`${FREE}(?:${MARK})?(${SIZE})\\s*(?:-|–|to|bis|through)\\s*#?(${SIZE})`, "iu");
/** “any size between 12 and 16” */
const anyBetween = new RegExp(
  `(?:(?:in\\s+)?any\\s+)?sizes?\\s+(?:between|from|zwischen)\\s+#?(${SIZE})\\s*(?:and|to|und|bis|-)\\s*#?(${SIZE})`,
  "iu",
);
const marked = new RegExp(`${FREE}${MARK}(\\d{1,2}(?:\\s?\\/\\s?\\d{1,2})?)(?:'?s|er)?(?![\\p{L}\\d])`, "iu");
const bare = new RegExp(`${FREE}(${SIZE})`, "giu");
const broken = new RegExp(`${FREE}(\\d{1,2}\\s?\\/\\s?\\d{1,2})(?!\\d)`, "iu");
const unlikeSize = new RegExp(`^\\s*(?:%|€|\\$|eur|${MONTH})`, "iu");

export interface SizesRead {
  at: [number, number];
  words: string;
  /** None when the words are no size of any hook. */
  sizes: string[];
  /** From one to another: which of them is meant by how many is asked. */
  isRange: boolean;
}
type Sizes = { from: string; to: string };

/** The sizes that a stretch names: a list, a range, or one; and where they stand. */
export function takeSizes(stretch: Stretch, of: Sizes | undefined): SizesRead | undefined {
  const fits = (size: string | undefined): size is string =>
    size !== undefined && (of === undefined || comesIn(size, of));
  const chained = stretch.find(chain);
  const links = chained && (chained.groups[1] ?? "").split(/\s*[-–]\s*#?/).map(sizeOf);
  if (chained && links?.every(fits)) {
    stretch.takeOut(chained.at);
    return { at: chained.at, words: chained.words, sizes: [...new Set(links)].filter(fits), isRange: false };
  }
  const between = stretch.find(anyBetween) ?? stretch.find(range);
  if (between) {
    const [from, to] = [sizeOf(between.groups[1] ?? ""), sizeOf(between.groups[2] ?? "")];
    if (fits(from) && fits(to) && from !== to) {
      stretch.takeOut(between.at);
      return { at: between.at, words: between.words, sizes: sizesBetween({ from, to }), isRange: true };
    }
  }
  const several = stretch.find(list);
  if (several) {
    const sizes = listed(several.groups[1] ?? "");
    if (sizes.length > 1 && sizes.every(fits)) {
      stretch.takeOut(several.at);
      return { at: several.at, words: several.words, sizes: [...new Set(sizes)].filter(fits), isRange: false };
    }
  }
  const steps = stretch.find(row);
  const inRow = steps && (steps.groups[1] ?? "").split(/\s+/);
  if (steps && inRow && isRow(inRow)) {
    const sizes = inRow.map(sizeOf);
    if (sizes.every(fits)) {
      stretch.takeOut(steps.at);
      return { at: steps.at, words: steps.words, sizes, isRange: false };
    }
  }
  return takeOne(stretch, fits);
}
const isRow = (words: string[]): boolean =>
  words.every((w, i) => i === 0 || parseInt(w) === parseInt(words[i - 1] ?? "") + 2);

const listed = (text: string): (string | undefined)[] =>
  text.split(/\s*(?:\/(?!\s?0(?!\d))|,|&|\+|and|und|oder|or)[\s\uE000]*(?:(?:in|on)\s+)?#?|\s+#\s?/i).map(sizeOf);

/** A marked size before a bare one; of bare numbers the first that the pattern comes in. */
function takeOne(stretch: Stretch, fits: (size: string | undefined) => size is string): SizesRead | undefined {
  const plural = stretch.take(many);
  if (plural) {
    const size = spelledMany[(plural.groups[1] ?? "").toLowerCase()] ?? "";
    return { at: plural.at, words: plural.words, sizes: [size], isRange: false };
  }
  const word = stretch.take(spelledOut);
  if (word)
    return {
      at: word.at,
      words: word.words,
      sizes: [spelled[(word.groups[1] ?? "").toLowerCase()] ?? ""],
      isRange: false,
    };
  const one = stretch.take(marked);
  if (one) {
    const size = sizeOf(one.groups[1] ?? "");
    return { at: one.at, words: one.words, sizes: size === undefined ? [] : [size], isRange: false };
  }
  const odd = stretch.find(broken);
  if (odd && sizeOf(odd.groups[1] ?? "") === undefined) {
    stretch.takeOut(odd.at);
    return { at: odd.at, words: odd.words, sizes: [], isRange: false };
  }
  const all = allOf(bare, stretch.left)
    .filter((m) => !unlikeSize.test(stretch.left.slice(m.index + m[0].length)))
    .map((m) => ({
      size: sizeOf(m[1] ?? ""),
      words: m[0],
      at: [stretch.start + m.index, stretch.start + m.index + m[0].length] as [number, number],
    }));
  const found = all.find((a) => fits(a.size)) ?? all[0];
  if (!found) return undefined;
  stretch.takeOut(found.at);
  return { at: found.at, words: found.words, sizes: found.size === undefined ? [] : [found.size], isRange: false };
}
