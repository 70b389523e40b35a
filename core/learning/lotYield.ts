import { guard } from "../units";

/** What one lot has come to: how much of it is gone, tied or lost, and how many flies had some of it. */
export interface LotUse {
  /** In base units, > 0. */
  gone: number;
  /** Flies that were tied with it. */
  flies: number;
}

/** Flies that may still be tied. */
export interface FliesLeft {
  likely: number;
  /** In eight of ten cases between these. */
  low: number;
  high: number;
  lots: number;
}

/** How much lots of one kind differ from each other, in the logarithm: skins, packets, hanks. */
const LOT_DEVIATION = 0.2;
/** Below so many flies a lot tells next to nothing. */
const LEAST_FLIES = 6;
/** Of a normal distribution eight of ten lie within so many standard deviations of its mean. */
export const EIGHT_OF_TEN = 1.2816;

/**
 * How many flies what is left will still tie, by what lots of this kind have tied until now. Each lot shows
 * ln(flies ÷ gone) with variance 0.2² + 1/flies; they are weighed by it.
 *
 * @param left in base units, ≥ 0
 * @param lots with fewer than six flies are passed over
 * @returns undefined where no lot tells anything yet; nothing left is no fly
 * @throws DomainError FIGURE_OUT_OF_BOUNDS
 * @example fliesLeft(50, [{ gone: 100, flies: 200 }]) // likely 100, between 68 and 146: one lot is not much to go by
 *
 * Source: weighted mean of logarithms, predictive normal distribution.
 */
export function fliesLeft(left: number, lots: readonly LotUse[]): FliesLeft | undefined {
  guard("what is left", left, { least: 0, most: 1e15 });
  for (const l of lots) {
    guard("what is gone of a lot", l.gone, { least: 0, most: 1e15 });
    guard("the flies of a lot", l.flies, { least: 0, most: 1e9 });
  }
  const told = lots.filter((l) => l.flies >= LEAST_FLIES && l.gone > 0);
  if (told.length === 0) return undefined;
  const weights = told.map((l) => 1 / (LOT_DEVIATION ** 2 + 1 / l.flies));
  const total = weights.reduce((sum, w) => sum + w, 0);
  const mean = told.reduce((sum, l, i) => sum + (weights[i] ?? 0) * Math.log(l.flies / l.gone), 0) / total;
  const deviation = Math.sqrt(1 / total + LOT_DEVIATION ** 2);
  const at = (z: number): number => left * Math.exp(mean + z * deviation);
  return { likely: at(0), low: at(-EIGHT_OF_TEN), high: at(EIGHT_OF_TEN), lots: told.length };
}
