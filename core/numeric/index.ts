import { DomainError } from "../errors";

/**
 * Rounding with a slack of 1e-9, so that sums of decimal fractions fall where a person expects.
 * 2.9999999999 feathers are three, and 3.0000000001 feathers are three too.
 */
const SLACK = 1e-9;

/** Floor of `x`, forgiving 1e-9 below a whole number. */
export const floorSafe = (x: number): number => Math.floor(x + SLACK);

/** Ceiling of `x`, forgiving 1e-9 above a whole number. Zero is never negative zero. */
export const ceilSafe = (x: number): number => Math.ceil(x - SLACK) + 0;

/** Round half up: 2.5 → 3, −2.5 → −2. */
export const roundHalfUp = (x: number): number => Math.floor(x + 0.5 + SLACK);

/** The greatest common measure of two whole numbers ≥ 0; of one and nothing, that one. */
export const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/**
 * Refuses ids of which one stands twice.
 * @param what what each of them names, for the sentence
 * @throws DomainError NAMED_TWICE
 */
export function refuseTwice(ids: readonly string[], what: string): void {
  const seen = new Set<string>();
  for (const id of ids) {
    if (seen.has(id)) throw new DomainError("NAMED_TWICE", { what, id });
    seen.add(id);
  }
}

/** `x` rounded up to a whole multiple of `step` (> 0). */
export const ceilTo = (x: number, step: number): number => ceilSafe(x / step) * step;

/**
 * Upper quantile of the standard normal distribution: z with P(Z ≤ z) = q, for 0 < q < 1.
 * @throws DomainError PROBABILITY_INVALID for any other q
 * Source: P. J. Acklam's rational approximation (2003); relative error below 1.2e-9.
 */
export function normalQuantile(q: number): number {
  if (!(q > 0 && q < 1)) throw new DomainError("PROBABILITY_INVALID", { name: "level", value: q });
  if (q < 0.02425) return tail(q);
  if (q > 1 - 0.02425) return -tail(1 - q);
  const x = q - 0.5;
  const r = x * x;
  // Written out, not as lists of coefficients: a rehearsal asks for it a million times.
  const above =
    ((((-39.69683028665376 * r + 220.9460984245205) * r - 275.9285104469687) * r + 138.357751867269) * r -
      30.66479806614716) *
      r +
    2.506628277459239;
  const below =
    ((((-54.47609879822406 * r + 161.5858368580409) * r - 155.6989798598866) * r + 66.80131188771972) * r -
      13.28068155288572) *
      r +
    1;
  return (above * x) / below;
}

function tail(p: number): number {
  const r = Math.sqrt(-2 * Math.log(p));
  const above =
    ((((-0.007784894002430293 * r - 0.3223964580411365) * r - 2.400758277161838) * r - 2.549732539343734) * r +
      4.374664141464968) *
      r +
    2.938163982698783;
  const below =
    (((0.007784695709041462 * r + 0.3224671290700398) * r + 2.445134137142996) * r + 3.754408661907416) * r + 1;
  return above / below;
}

/**
 * Where something stops being too low, between `low` and `high`, by halving.
 * @param isTooLow true below that place and false above it
 * @returns the middle of what is left after 50 halvings: a millionth of a millionth of the span and less
 */
export function halved(low: number, high: number, isTooLow: (x: number) => boolean): number {
  const HALVINGS = 50;
  let [a, b] = [low, high];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (a + b) / 2;
    if (isTooLow(middle)) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}

export * from "./lists";
export * from "./lp";
export * from "./random";
export * from "./texts";
export * from "./written";
export { isSame } from "./same";
