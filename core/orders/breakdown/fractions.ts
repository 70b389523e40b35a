import { allOf } from "../../numeric";
import { numberOf } from "../numbers";
import type { Quantity } from "../quantity";
import { tellsApart } from "./partOf";
import { inAll, sumOf, type Breakdown, type Counted } from "./types";

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
export function inFractions({ text, start, quantities, catalogue }: Counted): Breakdown | undefined {
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
