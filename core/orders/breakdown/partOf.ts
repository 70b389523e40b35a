import { numberOf } from "../numbers";
import { findWish } from "../wishes";
import { fliesOfNouns, wordsOfFlies } from "../flyWords";
import type { Quantity } from "../quantity";
import type { Catalogue } from "../types";
import { OF_EACH, SIZES_TOLD, OF_WHICH } from "./words";
import { sumOf, type Breakdown, type Counted } from "./types";

const OF_THEM = /^\s*(?:of\s+(?:them|which|these|those)|thereof|davon)(?!\p{L})(?=[^,;.]*\p{L})/iu;
/** “… half of them barbless” */
const HALF_OF_THEM =
  /(?<!\p{L})(?:(?:and|but|with|und)\s+)?(?:one\s+)?(?:half|die\s+hälfte)\s+(?:of\s+(?:them|these|those|which)|davon)(?!\p{L})/iu;
/** “… 2 dz, half barbless”, “of which half barbless”: right ahead of what is wished. */
const HALF_ALONE =
  /(?<=[,(]\s*)(?:(?:and|but|with|und)\s+)?(?:(?:of\s+which|davon)\s+)?(?:half|die\s+hälfte|zur\s+hälfte)(?=\s)|(?:of\s+which|davon)\s+(?:half|die\s+hälfte|zur\s+hälfte)(?=\s)/iu;
/** Half of a quantity, where words say that of half of it something is wished. */
function halfOf({ text, start, quantities: [total], catalogue }: Counted): Breakdown | undefined {
  const alone = HALF_OF_THEM.test(text) ? null : HALF_ALONE.exec(text);
  const half = alone ?? HALF_OF_THEM.exec(text);
  const from = start + (half?.index ?? 0);
  if (!half || total?.flies === undefined || total.flies % 2 !== 0 || from < total.at[1]) return undefined;
  // “3 dz each in 12 and 14, half of them barbless”: half of each, or of all?
  const { isColour, isForm } = wordsOfFlies(catalogue.patterns);
  const colours = new Set((text.toLowerCase().match(/[\p{L}-]+/gu) ?? []).filter(isColour));
  if (OF_EACH.test(text) || SIZES_TOLD.test(text) || colours.size > 1) return undefined;
  const words: [number, number] = [from, from + half[0].length];
  const behind = text.slice(words[1] - start);
  const wish = findWish(behind, 0);
  // “Half of them unweighted”
  const form = /^\s*([\p{L}-]+)\s*(?=[,.;]|$)/u.exec(behind)?.[1];
  // “Half weighted, half not” tells both.
  const isOfForm =
    form !== undefined &&
    isForm(form.toLowerCase()) &&
    !/(?<!\p{L})(?:half|hälfte|rest|others?)(?!\p{L})/iu.test(behind);
  if (!isOfForm && (!wish || (alone && wish.at[0] > 1))) return undefined;
  const flies = total.flies / 2;
  return toldApart(
    [
      { ...total, flies },
      { at: words, flies, isPart: true },
    ],
    words,
  );
}
const toldApart = (parts: Quantity[], words: [number, number]): Breakdown => ({
  parts,
  words,
  label: "of them",
  until: parts.at(-1),
});

/**
 * “8 dz Copper Lodger 14 olive, of which 2 dz unweighted”: what is left of the first quantity, and the part of it that
 * is told apart, with the words that say so; of several quantities the last two.
 */
export function partOf(counted: Counted): Breakdown | undefined {
  const { quantities } = counted;
  if (quantities.length < 2) return halfOf(counted);
  for (let i = quantities.length - 1; i > 0; i--) {
    const found = partAt(counted, i);
    if (found) return found;
  }
  return undefined;
}

/** The same, where the part is the quantity with this number. */
function partAt({ text, start, quantities, catalogue }: Counted, i: number): Breakdown | undefined {
  const [total, counted] = quantities.slice(i - 1);
  if (counted === undefined || total?.flies === undefined) return undefined;
  const after = text.slice(counted.at[1] - start, (quantities[i + 1]?.at[0] ?? start + text.length) - start);
  const behind = OF_THEM.exec(after);
  const isOfThem = behind !== null || OF_WHICH.test(text.slice(0, counted.at[0] - start));
  const part = inFlies(counted, text.slice(counted.at[0] - start, counted.at[1] - start), total.flies, isOfThem);
  if (part?.flies === undefined || part.flies >= total.flies) return undefined;
  const before = text.slice(0, part.at[0] - start);
  // “3 dz Dusk Sedge 14 (one dozen barbless)”: in brackets alone, with nothing but a wish.
  const inside = /^([^()]*)\)/u.exec(after)?.[1] ?? "";
  const isOpen = !text.slice(total.at[1] - start, part.at[0] - start).includes(")");
  const isAside = isOpen && findWish(inside, 0) !== undefined && !tellsKind(inside, catalogue);
  const ahead = OF_WHICH.exec(before) ?? (isAside ? IN_BRACKETS.exec(before) : null);
  const said = behind ? after.slice(behind[0].length) : after;
  if ((!behind && !ahead) || !tellsApart(said, catalogue)) return undefined;
  const words: [number, number] = behind
    ? [part.at[1], part.at[1] + behind[0].length]
    : [start + (ahead?.index ?? 0), part.at[0]];
  const all = [part, ...(behind ? [] : alsoTold({ text, start, quantities, catalogue }, i + 1))];
  const left = total.flies - sumOf(all);
  if (left < 0) return undefined;
  const parts = [
    ...quantities.slice(0, i - 1),
    ...(left > 0 ? [{ ...total, flies: left }] : []),
    ...all.map((q) => ({ ...q, isPart: true })),
    ...quantities.slice(i + all.length),
  ];
  // Of what comes to the whole nothing is left that the whole would count.
  const next = quantities[i + all.length]?.at[0];
  return {
    ...toldApart(parts, words),
    until: all.at(-1),
    ...(next !== undefined && { next }),
    ...(left === 0 && { whole: total.at }),
  };
}

/**
 * A part as so many flies. “2 of them” may be two flies or two dozens, and is asked; “two dozen, 6 of them” are six
 * flies.
 */
function inFlies(part: Quantity, words: string, total: number, isOfThem: boolean): Quantity | undefined {
  const count = numberOf(words);
  if (count !== undefined && isOfThem && count > total / DOZEN) return { at: part.at, flies: count };
  return /\p{L}/u.test(words) ? part : undefined;
}
const DOZEN = 12;

const IN_BRACKETS = /\(\s*(?:only\s+|just\s+|nur\s+)?$/iu;

/** Whether words name a colour or a weight. */
const tellsKind = (words: string, { patterns }: Catalogue): boolean => {
  const { isColour, isForm } = wordsOfFlies(patterns);
  return (words.match(/[\p{L}-]+/gu) ?? []).some((w) => isColour(w) || isForm(w));
};

/** Whether words say what sets a part apart: a wish, a colour or a weight. */
export const tellsApart = (words: string, catalogue: Catalogue): boolean =>
  findWish(words, 0) !== undefined || tellsKind(words, catalogue);

/** “…, of which 4 dz red and 6 dz black”: the parts behind the first that tell of no other fly. */
function alsoTold({ text, start, quantities, catalogue }: Counted, from: number): Quantity[] {
  const behind = quantities.slice(from);
  const end = behind.findIndex((q, n) => {
    const begin = (quantities[from + n - 1]?.at[1] ?? q.at[0]) - start;
    const said = text.slice(begin, (behind[n + 1]?.at[0] ?? start + text.length) - start);
    const [ahead, after] = [said.slice(0, q.at[0] - start - begin), said.slice(q.at[1] - start - begin)];
    // “Six dozen”: a number is no fly, whatever one is called.
    const isOfAnother = fliesOfNouns(`${ahead} ${after}`, catalogue.patterns).length > 0;
    return q.flies === undefined || !tellsApart(after, catalogue) || isOfAnother;
  });
  return end < 0 ? behind : behind.slice(0, end);
}
