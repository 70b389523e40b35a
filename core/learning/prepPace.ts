/** Before any run was logged: about as reckoned, give or take 30 %. */
const PRIOR_VARIANCE = 0.3 ** 2;
/** How much one run differs from the next. */
const RUN_VARIANCE = 0.25 ** 2;

/** Logged runs of one kind of preparation, summed: Σ ln(minutes ÷ reckoned), and how many they were. */
export interface LoggedPrep {
  sumOfLogs: number;
  runs: number;
}

/**
 * How much longer the room takes for a kind of preparation than was reckoned: e to the posterior mean of
 * ln(minutes ÷ reckoned), with the prior N(0, 0.30²) and 0.25² from run to run.
 *
 * @param logged sums over runs of which the minutes were noted; none gives 1
 * @returns a factor > 0
 * @example prepPace({ sumOfLogs: 4 * Math.log(2), runs: 4 }) // 1.805: four runs took twice as long
 *
 * Source: conjugate normal update with known variance.
 */
export function prepPace({ sumOfLogs, runs }: LoggedPrep): number {
  if (runs === 0) return 1;
  return Math.exp(sumOfLogs / RUN_VARIANCE / (1 / PRIOR_VARIANCE + runs / RUN_VARIANCE));
}
