import type { Stretch } from "../stretch";
import { type Quantity, dozensText, bareQuantity } from "../quantity";
import type { ReadLine } from "../types";
import { type ItemState, type Draft, ask, type Pattern } from "./draft";
import { numberOf } from "../numbers";
import type { Span } from "../spans";
import { sizeOf, comesIn } from "../sizes";

/** Smaller numbers in words count in dozens, or belong to something else. */
export const LEAST_SPELLED = 12;

const SEVERAL_SIZES = /(?<!\d)\d{1,2}(?:\/0)?(?:\s?[/,]\s?\d{1,2}(?:\/0)?)+(?!\d)/u;

/** A size that is said to be one. */
const MARKED = /#\s?\d{1,2}(?:\/0)?s?(?!\d)/u;

export function takeQuantity(stretch: Stretch, quantity: Quantity, line: ReadLine): void {
  if (quantity.doubt) line.doubts.push(quantity.doubt);
  if (quantity.flies !== undefined)
    line.understood.push({
      field: "quantity",
      at: quantity.at,
      label: (quantity.inTurn ?? [quantity.flies]).map(dozensText).join(", "),
    });
  stretch.takeOut(quantity.at);
}

/** “16: 12” is twelve of the 16: nobody tells how many of which ahead of a colon. */
const behindColon = <T extends { start: number; end: number }>(
  stretch: Stretch,
  [size, count]: readonly T[],
): T | undefined =>
  size && count && /^\s*[:=]\s*$/.test(stretch.text.slice(size.end - stretch.start, count.start - stretch.start))
    ? count
    : undefined;

/** “Six Tar Pupas”: a number in words, right ahead of the name that was taken out. */
const isSpelledAhead = (stretch: Stretch, { text, end }: Span): boolean =>
  /^\p{L}{3,}$/u.test(text) &&
  numberOf(text) !== undefined &&
  /^\s*\uE000/u.test(stretch.left.slice(end - stretch.start));

const PRICE_EACH =
  /(?:@|(?<!\p{L})(?:at|à|zu))\s*(?:[€$£]\s?)?\d+[.,]\d{2}(?:\s?(?:€|eur|\$|£))?\s*(?:each|ea(?!\p{L})|apiece|(?:a|per)\s+(?:fly|piece)|(?:pro|je|das)\s+stück|\/\s*(?:fly|stk|stück))/iu;

/** No unit was said: a number that is left over beside the size may be dozens or flies. */
export function takeQuantityless(
  s: ItemState,
  stretch: Stretch,
  draft: Draft,
  quantity: Quantity | undefined,
  eachAt: number | undefined,
): void {
  if (quantity) return;
  const isNumber = (w: string): boolean => /^\d{1,4}(?:[.,]\d+)?x?$/.test(w) || (numberOf(w) ?? 0) > LEAST_SPELLED;
  const free = stretch.words().filter((w) => isNumber(w.text));
  // “8/10/12 6 each”: what stands before “each” is how many.
  const ofEach = SEVERAL_SIZES.test(stretch.left)
    ? free.find((w) => eachAt !== undefined && eachAt > w.end && eachAt - w.end <= 2)
    : undefined;
  const spelled = stretch.words().find((w) => isSpelledAhead(stretch, w));
  const first = ofEach ?? spelled ?? behindColon(stretch, free) ?? aside(free, draft.pattern?.sizes) ?? free[0];
  // “12 Meadow Hopper #8”: where the size is marked, the other number counts.
  const isMarked = MARKED.test(stretch.left);
  // “24 Pontoon Ghosts in 1/0”: no size of that fly, beside one that is.
  const isBesideSize = AUGHT.test(stretch.left) && first !== undefined && !isSizeOf(first.text, draft.pattern?.sizes);
  const counts = ofEach !== undefined || spelled !== undefined || free.length > 1 || isMarked || isBesideSize;
  if (first && (counts || !draft.pattern || (numberOf(first.text) ?? 0) > 32)) {
    const at: [number, number] = [first.start, first.end];
    // “20 Old Pilots @ 2.40 each”: a price for each fly counts flies.
    const catalogue = PRICE_EACH.test(stretch.text) ? { ...s.catalogue, unit: "flies" as const } : s.catalogue;
    const bare = bareQuantity(first.text.replace(/(?<=\d)x$/, ""), at, catalogue);
    takeQuantity(stretch, bare, draft.line);
    draft.line.flies = bare.flies;
    return;
  }
  const at: [number, number] = [draft.line.at[0], draft.line.at[0]];
  ask(draft.line, "quantity", at, { code: "HOW_MANY", details: {} }, []);
}

const AUGHT = /(?<![\d/])\d{1,2}\/0(?!\d)/;
function isSizeOf(word: string, sizes: Pattern["sizes"] | undefined): boolean {
  const size = sizeOf(word);
  return size !== undefined && (sizes === undefined || comesIn(size, sizes));
}

/** Of numbers the only one that cannot be a size, where another can. */
function aside(free: Span[], sizes: Pattern["sizes"] | undefined): Span | undefined {
  if (!sizes || free.length < 2) return undefined;
  const others = free.filter((w) => !isSizeOf(w.text, sizes));
  return others.length === 1 ? others[0] : undefined;
}
