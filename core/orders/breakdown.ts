import { allOf } from "../numeric";
import { isCourteousWord } from "./asides";
import { NUMBER, numberOf } from "./numbers";
import { sizesBetween } from "../hooks";
import { sizeOf } from "./sizes";
import { fliesOfNouns, wordsOfFlies } from "./flyWords";
import { dozensText, isInDozens, type Quantity } from "./quantity";
import type { Catalogue } from "./types";
import { findWish } from "./wishes";

/** A statement with its quantities, in their order. */
export interface Counted {
  text: string;
  start: number;
  quantities: readonly Quantity[];
  catalogue: Catalogue;
}
/** What a quantity is made of. */
export interface Breakdown {
  /** What counts in place of the quantities. */
  parts: Quantity[];
  /** The words that say so: they count nothing themselves. */
  words: [number, number];
  /** How these words are understood. */
  label: string;
  /** The whole, where its parts come to it: it counts nothing either. */
  whole?: [number, number];
  /** No other fly may be named behind this part, or it is a quantity of that. */
  until?: Quantity;
}

/** Ways in which a quantity is broken down, in the order in which they are tried. */
const ways: readonly ((counted: Counted) => Breakdown | undefined)[] = [
  toldInAll,
  someOfEach,
  summedUp,
  toldByTotal,
  inFractions,
  partOf,
  withTheRest,
  brokenBySize,
  brokenByColour,
  brokenDown,
];

/**
 * A quantity that is broken down: “10 dz: 2 Copper Lodger 14, …”, “… of which 2 dz unweighted”, “6 dz in 14 and the
 * rest in 16”, “8s 2, 10s 4”, “3 olive, 3 rust”.
 *
 * @param namesFly whether words name a fly
 * @returns its parts, which add up to it; undefined where none is
 */
export function breakdownOf(counted: Counted, namesFly: (text: string) => boolean): Breakdown | undefined {
  const { text, start } = counted;
  for (const way of ways) {
    const found = way(counted);
    if (found && !(found.until && namesFly(text.slice(found.until.at[1] - start)))) return found;
  }
  return undefined;
}
/** All of the first quantity, in these parts. */
const inAll = ([total]: readonly Quantity[], parts: Quantity[] | undefined): Breakdown | undefined =>
  total?.flies === undefined || !parts
    ? undefined
    : { parts, words: total.at, label: `${dozensText(total.flies)} in all`, until: parts[0] };
const sumOf = (parts: readonly Quantity[]): number => parts.reduce((sum, p) => sum + (p.flies ?? 0), 0);

/** Says that what follows is what the quantity before it is made of. */
const MADE_OF =
  /[(:=]|(?<!\p{L})(?:namely|being|made up|split|divided|i\.?e\.?|that is|davon|darunter|of which|of them|nämlich|und zwar|aufgeteilt)(?!\p{L})/iu;
/** “6 dz Slate Wisp 14 - 4 slate 2 amber”. */
const DASH_BEFORE = /\s[-–]\s*$/u;
const SIZE_AHEAD = String.raw`(?:in\s+|of\s+)?(?:the\s+)?(?:sizes?\s*|#|no\.?\s*|gr\.?\s*)?(\d{1,2}(?:\/0)?)(?:'?s)?(?![\p{L}\d])`;
/** A number without a unit before a word, or before “in 14”. */
const BARE = new RegExp(
  String.raw`(?<![\p{L}\d#.,½¼¾-]|(?<!\p{L})/)(${NUMBER})\s+(?:(?:x|×|in|of|with|mit)\s+)?(?:the\s+)?(?:(\p{L}{3,})|(?<=\s(?:in|x|×|of)\s+(?:the\s+)?)(?=${SIZE_AHEAD}))`,
  "giu",
);

const OF_THEM = /^\s*(?:of\s+(?:them|which|these|those)|thereof|davon)(?!\p{L})(?=[^,;.]*\p{L})/iu;
/** “… half of them barbless” */
const HALF_OF_THEM =
  /(?<!\p{L})(?:(?:and|but|with|und)\s+)?(?:one\s+)?(?:half|die\s+hälfte)\s+(?:of\s+(?:them|these|those|which)|davon)(?!\p{L})/iu;
/** “… 2 dz, half barbless”, “of which half barbless”: right ahead of what is wished. */
const HALF_ALONE =
  /(?<=[,(]\s*)(?:(?:and|but|with|und)\s+)?(?:(?:of\s+which|davon)\s+)?(?:half|die\s+hälfte)(?=\s)|(?:of\s+which|davon)\s+(?:half|die\s+hälfte)(?=\s)/iu;
/** Half of a quantity, where words say that of half of it something is wished. */
function halfOf({ text, start, quantities: [total], catalogue }: Counted): Breakdown | undefined {
  const alone = HALF_OF_THEM.test(text) ? null : HALF_ALONE.exec(text);
  const half = alone ?? HALF_OF_THEM.exec(text);
  const from = start + (half?.index ?? 0);
  if (!half || total?.flies === undefined || total.flies % 2 !== 0 || from < total.at[1]) return undefined;
  // “3 dz each in 12 and 14, half of them barbless”: half of each, or of all?
  const { isColour } = wordsOfFlies(catalogue.patterns);
  const colours = new Set((text.toLowerCase().match(/[\p{L}-]+/gu) ?? []).filter(isColour));
  if (OF_EACH.test(text) || SIZES_TOLD.test(text) || colours.size > 1) return undefined;
  const words: [number, number] = [from, from + half[0].length];
  const wish = findWish(text.slice(words[1] - start), 0);
  if (!wish || (alone && wish.at[0] > 1)) return undefined;
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
const OF_WHICH = /(?<!\p{L})(?:of\s+which|thereof|davon|darunter|including|incl\.?)\s+$/iu;

/**
 * “8 dz Copper Lodger 14 olive, of which 2 dz unweighted”: what is left of the first quantity, and the part of it that
 * is told apart, with the words that say so; of several quantities the last two.
 */
function partOf(counted: Counted): Breakdown | undefined {
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
  const [total, part] = quantities.slice(i - 1);
  if (part === undefined || total?.flies === undefined || part.flies === undefined || part.flies >= total.flies)
    return undefined;
  // “2 of them” may be two flies: it is asked.
  if (!/\p{L}/u.test(text.slice(part.at[0] - start, part.at[1] - start))) return undefined;
  const after = text.slice(part.at[1] - start, (quantities[i + 1]?.at[0] ?? start + text.length) - start);
  const behind = OF_THEM.exec(after);
  const ahead = OF_WHICH.exec(text.slice(0, part.at[0] - start));
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
  return { ...toldApart(parts, words), ...(left === 0 && { whole: total.at }) };
}

/** Whether words say what sets a part apart: a wish, a colour or a weight. */
function tellsApart(words: string, { patterns }: Catalogue): boolean {
  const { isColour, isForm } = wordsOfFlies(patterns);
  return findWish(words, 0) !== undefined || (words.match(/[\p{L}-]+/gu) ?? []).some((w) => isColour(w) || isForm(w));
}

/** “…, of which 4 dz red and 6 dz black”: the parts behind the first that tell of no other fly. */
function alsoTold({ text, start, quantities, catalogue }: Counted, from: number): Quantity[] {
  const behind = quantities.slice(from);
  const end = behind.findIndex((q, n) => {
    const begin = (quantities[from + n - 1]?.at[1] ?? q.at[0]) - start;
    const said = text.slice(begin, (behind[n + 1]?.at[0] ?? start + text.length) - start);
    const isPart = tellsApart(said.slice(q.at[1] - start - begin), catalogue);
    return q.flies === undefined || !isPart || fliesOfNouns(said, catalogue.patterns).length > 0;
  });
  return end < 0 ? behind : behind.slice(0, end);
}

/** “3 gross of flies in total, made up as: …”, “– so six dozen in all”: what these words say of a quantity. */
const IN_ALL =
  /^\s*(?:of\s+(?:flies|them|these)|flies|fliegen)?\s*,?\s*(?:in\s+(?:total|all)|altogether|all\s+told|insgesamt|zusammen)(?!\p{L})(?:\s*,?\s*(?:(?:made|split|divided)\s+(?:up\s+)?(?:as|of|into|like)(?:\s+(?:follows|this))?|as\s+follows|being|namely))?\s*:?/iu;
const SO_AHEAD =
  /(?:\s[-–]\s*|[,;(]\s*)?(?:(?:so|that(?:'|’)?s|that\s+is|making|makes|which\s+(?:is|makes)|macht|also|=)\s+)+$/iu;
const SIZES_TOLD =
  /(?<![\p{L}\d])#?\d{1,2}(?:\/0)?(?:(?:\s*(?:,|and|und|&|\/)\s*#?\d{1,2}(?:\/0)?)+|(?:\s*[-–]\s*#?\d{1,2}){2,})(?![\p{L}\d])/iu;

/**
 * A quantity that only says what the others come to: it counts nothing itself. Of one other in several sizes it says
 * that so many are of each.
 */
function toldInAll({ text, start, quantities }: Counted): Breakdown | undefined {
  for (const total of quantities) {
    const behind = IN_ALL.exec(text.slice(total.at[1] - start))?.[0];
    const others = quantities.filter((q) => q !== total);
    if (behind === undefined || total.flies === undefined || others.length === 0) continue;
    const times = total.flies / sumOf(others);
    const ahead = SO_AHEAD.exec(text.slice(0, total.at[0] - start))?.[0] ?? "";
    const sizes = SIZES_TOLD.exec(text)?.[0].match(/\d{1,2}(?:\/0)?/g)?.length;
    const isOfEach = others.length === 1 && times > 1 && times === sizes;
    if (times !== 1 && !isOfEach) continue;
    return {
      parts: others.map((q) => (isOfEach ? { ...q, isOfEach } : q)),
      words: [total.at[0] - ahead.length, total.at[1] + behind.length],
      label: `${dozensText(total.flies)} in all`,
    };
  }
  return undefined;
}

const EACH_BESIDE =
  /^\s*(?:(?:(?:of|in)\s+)?(?:each|every|apiece|ea\.?|je(?:weils)?)|(?:per|a)\s+(?:size|colou?r)|pro\s+(?:größe|farbe))(?!\p{L})/iu;
const EACH_BEFORE = /(?<!\p{L})(?:each|je(?:weils)?)\s+$/iu;
/**
 * “3 dz Boathouse Sedge: 12 tan, 14 tan, 14 grey – a dozen of each”: so many of each size, or of each size in its
 * colour, of which there are as many as make up the quantity.
 */
function someOfEach({ text, start, quantities, catalogue }: Counted): Breakdown | undefined {
  const [total, told, another] = quantities;
  const part = told ?? bareEach(text, start, total);
  if (total?.flies === undefined || part?.flies === undefined || another) return undefined;
  const isEach =
    EACH_BESIDE.test(text.slice(part.at[1] - start)) || EACH_BEFORE.test(text.slice(0, part.at[0] - start));
  const times = total.flies / part.flies;
  if (!isEach || times < 2 || !Number.isInteger(times)) return undefined;
  const { isColour, isForm } = wordsOfFlies(catalogue.patterns);
  const list = text.slice(total.at[1] - start);
  const isOfEach = EACH_BESIDE.test(list) || EACH_BEFORE.test(text.slice(0, total.at[0] - start));
  // “2 dz claret 10 and 12, 1 dz each in green”: what has a colour of its own is another quantity.
  const says = (words: string): boolean => (words.match(/[\p{L}-]+/gu) ?? []).some((w) => isColour(w) || isForm(w));
  const isAnother = says(text.slice(0, part.at[0] - start)) && says(text.slice(part.at[1] - start));
  if (isOfEach || isAnother) return undefined;
  const pairs = allOf(SIZE_AND_WORD, list).filter((m) => isColour(m[1] ?? m[2])).length;
  const sizes = SIZES_TOLD.exec(list)?.[0].match(/\d{1,2}(?:\/0)?/g)?.length ?? sizesFromTo(list);
  if (times !== pairs && times !== sizes) return undefined;
  const parts = [{ ...part, isOfEach: true }];
  return { parts, words: total.at, label: `${dozensText(total.flies)} in all`, until: part };
}
const FROM_TO =
  /(?<![\p{L}\d#])(?:#|sizes?\s*)?(\d{1,2}(?:\/0)?)\s*(?:-|–|to|bis|through)\s*#?(\d{1,2}(?:\/0)?)(?![\p{L}\d]|\s*(?:dz|doz|dtz))/iu;
/** “Sizes 8 to 14”: how many sizes that are. */
function sizesFromTo(text: string): number | undefined {
  const [, from, to] = FROM_TO.exec(text) ?? [];
  const [a, b] = [sizeOf(from ?? ""), sizeOf(to ?? "")];
  return a && b ? sizesBetween({ from: a, to: b }).length : undefined;
}
const BARE_EACH = new RegExp(
  String.raw`(?<=(?:^|[\s,;:(]))(${NUMBER})\s+(?:(?:(?:of|in)\s+)?(?:each|every|apiece)|(?:per|a)\s+(?:size|colou?r)|pro\s+(?:größe|farbe))(?!\p{L})`,
  "iu",
);
/** “ten dozen, sizes 10 and 12, sixty of each”: flies, where so many make up the whole and dozens do not. */
function bareEach(text: string, start: number, total: Quantity | undefined): Quantity | undefined {
  const each = BARE_EACH.exec(text);
  const n = numberOf(each?.[1] ?? "");
  const at = start + (each?.index ?? 0);
  const all = total?.flies;
  if (!each || !n || total === undefined || all === undefined || at < total.at[1]) return undefined;
  const flies = [n * 12, n].find((f) => Number.isInteger(all / f) && all > f);
  return flies === undefined ? undefined : { at: [at, at + (each[1] ?? "").length], flies };
}
const SIZE_AND_WORD =
  /(?<![\p{L}\d])#?\d{1,2}(?:\/0)?\s+(\p{L}+)|(?<!\p{L})(\p{L}+)\s+#?\d{1,2}(?:\/0)?(?![\p{L}\d])/giu;

const LIST_BEHIND =
  /^\s*(?:(?:mixed|assorted|in all|altogether|in total|total|of flies|flies|gemischt|sortiert|insgesamt)(?!\p{L}))?\s*:\s/iu;
const COUNT_AHEAD = new RegExp(
  String.raw`(?<=(?:^|[,;])\s*(?:(?:and|und|plus)\s+)?)(${NUMBER})\s+(?:(?:x|×|of)\s+)?(?=\p{L})(?!(?:dz|doz|dtz|dutzend|flies|pcs|stück))`,
  "giu",
);

/**
 * “10 dz: 2 Copper Lodger 14, 3 Slate Wisp 12, 5 Old Pilot 10”: a number of dozens ahead of a list whose own numbers
 * come to it, whatever flies they are of.
 *
 * @returns what the list counts, and the words ahead of it; undefined where it does not come to just that
 */
function summedUp({ text, start, quantities }: Counted): Breakdown | undefined {
  const [total, ...others] = quantities;
  const before = text.slice(0, (total?.at[0] ?? start) - start);
  if (total?.flies === undefined || !(before.match(/[\p{L}\d']+/gu) ?? []).every(isCourteousWord)) return undefined;
  const ahead = text.slice(0, total.at[1] - start);
  const lead = isInDozens(ahead) ? LIST_BEHIND.exec(text.slice(ahead.length))?.[0] : undefined;
  if (lead === undefined) return undefined;
  const from = ahead.length + lead.length;
  const parts = allOf(COUNT_AHEAD, text.slice(from)).map((m): Quantity => {
    const at = start + from + m.index;
    return { at: [at, at + (m[1] ?? "").length], flies: (numberOf(m[1] ?? "") ?? NaN) * 12 };
  });
  // What counts in the list must be one of its numbers: another unit in it is another way to count.
  if (others.some((q) => !parts.some((p) => p.at[0] === q.at[0]))) return undefined;
  if (parts.length < 2 || sumOf(parts) !== total.flies) return undefined;
  return { parts, words: [total.at[0], start + from - 1], label: `${dozensText(total.flies)} in all` };
}

const TOTAL_AHEAD =
  /(?<!\p{L})(?:(?:in\s+)?total|altogether|in\s+all|sum|makes|gesamt|insgesamt|zusammen|summe)\s*[:=]?\s*$/iu;
/** “1 dz 12, 2 dz 14, total 5 dz”: a total at the end that the others do not come to, with the word ahead of it. */
export function totalThatDiffers({
  text,
  start,
  quantities,
}: Counted): { at: [number, number]; total: Quantity } | undefined {
  const total = quantities.at(-1);
  const others = quantities.slice(0, -1);
  const lead = TOTAL_AHEAD.exec(text.slice(0, (total?.at[0] ?? start) - start));
  if (!lead || total?.flies === undefined || others.length < 2 || others.some((q) => q.flies === undefined))
    return undefined;
  return sumOf(others) === total.flies ? undefined : { at: [start + lead.index, total.at[1]], total };
}

/** “14 x 2, 16 x 4, total 6 dz”: what all come to says what the numbers count. */
function toldByTotal({ text, start, quantities }: Counted): Breakdown | undefined {
  const total = quantities.at(-1);
  const others = quantities.slice(0, -1);
  const lead = TOTAL_AHEAD.exec(text.slice(0, (total?.at[0] ?? start) - start));
  if (!lead || total?.flies === undefined || others.length === 0) return undefined;
  const label = `${dozensText(total.flies)} in all`;
  const words: [number, number] = [start + lead.index, total.at[1]];
  if (others.length > 1 && sumOf(others) === total.flies && others.every((q) => q.flies !== undefined))
    return { parts: others, words, label };
  const numbers = others.map((q) =>
    q.doubt?.code === "DOZENS_OR_FLIES"
      ? numberOf(/\d+/.exec(text.slice(q.at[0] - start, q.at[1] - start))?.[0] ?? "")
      : undefined,
  );
  const unit = [12, 1].find((u) => numbers.reduce<number>((sum, n) => sum + (n ?? NaN) * u, 0) === total.flies);
  if (unit === undefined) return undefined;
  return {
    parts: others.map((q, i) => ({ at: q.at, flies: (numbers[i] ?? NaN) * unit })),
    words,
    label,
  };
}

const FRACTION =
  /(?<![\p{L}\d/])(?:(an?|one|two|three|eine?|zwei|drei)\s+)?(half|third|quarter|fifth|hälfte|drittel|viertel|fünftel)s?(?:\s+of\s+(?:them|these|those))?(?!\p{L})(?=\s+\p{L}|\s+#?\d)|(?<![\d/])([1-4])\/([2-5])(?![\d/])(?=\s+\p{L})/giu;
const ofWhole: Record<string, number> = {
  half: 2,
  hälfte: 2,
  third: 3,
  drittel: 3,
  quarter: 4,
  viertel: 4,
  fifth: 5,
  fünftel: 5,
};
/** “12 dz: a third olive 14, a third brown 14, a third black 16”, “two thirds weighted, a third unweighted”. */
function inFractions({ text, start, quantities, catalogue }: Counted): Breakdown | undefined {
  const [total, another] = quantities;
  if (total?.flies === undefined || another) return undefined;
  const all = total.flies;
  const found = allOf(FRACTION, text).filter((m) => start + m.index >= total.at[1]);
  const parts = found.map((m): Quantity => {
    const [, count = "one", part = "", over, under] = m;
    const of = under === undefined ? ofWhole[part.toLowerCase()] : Number(under);
    const share = (over === undefined ? (numberOf(count) ?? NaN) : Number(over)) / (of ?? NaN);
    return {
      at: [start + m.index, start + m.index + m[0].length],
      flies: Math.round(all * share * 1e6) / 1e6,
      isPart: true,
    };
  });
  const says = (words: string): boolean => /#?\d/.test(words) || tellsApart(words, catalogue);
  const areTold = parts.every((p, i) =>
    says(text.slice(p.at[1] - start, (parts[i + 1]?.at[0] ?? start + text.length) - start)),
  );
  const isWhole = parts.length > 1 && sumOf(parts) === all && parts.every((p) => Number.isInteger(p.flies));
  // Two halves are read by the words between them.
  if (!isWhole || !areTold || parts.every((p) => p.flies === all / 2)) return undefined;
  return inAll(quantities, parts);
}

const THE_REST =
  /(?<=[,:;]\s*(?:(?:and|und)\s+)?|(?<!\p{L})(?:and|und|plus)\s+)(?:(?:the|all\s+the)\s+)?(?:rest|remainder|remaining(?:\s+ones)?|others)(?:\s+of\s+them)?(?!\p{L})|(?<=[,:;]\s*(?:und\s+)?|(?<!\p{L})und\s+)(?:de[rnm]\s+)?(?:rest|übrigen)(?!\p{L})/iu;

const OF_EACH = /(?<!\p{L})(?:each|apiece|ea|je|jeweils)(?!\p{L})/iu;
/**
 * “10 dz Copper Lodger olive, 6 dz in 14 and the rest in 16”: what is left of the first quantity is a part of it, too.
 */
function withTheRest({ text, start, quantities }: Counted): Breakdown | undefined {
  const [total, ...told] = quantities;
  const rest = THE_REST.exec(text);
  if (total?.flies === undefined || told.length === 0 || !rest || told.some((q) => q.flies === undefined))
    return undefined;
  const at: [number, number] = [start + rest.index, start + rest.index + rest[0].length];
  const left = total.flies - sumOf(told);
  const isBehindAll = told.every((q) => q.at[1] <= at[0]);
  // “2 dz each in 12 and 16, the rest in 14”: how much that leaves is known when it is known of how many.
  if (left <= 0 || !isBehindAll || OF_EACH.test(text)) return undefined;
  return inAll(
    quantities,
    [...told, { at, flies: left }].map((q) => ({ ...q, isPart: true })),
  );
}

const SIZED = String.raw`#?(\d{1,2}(?:\/0)?)(?:'?s)?\s*(?:[-–:x×=]\s*)?(?<!\d\/)(?<=[\s:x×=–-])(\d{1,3})`;
const SIZES_AND_COUNTS = new RegExp(String.raw`^[\s,]*${SIZED}(?:\s*(?:,|;|and|und|&)\s*${SIZED})+(?=[^\d#]*$)`, "iu");
const COUNT_OF_SIZE = String.raw`(${NUMBER})\s+(?:in\s+|x\s+|×\s+|of\s+)?(?:the\s+)?#?(\d{1,2}(?:\/0)?)(?:'?s)?(?![\p{L}\d])`;
const COUNTS_OF_SIZES = new RegExp(
  String.raw`^\s*${COUNT_OF_SIZE}(?:\s*(?:,|;|and|und|&)\s*(?:and\s+)?${COUNT_OF_SIZE})+(?=[^\d#]*$)`,
  "iu",
);

/**
 * “12 dz Copper Lodger olive: 8s 2, 10s 4, 12s 6” or “two 8, four 10, six 12”: behind a colon sizes, and how many of
 * each, that add up.
 */
function brokenBySize({ text, start, quantities }: Counted): Breakdown | undefined {
  const [total, another] = quantities;
  const colon = text.lastIndexOf(": ");
  if (total?.flies === undefined || another || colon < total.at[1] - start) return undefined;
  const list = text.slice(colon + 1);
  const one = SIZES_AND_COUNTS.test(list) ? SIZED : COUNTS_OF_SIZES.test(list) ? COUNT_OF_SIZE : undefined;
  if (one === undefined) return undefined;
  const each = isInDozens(text.slice(total.at[0] - start, total.at[1] - start)) ? 12 : 1;
  const parts = allOf(new RegExp(one, "giu"), list).map((m): Quantity => {
    const count = (one === SIZED ? m[2] : m[1]) ?? "";
    const at = start + colon + 1 + m.index + (one === SIZED ? m[0].length - count.length : 0);
    return { at: [at, at + count.length], flies: (numberOf(count) ?? NaN) * each, isPart: true };
  });
  return sumOf(parts) === total.flies ? inAll(quantities, parts) : undefined;
}

const SHADED = String.raw`(\p{L}[\p{L}-]+)\s*(?:[-–:x×=]\s*)?(?<=[\s:x×=–-])(\d{1,3})(?![\d/])`;
const COLOURS_AND_COUNTS = new RegExp(
  String.raw`(?<=[:(]\s{0,2})${SHADED}(?:\s*(?:,|;|/|and|und|&)\s*${SHADED})+(?=\s*(?:[).,;]|$))`,
  "iu",
);
/** “6 doz Harbour Nymph 14, as follows: olive 3, brown 2, black 1”: colours, and how many of each, that add up. */
function brokenByColour({ text, start, quantities, catalogue }: Counted): Breakdown | undefined {
  const [total, another] = quantities;
  const list = total ? COLOURS_AND_COUNTS.exec(text.slice(total.at[1] - start)) : null;
  if (total?.flies === undefined || another || !list) return undefined;
  const { isColour } = wordsOfFlies(catalogue.patterns);
  const from = total.at[1] + list.index;
  const each = isInDozens(text.slice(total.at[0] - start, total.at[1] - start)) ? 12 : 1;
  const items = allOf(new RegExp(SHADED, "giu"), list[0]);
  if (!items.every((m) => isColour(m[1]))) return undefined;
  // A part begins with its colour, and its number stands behind that.
  const parts = items.map((m): Quantity => {
    const count = m[2] ?? "";
    const at = from + m.index + m[0].length - count.length;
    return { at: [at, at + count.length], flies: Number(count) * each, isPart: true };
  });
  return sumOf(parts) === total.flies ? inAll(quantities, parts) : undefined;
}

/** “10 dz: 12 x4, 14 x6”: a number of which it is not said what it counts, in the unit of the whole. */
function inUnitOf(quantity: Quantity, words: string, inDozens: boolean): Quantity {
  if (quantity.doubt?.code !== "DOZENS_OR_FLIES") return quantity;
  const n = numberOf(/\d+/.exec(words)?.[0] ?? "");
  return n === undefined ? quantity : { at: quantity.at, flies: n * (inDozens ? 12 : 1) };
}

/**
 * “6 dz Copper Lodger 14: 3 olive, 3 rust”: a quantity and what it is made of, when that adds up to it and says what
 * the quantity itself leaves open, or stands in brackets or behind a colon.
 */
function brokenDown({ text, start, quantities, catalogue }: Counted): Breakdown | undefined {
  const [total, ...others] = quantities;
  if (total?.flies === undefined) return undefined;
  const inDozens = isInDozens(text.slice(total.at[0] - start, total.at[1] - start));
  const behind = others.map((q) => inUnitOf(q, text.slice(q.at[0] - start, q.at[1] - start), inDozens));
  if (behind.some((q) => q.flies === undefined)) return undefined;
  const { isColour, isForm } = wordsOfFlies(catalogue.patterns);
  const bare = allOf(BARE, text).flatMap((m): Quantity[] => {
    const at: [number, number] = [start + m.index, start + m.index + (m[1] ?? "").length];
    const flies = (numberOf(m[1] ?? "") ?? NaN) * (inDozens ? 12 : 1);
    const isNew = at[0] > total.at[1] && !behind.some((q) => q.at[0] < at[1] && at[0] < q.at[1]);
    const isPart = m[2] === undefined || isColour(m[2]) || isForm(m[2]);
    return isNew && isPart && Number.isInteger(flies) && flies < (total.flies ?? 0) ? [{ at, flies }] : [];
  });
  const parts = [...behind, ...bare].sort((a, b) => a.at[0] - b.at[0]);
  const [first] = parts;
  if (!first || parts.length < 2) return undefined;
  if (sumOf(parts) !== total.flies) return undefined;
  const before = text.slice(total.at[1] - start, first.at[0] - start);
  const after = parts.map((p, i) => text.slice(p.at[1] - start, (parts[i + 1]?.at[0] ?? start + text.length) - start));
  const leavesOpen = (isWord: (word: string) => boolean): boolean => {
    const says = (of: string): boolean => (of.match(/[\p{L}-]+/gu) ?? []).some(isWord);
    return after.every(says) && !says(before);
  };
  const isOpen = leavesOpen(isColour) || leavesOpen(isForm);
  const isSized = after.every((a) => /(?<!\p{L})(?:in|size|#)\s*#?\d/iu.test(a)) && !/\d/.test(before);
  const isMarked = MADE_OF.test(before) || (behind.length === 0 && DASH_BEFORE.test(before));
  // “twenty-four claret” is no size.
  const areSpelled = bare.every((q) => !/\d/.test(text.slice(q.at[0] - start, q.at[1] - start)));
  if (bare.length > 0 && !inDozens && !isMarked && !areSpelled) return undefined;
  if (!isMarked && !isOpen && !isSized) return undefined;
  return inAll(
    quantities,
    parts.map((p) => ({ ...p, isPart: true })),
  );
}
