import type { LayAmount, LengthRule } from "../recipe";

/** Slips are told by the pair: one from the left wing, one from the right. */
export const arePairs = (a: LayAmount): a is Extract<LayAmount, { feathers: number }> =>
  "feathers" in a && a.feathers % 2 === 0 && a.paired === true;

/** “Slips, a pair, 2 mm wide”, “two pairs, 3 mm wide”: from either side, each so wide, and over each other so many. */
export const inSlips = (a: LayAmount | undefined, slipWidth: LengthRule): LayAmount =>
  a && arePairs(a) && a.feathers > 2 ? { slipWidth, layers: a.feathers / 2 } : { slipWidth };
