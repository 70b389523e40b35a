import { DomainError } from "../errors";
import { normalQuantile } from "../numeric";

/** What is known of ln κ, κ = actual ÷ computed use: the mean m and variance v of a normal distribution. */
export interface Calibration {
  m: number;
  v: number;
  batches: number;
}

/** Before any batch: κ around 1, give or take 20 %. */
export const uncalibrated: Calibration = { m: 0, v: 0.2 ** 2, batches: 0 };

/** Variance of ln(actual/computed) over a batch of n flies. */
const batchVariance = (flies: number) => 0.08 ** 2 + 0.15 ** 2 / flies;

/**
 * The posterior of ln κ after the logged batches (conjugate normal update).
 * @param batches flies > 0; actual and computed in the same unit, > 0
 */
export function calibrate(batches: { flies: number; actual: number; computed: number }[]): Calibration {
  let precision = 1 / uncalibrated.v;
  let weighted = 0;
  for (const b of batches) {
    if (!(b.flies > 0 && b.actual > 0 && b.computed > 0))
      throw new DomainError("QUANTITY_INVALID", {
        name: "A logged batch's use",
        value: Math.min(b.flies, b.actual, b.computed),
      });
    const w = 1 / batchVariance(b.flies);
    precision += w;
    weighted += w * Math.log(b.actual / b.computed);
  }
  return { m: weighted / precision, v: 1 / precision, batches: batches.length };
}

/**
 * Quantity to issue so that it suffices with the chance `level`: N · use · exp(m + z_q·√(v + 0.08² + 0.15²/N)).
 * `expected` is the mean that a cost estimate takes.
 */
export function issueQuantity(
  flies: number,
  use: number,
  known: Calibration = uncalibrated,
  level = 0.9,
): { issue: number; expected: number; z: number; spread: number } {
  if (flies === 0 || use === 0) return { issue: 0, expected: 0, z: 0, spread: 0 };
  const variance = known.v + batchVariance(flies);
  const z = normalQuantile(level);
  const spread = Math.sqrt(variance);
  return {
    issue: flies * use * Math.exp(known.m + z * spread),
    expected: flies * use * Math.exp(known.m + variance / 2),
    z,
    spread,
  };
}
