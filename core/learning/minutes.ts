import { DomainError } from "../errors";
import { nth, valueAt } from "../numeric";

/** A way of tying a fly by somebody: what the minutes of a batch depend on. */
export interface TyingWay {
  pattern: string;
  /** Method, mode of tying and all else by which two batches of one pattern differ in minutes: any text. */
  way: string;
  /** Size steps below the middle of the pattern's sizes: 2 for an 18 where the middle is 14. Bigger hooks: negative. */
  steps: number;
  person: string;
  /** Minutes of a fly as computed from the recipe and the choice, with a pace of 1. */
  computed: number;
}

/** A batch that was tied: so many flies in so many minutes. */
export interface TimedBatch extends TyingWay {
  flies: number;
  minutes: number;
  /** Flies of this pattern that the person had tied before, where they still learn it. */
  before?: number;
}

/** What is to be expected of the next batch. */
export interface MinutesAhead {
  /** The median of the minutes of a fly. */
  perFly: number;
  /** Standard deviation of ln minutes that is the batch's own, and those it shares with others, by their names. */
  own: number;
  shares: { name: string; sd: number }[];
  /** How many timed batches of this pattern, and of this person, it rests on. */
  batches: number;
}

const PATTERN_SD = 0.3;
const SIZE_MEAN = 0.03;
const SIZE_SD = 0.03;
const PERSON_SD = 0.2;
const BOTH_SD = 0.1;
/** How far a batch strays of itself, and with it each fly. */
const BATCH_SD = 0.12;
const FLY_SD = 0.2;

/** The standard deviation of ln minutes of a batch of n flies about what is expected of it. */
export const batchSd = (flies: number): number => Math.sqrt(BATCH_SD ** 2 + FLY_SD ** 2 / Math.max(1, flies));

const RATE = 0.9;
const SETTLED = 200;
const EXPONENT = Math.log2(RATE);

/**
 * How much slower than somebody settled a person ties the next flies of a pattern that they still learn: the k-th fly
 * takes k^log2(0.9), which falls by a tenth with each doubling, and no more after 200.
 * @param before flies of it that they have tied, ≥ 0
 * @param flies how many come, ≥ 1
 * @returns a factor ≥ 1, the mean over those flies
 * Source: T. P. Wright, Journal of the Aeronautical Sciences 3 (1936).
 */
export function learningFactor(before: number, flies: number): number {
  let sum = 0;
  const slow = Math.min(flies, Math.max(0, SETTLED - before));
  for (let k = 1; k <= slow; k++) sum += ((before + k) / SETTLED) ** EXPONENT;
  return (sum + flies - slow) / flies;
}

/**
 * What timed batches teach of minutes. ln(minutes ÷ computed) of a batch = pattern and way + size steps · β + person +
 * person on this pattern + what is left to chance; all of them normal, so what is known after any number of batches is
 * one linear system, solved once.
 *
 * @param batches finished batches with their minutes
 * @param pace of each person: times the standard minutes; 1 where it is not named
 * @throws DomainError MINUTES_INVALID for flies, minutes or computed minutes that are not above 0
 * Source: Bayesian linear regression with normal priors, e.g. C. M. Bishop, Pattern Recognition and Machine Learning
 *   (2006), section 3.3; by Cholesky factor of the precision.
 */
export class MinutesLearned {
  private readonly at = new Map<string, number>();
  private readonly mean: Float64Array;
  private readonly factor: Float64Array[];
  private readonly counts = new Map<string, number>();

  constructor(
    batches: readonly TimedBatch[],
    private readonly pace: Readonly<Record<string, number>> = {},
  ) {
    for (const b of batches) refuse(b);
    for (const b of batches) for (const { name } of termsOf(b)) this.number(name);
    const n = this.at.size;
    const precision = Array.from({ length: n }, () => new Float64Array(n));
    const right = new Float64Array(n);
    for (const [name, i] of this.at) nth(precision, i)[i] = 1 / priorOf(name).sd ** 2;
    for (const b of batches) {
      const terms = termsOf(b).map((t) => ({ i: this.number(t.name), x: t.x }));
      const y = Math.log(b.minutes / b.flies / b.computed / learnt(b)) - this.expected(b);
      const weight = 1 / batchSd(b.flies) ** 2;
      for (const s of terms) {
        right[s.i] = valueAt(right, s.i) + weight * s.x * y;
        for (const t of terms) nth(precision, s.i)[t.i] = valueAt(nth(precision, s.i), t.i) + weight * s.x * t.x;
      }
      for (const key of [`pattern ${b.pattern}`, `person ${b.person}`])
        this.counts.set(key, (this.counts.get(key) ?? 0) + 1);
    }
    this.factor = cholesky(precision);
    this.mean = backward(this.factor, forward(this.factor, right));
  }

  /** The median of the minutes of a fly, of a batch of so many. @param before flies tied before, by who still learns */
  perFly(way: TyingWay, flies: number, before?: number): number {
    let log = this.expected(way);
    for (const { name, x } of termsOf(way)) {
      const i = this.at.get(name);
      if (i !== undefined) log += x * valueAt(this.mean, i);
    }
    return way.computed * Math.exp(log) * learningOf(before, flies);
  }

  /** The same, and how sure it is. @param flies how many are tied; the more, the less chance has to say */
  ahead(way: TyingWay, flies: number, before?: number): MinutesAhead {
    const terms = termsOf(way);
    const x = new Float64Array(this.at.size);
    let variance = 0;
    const single = terms.map(({ name, x: size }) => {
      const i = this.at.get(name);
      const prior = (size * priorOf(name).sd) ** 2;
      if (i === undefined) {
        variance += prior;
        return { name, variance: prior };
      }
      x[i] = size;
      return { name, variance: this.varianceAt(i) * size ** 2 };
    });
    // What is known of a sum is often more than of its parts: their shares are scaled so that they add up to it.
    variance += norm(forward(this.factor, x));
    const parts = single.reduce((sum, s) => sum + s.variance, 0);
    const scale = parts > 0 ? variance / parts : 0;
    return {
      perFly: this.perFly(way, flies, before),
      own: batchSd(flies),
      shares: single.map(({ name, variance: v }) => ({ name, sd: Math.sqrt(v * scale) })).filter((s) => s.sd > 1e-6),
      batches: Math.max(this.counts.get(`pattern ${way.pattern}`) ?? 0, this.counts.get(`person ${way.person}`) ?? 0),
    };
  }

  /** What the priors alone say of ln(minutes ÷ computed). */
  private expected(way: TyingWay): number {
    return SIZE_MEAN * way.steps + Math.log(this.pace[way.person] ?? 1);
  }

  private number(name: string): number {
    const known = this.at.get(name) ?? this.at.size;
    this.at.set(name, known);
    return known;
  }

  private varianceAt(i: number): number {
    const unit = new Float64Array(this.at.size);
    unit[i] = 1;
    return norm(forward(this.factor, unit));
  }
}

interface Term {
  name: string;
  x: number;
}
const termsOf = ({ pattern, way, person, steps }: TyingWay): Term[] => [
  { name: `fly|${pattern}|${way}`, x: 1 },
  ...(steps === 0 ? [] : [{ name: "size", x: steps }]),
  { name: `who|${person}`, x: 1 },
  { name: `both|${person}|${pattern}`, x: 1 },
];
const priorOf = (name: string): { sd: number } => ({
  sd: name === "size" ? SIZE_SD : name.startsWith("fly|") ? PATTERN_SD : name.startsWith("who|") ? PERSON_SD : BOTH_SD,
});

const learningOf = (before: number | undefined, flies: number): number =>
  before === undefined ? 1 : learningFactor(before, flies);
const learnt = (b: TimedBatch): number => learningOf(b.before, b.flies);

function refuse({ flies, minutes, computed, steps }: TimedBatch): void {
  const isFit = (x: number) => x > 0 && Number.isFinite(x);
  if (!isFit(flies) || !isFit(minutes) || !isFit(computed) || !Number.isFinite(steps))
    throw new DomainError("MINUTES_INVALID", { flies, minutes });
}

/** The lower factor L of a symmetric positive matrix, L·Lᵀ. */
function cholesky(matrix: readonly Float64Array[]): Float64Array[] {
  const n = matrix.length;
  const lower = Array.from({ length: n }, () => new Float64Array(n));
  for (let i = 0; i < n; i++) {
    const row = nth(lower, i);
    for (let j = 0; j <= i; j++) {
      const other = nth(lower, j);
      let sum = valueAt(nth(matrix, i), j);
      for (let k = 0; k < j; k++) sum -= valueAt(row, k) * valueAt(other, k);
      row[j] = i === j ? Math.sqrt(sum) : sum / valueAt(other, j);
    }
  }
  return lower;
}

/** z with L·z = x. */
function forward(lower: readonly Float64Array[], x: Float64Array): Float64Array {
  const z = new Float64Array(x.length);
  for (let i = 0; i < x.length; i++) {
    const row = nth(lower, i);
    let sum = valueAt(x, i);
    for (let k = 0; k < i; k++) sum -= valueAt(row, k) * valueAt(z, k);
    z[i] = sum / valueAt(row, i);
  }
  return z;
}

/** y with Lᵀ·y = z. */
function backward(lower: readonly Float64Array[], z: Float64Array): Float64Array {
  const y = new Float64Array(z.length);
  for (let i = z.length - 1; i >= 0; i--) {
    let sum = valueAt(z, i);
    for (let k = i + 1; k < z.length; k++) sum -= valueAt(nth(lower, k), i) * valueAt(y, k);
    y[i] = sum / valueAt(nth(lower, i), i);
  }
  return y;
}

const norm = (z: Float64Array): number => z.reduce((sum, v) => sum + v * v, 0);
