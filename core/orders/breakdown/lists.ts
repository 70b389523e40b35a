import { allOf } from "../../numeric";
import { wordsOfFlies } from "../flyWords";
import { NUMBER, numberOf } from "../numbers";
import { isInDozens, type Quantity } from "../quantity";
import { inAll, sumOf, type Breakdown, type Counted } from "./types";

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
export function brokenBySize({ text, start, quantities }: Counted): Breakdown | undefined {
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
export function brokenByColour({ text, start, quantities, catalogue }: Counted): Breakdown | undefined {
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
