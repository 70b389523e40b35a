import { type OrderReading, namesFlyIn } from "./reading";
import { Stretch } from "../stretch";
import { wordsOfFlies } from "../flyWords";
import type { Quantity } from "../quantity";
import { breakdownOf, totalThatDiffers } from "../breakdown";
import { findExactly } from "../names";
import { findWish } from "../wishes";
import { fold } from "../nearest";

/** A fly's name has so many words at most. */
const MOST_NAMED = 4;

/** Words in brackets, or up to the next comma. */
const BEHIND_QUANTITY = /^\s*(?:\(([^()]*)\)|,?\s*(\p{L}[^,;()]*)(?=\s*(?:[,;]|$)))/u;

const PRICE_BEHIND = /^\s*(?:@|at|à|zu)\s*(?:[€$£]\s?)?\d+[.,]\d{2}(?:\s?(?:€|eur|\$|£))?(?=\s*(?:[,;]|\.?\s*$))/iu;

/** “10 3 dz each, 12 …” */
const EACH_BEHIND = /^\s*(?:each|apiece|ea|je(?:weils)?)(?!\p{L})\.?(?=\s*(?:[,;.&+]|(?:and|und)(?!\p{L})|$))/iu;

const SIZES_OF_IT =
  /^\s*(?:in\s+)?(?:sizes?\s+)?#?\d{1,2}(?:\/0)?(?:\s*(?:,|\/|and|und|&)\s*#?\d{1,2}(?:\/0)?)+\s*,?\s*(?:equally|evenly|each|shared|gleichmäßig|je)?\s*$/iu;
const EACH_AHEAD = /(?<!\p{L})(?:je(?:weils)?|each)\s+$/iu;
const AGAIN_AHEAD = /(?<!\p{L})(?:another|nochmals?|weitere)\s+$/iu;
const AHEAD = /(?<=(?:[,;]|(?<!\p{L})(?:and|und|plus|sowie))\s+)(\p{L}[\p{L}-]*(?:\s\p{L}[\p{L}-]*)?)\s+$/iu;
const EACH_OF = /(?<!\p{L})(?:each(?:\s+of)?|of\s+each|apiece|ea(?=\.?\s*:)\.?|je(?:weils)?)(?!\p{L})\s*:?/iu;

/** The quantities of a statement; one that is broken down is taken out, and its parts count in its stead. */
export function inParts(o: OrderReading, stretch: Stretch, quantities: Quantity[]): Quantity[] {
  const counted = { text: stretch.left, start: stretch.start, quantities, catalogue: o.catalogue };
  const other = totalThatDiffers(counted);
  if (other) {
    const words = o.text.slice(...other.at);
    o.order.doubts.push({ field: "rest", code: "NOT_UNDERSTOOD", details: { words }, at: other.at, candidates: [] });
    stretch.takeOut(other.at);
    return quantities.filter((q) => q !== other.total);
  }
  const found = breakdownOf(counted, (text) => namesFlyIn(o, text));
  if (!found) return quantities;
  stretch.takeOut(found.words);
  o.order.understood.push({ field: "quantity", at: found.words, label: found.label });
  if (found.whole) {
    stretch.takeOut(found.whole);
    o.order.understood.push({ field: "quantity", at: found.whole, label: "in all" });
  }
  return found.parts;
}

/** “2 dozen each of Slate Wisp 12 amber and Old Pilot 10”: one quantity, so many flies named. */
function eachNamed(o: OrderReading, stretch: Stretch, quantity: Quantity): [Stretch, Quantity][] | undefined {
  if (!EACH_OF.test(stretch.left)) return undefined;
  const words = stretch.words().filter((w) => !/\d/.test(w.text));
  const begins: number[] = [];
  for (let i = 0; i < words.length; i++)
    for (let n = Math.min(4, words.length - i); n > 0; n--) {
      const named = findExactly(words.slice(i, i + n), o.catalogue.patterns, (p) => p.name);
      if (named?.from !== 0 || named.to !== n) continue;
      begins.push(words[i]?.start ?? stretch.start);
      i += n - 1;
      break;
    }
  if (begins.length < 2 || (begins[0] ?? 0) < quantity.at[0]) return undefined;
  return begins.map((from, i) => {
    const begin = i === 0 ? stretch.start : from;
    const to = begins[i + 1] ?? stretch.end;
    const part = new Stretch(stretch.text.slice(begin - stretch.start, to - stretch.start), begin);
    part.left = stretch.left
      .slice(begin - stretch.start, to - stretch.start)
      .replace(EACH_OF, (w) => "\uE000".repeat(w.length));
    // The quantity stands with the first of them and holds for all.
    return [part, { flies: quantity.flies, at: i === 0 ? quantity.at : [begin, begin], isOfEach: true }];
  });
}

/** One part for each quantity: it stands at the head of its part, or at its end. */
export function parted(o: OrderReading, stretch: Stretch, quantities: Quantity[]): [Stretch, Quantity][] {
  const [first] = quantities;
  const last = quantities[quantities.length - 1];
  if (!first || !last) return [];
  const each = quantities.length === 1 ? eachNamed(o, stretch, first) : undefined;
  if (each) return each;
  const head = stretch.left.slice(0, first.at[0] - stretch.start);
  const tail = stretch.left.slice(last.at[1] - stretch.start);
  const ends = quantities.map((q, i) => withItsWishes(o, stretch, q.at[1], quantities[i + 1]?.at[0]));
  const areLast = quantities.length > 1 && quantities.every((q, i) => endsPart(o, stretch, q, ends[i] ?? q.at[1]));
  const isAtEnd = areLast || (quantities.length > 1 && !/[\p{L}\d]/u.test(tail) && namesFlyIn(o, head));
  const begins = beginsOf(o, stretch, quantities);
  const bounds = quantities.map((q, i) => {
    const from = isAtEnd ? (ends[i - 1] ?? stretch.start) : (begins[i] ?? stretch.start);
    const to = isAtEnd ? (ends[i] ?? q.at[1]) : (begins[i + 1] ?? stretch.end);
    return [from, to] as const;
  });
  return bounds.flatMap(([from, to], i): [Stretch, Quantity][] => {
    const part = new Stretch(stretch.text.slice(from - stretch.start, to - stretch.start), from);
    part.left = stretch.left.slice(from - stretch.start, to - stretch.start);
    const quantity = quantities[i] ?? first;
    // “1 dz each of A and B, 3 dz C”: of those that its own part names.
    return eachNamed(o, part, quantity) ?? [[part, quantity]];
  });
}

/**
 * “Tar Pupa 3 dz (tied sparse), Slate Wisp 2 dz”: what is wished right behind a quantity is of the flies before it,
 * not of those that come.
 */
function withItsWishes(o: OrderReading, { left, start }: Stretch, from: number, next: number | undefined): number {
  const { isColour } = wordsOfFlies(o.catalogue.patterns);
  // “3 dz @ 21.50, Tar Pupa …”: what it costs is said of it, too.
  let end =
    from + (PRICE_BEHIND.exec(left.slice(from - start, (next ?? left.length + start) - start))?.[0].length ?? 0);
  end += EACH_BEHIND.exec(left.slice(end - start))?.[0].length ?? 0;
  for (;;) {
    const found = BEHIND_QUANTITY.exec(left.slice(end - start, (next ?? left.length + start) - start));
    const words = found?.[1] ?? found?.[2] ?? "";
    // “3 dz (10, 12, 14 equally)”: in what sizes the quantity goes.
    if (found?.[1] !== undefined && SIZES_OF_IT.test(words)) {
      end += found[0].length;
      continue;
    }
    if (!found || /\d/.test(words) || namesFlyIn(o, words)) return end;
    // “14 3 dz hare, boathouse 14 …”
    const isItsColour = !/^\s*,/.test(found[0]) && isColour(words.trim());
    if (!findWish(words, 0) && !isForm(o, words) && !isItsColour) return end;
    end += found[0].length;
  }
}

/**
 * Where the part of each quantity begins: at it, or at what is said of it ahead. “…, and unweighted 1 dz 16” begins
 * with the form, “olive 2 dz 12, black 1 dz 14” with the colour, where the part before has one of its own.
 */
function beginsOf(o: OrderReading, stretch: Stretch, quantities: readonly Quantity[]): number[] {
  const begins: number[] = [stretch.start];
  for (const q of quantities.slice(1)) {
    const before = stretch.text.slice(0, q.at[0] - stretch.start);
    const words = AHEAD.exec(before)?.[1] ?? "";
    const from = q.at[0] - (before.length - before.lastIndexOf(words));
    const isOfIt = words !== "" && (isForm(o, words) || findWish(words, 0)?.at[0] === 0);
    const isItsColour =
      hasColour(o, words) &&
      hasColour(o, stretch.text.slice((begins.at(-1) ?? 0) - stretch.start, from - stretch.start));
    const each = (EACH_AHEAD.exec(before) ?? AGAIN_AHEAD.exec(before))?.[0].length ?? 0;
    begins.push(isOfIt || isItsColour ? from : q.at[0] - each);
  }
  return begins;
}

function hasColour(o: OrderReading, text: string): boolean {
  const { isColour } = wordsOfFlies(o.catalogue.patterns);
  return (text.match(/[\p{L}-]+/gu) ?? []).some(isColour);
}

/** Whether words only name a form, as “unweighted”. */
function isForm(o: OrderReading, words: string): boolean {
  const said = fold(words.trim());
  return o.catalogue.patterns.some((p) => p.forms.some((f) => fold(f.name) === said));
}

/** Whether a quantity ends its part of a list: “14 slate 3 dz, 16 slate 3 dz. Size 18: …”. */
function endsPart(o: OrderReading, { left, start }: Stretch, { at }: Quantity, end: number): boolean {
  if (!/(?:^|[,;.])[^,;.]*[\p{L}\d][^,;.]*$/u.test(left.slice(0, at[0] - start))) return false;
  const after = left.slice(end - start);
  if (/^\s*(?:[,;.&+)]|#\s?\d|and(?!\p{L})|und(?!\p{L})|$)/iu.test(after)) return true;
  // “#16 x 2dz. Bailiff …”: what stands behind a sign is of the size before it.
  const isPoint = left.charAt(end - start - 1) === ".";
  if (isPoint && /[\p{L}\d]\s*[x×]\s*$/iu.test(left.slice(0, at[0] - start))) return true;
  // The point belongs to “dz.”, or ends a sentence: then no fly is named behind it.
  const next = new Stretch(after, end).words().slice(0, MOST_NAMED);
  return isPoint && findExactly(next, o.catalogue.patterns, (p) => p.name)?.from !== 0;
}
