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

/** What batches have shown of a component, summed: all that the posterior needs, however many they were. */
export interface Observed {
  /** Σ 1/variance. */
  weight: number;
  /** Σ ln(actual/computed)/variance. */
  weighted: number;
  batches: number;
}

/**
 * What one logged batch shows.
 * @param batch flies > 0; actual and computed in the same unit, > 0
 * @throws DomainError QUANTITY_INVALID for what cannot be a use
 */
export function observe({ flies, actual, computed }: { flies: number; actual: number; computed: number }): Observed {
  if (!(flies > 0 && actual > 0 && computed > 0))
    throw new DomainError("QUANTITY_INVALID", {
      name: "A logged batch's use",
      value: Math.min(flies, actual, computed),
    });
  const weight = 1 / batchVariance(flies);
  return { weight, weighted: weight * Math.log(actual / computed), batches: 1 };
}

/** The posterior of ln κ after what was observed (conjugate normal update). */
export function posterior({ weight, weighted, batches }: Observed): Calibration {
  const precision = 1 / uncalibrated.v + weight;
  return { m: weighted / precision, v: 1 / precision, batches };
}

/** The posterior of ln κ after the logged batches, as `observe` takes them. */
export function calibrate(batches: { flies: number; actual: number; computed: number }[]): Calibration {
  return posterior(
    batches
      .map(observe)
      .reduce(
        (a, b) => ({ weight: a.weight + b.weight, weighted: a.weighted + b.weighted, batches: a.batches + b.batches }),
        { weight: 0, weighted: 0, batches: 0 },
      ),
  );
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
