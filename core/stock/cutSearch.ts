import { gcd } from "../numeric";

/**
 * Searches for cut lists. Lengths are whole µm throughout; a list is one row of counts per bin, one count per length.
 */

/** A length to cut from. */
export interface Bin {
  id: string;
  fresh: boolean;
  capacity: number;
}

export interface CutProblem {
  /** Different lengths that are wanted, the longest first. */
  lengths: readonly number[];
  /** How many of each. */
  counts: readonly number[];
  /** Lost with every piece. */
  lost: number;
  /** What is left and at least so long is kept. */
  keep: number;
  /** In the order in which they are cut: remnants first, the shorter first. */
  bins: readonly Bin[];
}

export type Cuts = readonly (readonly number[])[];

/** More cut is better, then more from remnants, then less waste. */
export interface Value {
  cut: number;
  remnants: number;
  waste: number;
}

export const isBetter = (a: Value, b: Value): boolean =>
  a.cut !== b.cut ? a.cut > b.cut : a.remnants !== b.remnants ? a.remnants > b.remnants : a.waste < b.waste;

const NOTHING: Value = { cut: 0, remnants: 0, waste: 0 };

const plus = (a: Value, b: Value): Value => ({
  cut: a.cut + b.cut,
  remnants: a.remnants + b.remnants,
  waste: a.waste + b.waste,
});

const lengthOf = (p: CutProblem, pieces: readonly number[]): number =>
  p.lengths.reduce((sum, l, i) => sum + l * (pieces[i] ?? 0), 0);
const numberOf = (pieces: readonly number[]): number => pieces.reduce((n, k) => n + k, 0);

export const leftOf = (p: CutProblem, bin: Bin, pieces: readonly number[]): number =>
  bin.capacity - lengthOf(p, pieces) - numberOf(pieces) * p.lost;

/** What one bin gives when it is cut so. */
function worth(p: CutProblem, bin: Bin, pieces: readonly number[]): Value {
  const number = numberOf(pieces);
  if (number === 0) return NOTHING;
  const cut = lengthOf(p, pieces);
  const left = bin.capacity - cut - number * p.lost;
  return { cut, remnants: bin.fresh ? 0 : cut, waste: number * p.lost + (left < p.keep ? left : 0) };
}

export const valueOf = (p: CutProblem, cuts: Cuts): Value =>
  p.bins.reduce((sum, bin, b) => plus(sum, worth(p, bin, cuts[b] ?? [])), NOTHING);

/** No list can be better: each bin as full as it can be by itself, nothing wasted but by the cuts. */
export function boundOf(p: CutProblem): Value {
  const wanted = lengthOf(p, p.counts);
  const fills = p.bins.map((bin) => fullest(p, bin.capacity, p.counts).length);
  const cut = Math.min(
    wanted,
    fills.reduce((sum, f) => sum + f, 0),
  );
  const remnants = p.bins.reduce((sum, bin, b) => sum + (bin.fresh ? 0 : (fills[b] ?? 0)), 0);
  return { cut, remnants: Math.min(wanted, remnants), waste: p.lost > 0 && cut > 0 ? p.lost : 0 };
}

/** Sums finer than that are not worth the memory: then the room itself bounds a fill. */
const MOST_SUMS = 60_000;

/**
 * The fullest way to cut one bin of pieces that are still wanted, by subset sums in steps of their greatest common
 * measure. `clean`: what is left is nothing, or long enough to keep.
 */
function fullest(
  p: CutProblem,
  capacity: number,
  counts: readonly number[],
  clean = false,
): { length: number; pieces: number[] } {
  const step = p.lengths.reduce((g, l) => gcd(g, l + p.lost), 0) || 1;
  const steps = Math.floor(Math.min(capacity, lengthOf(p, counts) + numberOf(counts) * p.lost) / step);
  if (steps > MOST_SUMS) return largestFirst(p, capacity, counts, clean);
  /**
   * last[s]: the length, counted from 1, with which room s was first reached; 0 where it is not. used[s]: how many of
   * it.
   */
  const last = new Uint16Array(steps + 1);
  const used = new Uint32Array(steps + 1);
  p.lengths.forEach((l, i) => {
    const room = (l + p.lost) / step;
    for (let s = room; s <= steps; s++) {
      if (last[s] !== 0) continue;
      const before = s - room;
      if (before !== 0 && last[before] === 0) continue;
      const had = last[before] === i + 1 ? (used[before] ?? 0) : 0;
      if (had >= (counts[i] ?? 0)) continue;
      last[s] = i + 1;
      used[s] = had + 1;
    }
  });
  const isClean = (s: number): boolean => {
    const left = capacity - s * step;
    return left === 0 || left >= p.keep;
  };
  let best = 0;
  let bestLength = 0;
  for (let s = steps; s > 0; s--) {
    if (last[s] === 0 || (clean && !isClean(s))) continue;
    const length = lengthOf(p, read(p, last, s, step));
    if (length > bestLength) [best, bestLength] = [s, length];
    // With nothing lost in cutting the fullest room is the greatest length.
    if (p.lost === 0) break;
  }
  return { length: bestLength, pieces: read(p, last, best, step) };
}

/** The pieces behind a sum. */
function read(p: CutProblem, last: Uint16Array, from: number, step: number): number[] {
  const pieces = p.lengths.map(() => 0);
  for (let s = from; s > 0;) {
    const i = (last[s] ?? 1) - 1;
    pieces[i] = (pieces[i] ?? 0) + 1;
    s -= ((p.lengths[i] ?? s) + p.lost) / step;
  }
  return pieces;
}

/** For a spool that holds more than can be reckoned with: the longest pieces first. Its length bounds no fill. */
function largestFirst(
  p: CutProblem,
  capacity: number,
  counts: readonly number[],
  clean: boolean,
): { length: number; pieces: number[] } {
  let room = capacity;
  const pieces = p.lengths.map((l, i) => {
    const n = Math.min(counts[i] ?? 0, Math.floor(room / (l + p.lost)));
    room -= n * (l + p.lost);
    return n;
  });
  if (clean && room !== 0 && room < p.keep) return { length: 0, pieces: p.lengths.map(() => 0) };
  return { length: lengthOf(p, pieces), pieces };
}

/** Orders in which the bins are filled, each with and without taking only what leaves no waste. */
const orders: ((p: CutProblem) => number[])[] = [
  (p) => p.bins.map((_, b) => b),
  (p) => p.bins.map((_, b) => b).reverse(),
];

/**
 * Fills one bin after the other as full as it can be; the best of a few orders, with and without a clean first round.
 */
export function greedyCuts(p: CutProblem): Cuts {
  let best: { cuts: Cuts; value: Value } | undefined;
  for (const orderOf of orders)
    for (const clean of [true, false]) {
      const cuts = filled(p, orderOf(p), clean);
      const value = valueOf(p, cuts);
      if (!best || isBetter(value, best.value)) best = { cuts, value };
    }
  return best?.cuts ?? [];
}

function filled(p: CutProblem, order: number[], clean: boolean): Cuts {
  const cuts: number[][] = p.bins.map(() => p.lengths.map(() => 0));
  let open = [...p.counts];
  const remnantsFirst = [...order].sort((a, b) => Number(p.bins[a]?.fresh) - Number(p.bins[b]?.fresh));
  for (const isClean of clean ? [true, false] : [false])
    for (const b of remnantsFirst) {
      const bin = p.bins[b];
      // What was cut clean may be cut again: anew, with what is wanted still and what it gave.
      if (!bin || numberOf(cuts[b] ?? []) > 0) continue;
      const { pieces } = fullest(p, bin.capacity, open, isClean);
      cuts[b] = pieces;
      open = open.map((n, i) => n - (pieces[i] ?? 0));
    }
  return cuts;
}

/** Every way to cut one bin of at most so many pieces. */
function waysToCut(p: CutProblem, bin: Bin): number[][] {
  const ways: number[][] = [];
  const pieces = p.lengths.map(() => 0);
  const choose = (i: number, room: number): void => {
    if (ways.length > MOST_WAYS) return;
    const length = p.lengths[i];
    if (length === undefined) return void ways.push([...pieces]);
    const each = length + p.lost;
    for (let n = Math.min(p.counts[i] ?? 0, Math.floor(room / each)); n >= 0; n--) {
      pieces[i] = n;
      choose(i + 1, room - n * each);
    }
    pieces[i] = 0;
  };
  choose(0, bin.capacity);
  return ways;
}

const MOST_WAYS = 100_000;
const MOST_STATES = 3_000_000;

/**
 * The best list of all, by dynamic programming: for each bin, and each number of pieces of each length that is still
 * wanted, the best that this bin and those after it give. A state is one whole number (mixed radix of the counts).
 * @param most states times ways at most; beyond that nothing is begun
 * @returns undefined where it would take more
 */
export function bestCuts(problem: CutProblem, most: number): Cuts | undefined {
  const whole = problem.bins.findIndex((bin) => holdsAll(problem, bin));
  // A fresh length that holds everything and leaves enough to keep takes all that those before it leave.
  const p = whole < 0 ? problem : { ...problem, bins: problem.bins.slice(0, whole) };
  const states = p.counts.reduce((n, k) => n * (k + 1), 1);
  if (states > MOST_STATES || states * p.bins.length > MOST_STATES * 4) return undefined;
  const ways = p.bins.map((bin) => waysToCut(p, bin));
  const steps = ways.reduce((sum, w) => sum + w.length * states, 0);
  if (steps > most || ways.some((w) => w.length > MOST_WAYS)) return undefined;
  const radix: number[] = [];
  p.counts.reduce((size, k) => {
    radix.push(size);
    return size * (k + 1);
  }, 1);
  const table = new Table(p, states, radix);
  if (whole >= 0) table.cutAll();
  const choices = p.bins.map(() => new Int32Array(states));
  for (let b = p.bins.length - 1; b >= 0; b--) table.fill(b, ways[b] ?? [], choices[b] ?? new Int32Array(0));
  let state = states - 1;
  const cuts = p.bins.map((_, b) => {
    const pieces = ways[b]?.[choices[b]?.[state] ?? 0] ?? [];
    state -= pieces.reduce((sum, n, i) => sum + n * (radix[i] ?? 0), 0);
    return pieces;
  });
  if (whole >= 0) cuts.push(p.counts.map((n, i) => n - cuts.reduce((sum, c) => sum + (c[i] ?? 0), 0)));
  return cuts;
}

const holdsAll = (p: CutProblem, bin: Bin): boolean => bin.fresh && leftOf(p, bin, p.counts) >= p.keep;

/** The values of the bins after the one being filled, one of each state. */
class Table {
  private cut: Float64Array;
  private remnants: Float64Array;
  private waste: Float64Array;

  constructor(
    private readonly p: CutProblem,
    private readonly states: number,
    private readonly radix: readonly number[],
  ) {
    this.cut = new Float64Array(states);
    this.remnants = new Float64Array(states);
    this.waste = new Float64Array(states);
  }

  /** Whatever is still wanted is cut from what comes after, without waste but by the cuts. */
  cutAll(): void {
    const none = this.p.counts.map(() => 0);
    const { lengths, lost } = this.p;
    this.eachState(none, (state) => {
      let [rest, cut, number] = [state, 0, 0];
      for (let i = lengths.length - 1; i >= 0; i--) {
        const n = Math.floor(rest / (this.radix[i] ?? 1));
        rest -= n * (this.radix[i] ?? 1);
        cut += n * (lengths[i] ?? 0);
        number += n;
      }
      this.cut[state] = cut;
      this.waste[state] = number * lost;
    });
  }

  /** Goes one bin back: for every state the best way to cut it, with what the bins after it then give. */
  fill(b: number, ways: readonly number[][], choice: Int32Array): void {
    const bin = this.p.bins[b];
    if (!bin) return;
    const cut = new Float64Array(this.states).fill(-1);
    const remnants = new Float64Array(this.states);
    const waste = new Float64Array(this.states);
    ways.forEach((pieces, w) => {
      const gives = worth(this.p, bin, pieces);
      const step = pieces.reduce((sum, n, i) => sum + n * (this.radix[i] ?? 0), 0);
      this.eachState(pieces, (state) => {
        const rest = state - step;
        const c = gives.cut + (this.cut[rest] ?? 0);
        const r = gives.remnants + (this.remnants[rest] ?? 0);
        const lost = gives.waste + (this.waste[rest] ?? 0);
        const [bc, br, bw] = [cut[state] ?? -1, remnants[state] ?? 0, waste[state] ?? 0];
        if (c < bc || (c === bc && (r < br || (r === br && lost >= bw)))) return;
        cut[state] = c;
        remnants[state] = r;
        waste[state] = lost;
        choice[state] = w;
      });
    });
    this.cut = cut;
    this.remnants = remnants;
    this.waste = waste;
  }

  /** Visits the states in which at least so many pieces of each length are still wanted. */
  private eachState(least: readonly number[], visit: (state: number) => void): void {
    const { counts } = this.p;
    const go = (i: number, state: number): void => {
      if (i < 0) return visit(state);
      const radix = this.radix[i] ?? 0;
      for (let n = least[i] ?? 0; n <= (counts[i] ?? 0); n++) go(i - 1, state + n * radix);
    };
    go(counts.length - 1, 0);
  }
}
