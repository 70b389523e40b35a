import { brokenDown } from "./brokenDown";
import { someOfEach } from "./each";
import { inFractions } from "./fractions";
import { brokenByColour, brokenBySize } from "./lists";
import { partOf } from "./partOf";
import { withTheRest } from "./rest";
import { summedUp } from "./summedUp";
import { toldByTotal, toldInAll } from "./total";
import type { Breakdown, Counted } from "./types";

export { totalThatDiffers } from "./total";

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
    const own = found?.until && text.slice(found.until.at[1] - start, found.next && found.next - start);
    if (found && !(own !== undefined && namesFly(own))) return found;
  }
  return undefined;
}
