import { allOf } from "../../numeric";
import { isCourteousWord } from "../asides";
import { NUMBER, numberOf } from "../numbers";
import { dozensText, isInDozens, type Quantity } from "../quantity";
import { TAKEN } from "../stretch";
import { sumOf, type Breakdown, type Counted } from "./types";

const LIST_BEHIND =
  /^[\s,]*(?:(?:mixed|assorted|in all|altogether|in total|total|of flies|flies|gemischt|sortiert|insgesamt)(?!\p{L}))?[\s,]*:\s/iu;
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
export function summedUp({ text, start, quantities }: Counted): Breakdown | undefined {
  const [total, ...others] = quantities;
  const before = text.slice(0, (total?.at[0] ?? start) - start);
  if (total?.flies === undefined || !(before.match(/[\p{L}\d']+/gu) ?? []).every(isCourteousWord)) return undefined;
  const ahead = text.slice(0, total.at[1] - start);
  const lead = isInDozens(ahead) ? LIST_BEHIND.exec(text.slice(ahead.length).replaceAll(TAKEN, " "))?.[0] : undefined;
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
