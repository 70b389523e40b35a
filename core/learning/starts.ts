import { DomainError } from "../errors";

/** What is known of successes: α good and β bad, prior and log together. */
export interface Outcomes {
  good: number;
  bad: number;
}

/** Before anything is logged: what a careful room sees. */
export const flyPrior: Outcomes = { good: 48, bad: 2 };
export const piecePrior: Outcomes = { good: 48, bad: 2 };
export const SERVICE_LEVEL = 0.9;

/** More than any room owes at once: beyond it the sum over what fails would take its time. */
const MOST_OWED = 1_000_000;

const SLACK = 1e-9;
/** Products are folded into a logarithm before they underflow. */
const TINY = 1e-200;
/** Logarithm above which the terms themselves do not underflow. */
const FLOOR = -600;

/**
 * P(G ≥ owed) for G ~ BetaBinomial(n, good, bad): enough of n turn out well. Summed over the number that fail; in
 * logarithms where the terms themselves would underflow.
 */
export function chanceOfEnough(n: number, owed: number, known: Outcomes): number {
  if (owed <= 0) return 1;
  if (n < owed) return 0;
  const { good: a, bad: b } = known;
  const logNone = logNoneFail(n, a, b);
  const few = n - owed;
  let sum: number;
  if (logNone > FLOOR) {
    let term = Math.exp(logNone);
    sum = term;
    for (let r = 0; r < few; r++) sum += term *= ((n - r) / (r + 1)) * ((b + r) / (a + n - r - 1));
  } else {
    let logTerm = logNone;
    sum = Math.exp(logTerm);
    for (let r = 0; r < few; r++)
      sum += Math.exp((logTerm += Math.log(((n - r) / (r + 1)) * ((b + r) / (a + n - r - 1)))));
  }
  return Math.min(1, sum);
}

/**
 * ln P(none of n fails) = ln B(a + n, b)/B(a, b): over the n that succeed or, when fewer and whole, over the b that
 * failed.
 */
function logNoneFail(n: number, a: number, b: number): number {
  const overBad = Number.isInteger(b) && b < n;
  let logSum = 0;
  let product = 1;
  for (let i = 0; i < (overBad ? b : n); i++) {
    product *= overBad ? (a + i) / (a + n + i) : (a + i) / (a + b + i);
    if (product < TINY) {
      logSum += Math.log(product);
      product = 1;
    }
  }
  return logSum + Math.log(product);
}

/**
 * Flies or pieces to start so that `owed` good ones come of it with the chance `level`.
 *
 * @param owed whole number from 0 to a million; 0 gives 0
 * @param known good, bad > 0
 * @param level 0 < level < 1, the shop's service level
 * @returns the smallest n with P(G ≥ owed) ≥ level
 * @throws DomainError PROBABILITY_INVALID, QUANTITY_INVALID, TOO_LITTLE_KNOWN (more than 20·owed + 1000)
 * @example startsFor(120, { good: 48, bad: 2 }) // 131
 *
 * Source: beta-binomial predictive distribution; P grows with n, so the smallest n is found by bisection.
 */
export function startsFor(owed: number, known: Outcomes = flyPrior, level = SERVICE_LEVEL): number {
  if (!(known.good > 0 && known.bad > 0))
    throw new DomainError("PROBABILITY_INVALID", {
      name: "A record of good and rejected",
      value: Math.min(known.good, known.bad),
    });
  if (!(level > 0 && level < 1))
    throw new DomainError("PROBABILITY_INVALID", { name: "A service level", value: level });
  if (!(Number.isInteger(owed) && owed >= 0 && owed <= MOST_OWED))
    throw new DomainError("QUANTITY_INVALID", { name: "The number owed", value: owed });
  if (owed === 0) return 0;
  const most = 20 * owed + 1000;
  const enough = (n: number) => chanceOfEnough(n, owed, known) >= level - SLACK;
  let low = owed - 1;
  let gap = 1;
  while (!enough(Math.min(low + gap, most))) {
    if (low + gap >= most) throw new DomainError("TOO_LITTLE_KNOWN", { owed });
    low += gap;
    gap *= 2;
  }
  let high = Math.min(low + gap, most);
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (enough(middle)) high = middle;
    else low = middle;
  }
  return high;
}
