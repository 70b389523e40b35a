import { allOf } from "../../numeric";
import { sizesBetween } from "../../hooks";
import { wordsOfFlies } from "../flyWords";
import { NUMBER, numberOf } from "../numbers";
import { dozensText, type Quantity } from "../quantity";
import { sizeOf } from "../sizes";
import type { Breakdown, Counted } from "./types";
import { SIZES_TOLD } from "./words";

const EACH_BESIDE =
  /^\s*(?:(?:(?:of|in)\s+)?(?:each|every|apiece|ea\.?|je(?:weils)?)|(?:per|a)\s+(?:size|colou?r)|pro\s+(?:größe|farbe))(?!\p{L})/iu;
const EACH_BEFORE = /(?<!\p{L})(?:each|je(?:weils)?)\s+$/iu;
/**
 * “3 dz Boathouse Sedge: 12 tan, 14 tan, 14 grey – a dozen of each”: so many of each size, or of each size in its
 * colour, of which there are as many as make up the quantity.
 */
export function someOfEach({ text, start, quantities, catalogue }: Counted): Breakdown | undefined {
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
  // “2 dozen 12, 1 dozen each 14 and 16”: sizes on both sides of it, of which the first have their own quantity.
  const isBetween =
    A_SIZE.test(text.slice(total.at[1] - start, part.at[0] - start)) && A_SIZE.test(text.slice(part.at[1] - start));
  if (isOfEach || isAnother || isBetween) return undefined;
  const pairs = allOf(SIZE_AND_WORD, list).filter((m) => isColour(m[1] ?? m[2])).length;
  const sizes = SIZES_TOLD.exec(list)?.[0].match(/\d{1,2}(?:\/0)?/g)?.length ?? sizesFromTo(list);
  if (times !== pairs && times !== sizes) return undefined;
  const parts = [{ ...part, isOfEach: true }];
  return { parts, words: total.at, label: `${dozensText(total.flies)} in all`, until: part };
}
const A_SIZE = /(?<![\p{L}\d#])#?\d{1,2}(?:\/0)?s?(?![\p{L}\d])/u;
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
