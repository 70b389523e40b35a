import { Decoder } from "./decoder";
import { NONE, type Model } from "./model";
import type { Random } from "../../numeric";

/**
 * A plan under search: the list that it is made from, who does what, and what came of it. A change is tried on `next`,
 * and then either kept or taken back.
 */
export class Plan {
  readonly decoder: Decoder;
  /** The list as it is kept, and where each operation stands in it. */
  readonly list: Int32Array;
  readonly at: Int32Array;
  /** The first list, and who does what in it. */
  readonly first: Int32Array;
  readonly firstWho: Int32Array;
  /** The list as it would be. */
  readonly next: Int32Array;
  cost = Infinity;
  setupMinutes = 0;
  // The plan that is kept, by operation.
  readonly who: Int32Array;
  readonly end: Int32Array;
  readonly index: Int32Array;
  readonly changeOver: Int32Array;
  readonly afterOnBench: Int32Array;
  /** What comes after each at its bench. */
  readonly beforeOnBench: Int32Array;
  /**
   * Minutes from the beginning of each operation to the end of all, in a room where that is a matter of order alone.
   */
  readonly tails?: Int32Array;
  readonly afterAtStation: Int32Array;
  readonly afterOnRack: Int32Array;
  /** What each job adds to the cost, summed up to it: to draw one by what it costs. */
  private readonly share: Float64Array;
  private lastJob = 0;
  private readonly keys: Float64Array;
  private readonly benchLast: Int32Array;
  private readonly benchState: Int32Array;

  constructor(
    readonly m: Model,
    readonly length = m.ops,
  ) {
    const ints = () => new Int32Array(m.ops);
    this.decoder = new Decoder(m);
    this.list = ints();
    this.at = ints();
    this.next = ints();
    this.first = ints();
    this.firstWho = ints();
    this.who = ints();
    this.end = ints();
    this.index = ints();
    this.changeOver = ints();
    this.afterOnBench = ints();
    this.beforeOnBench = ints();
    if (isShop(m)) this.tails = ints();
    this.afterAtStation = ints();
    this.afterOnRack = ints();
    this.keys = new Float64Array(m.ops);
    this.benchLast = new Int32Array(m.people);
    this.benchState = new Int32Array(m.people);
    this.share = new Float64Array(m.jobs);
  }

  /** Takes over a list, whatever it costs. */
  set(list: Int32Array, who: Int32Array): void {
    this.next.set(list);
    this.decoder.who.set(who);
    this.decoder.forget(0);
    this.keep(this.runStraight(0, Infinity), 0);
  }

  /** Tries `next`, which is as the list up to `from`. @returns whether it costs no more than `most`; then it is kept */
  try(from: number, most: number): boolean {
    const cost = this.runStraight(from, most);
    if (cost > most) {
      this.takeBack();
      return false;
    }
    this.keep(cost, from);
    return true;
  }

  /**
   * Runs `next`, and what was made of it where the list could not be kept to, until it can: then it makes the same
   * again.
   */
  private runStraight(from: number, most: number): number {
    const { decoder: d } = this;
    let cost = d.run(this.next, this.length, from, most);
    for (let tries = 0; !d.isStraight && cost <= most; tries++) {
      if (tries === MOST_RERUNS && most < Infinity) return Infinity;
      if (tries > MOST_RERUNS) return cost;
      this.next.set(d.order);
      cost = d.run(this.next, this.length, from, most);
    }
    return cost;
  }

  private keep(cost: number, from: number): void {
    const { decoder: d } = this;
    this.cost = cost;
    this.setupMinutes = d.setupMinutes;
    // What stands before is as it was, and what the decoder holds of it may be of a change that was taken back.
    for (let i = d.resumedAt; i < this.length; i++) {
      const o = d.order[i]!;
      this.list[i] = o;
      this.at[o] = i;
      this.who[o] = d.who[o]!;
      this.end[o] = d.end[o]!;
      this.index[o] = d.index[o]!;
      this.afterAtStation[o] = d.afterAtStation[o]!;
      this.afterOnRack[o] = d.afterOnRack[o]!;
    }
    d.forget(from);
    this.lookAtBenches();
    this.shareOut();
  }

  /** What stands before each operation at its bench, and the change-over between. */
  private lookAtBenches(): void {
    const { m, benchLast, benchState } = this;
    benchLast.fill(NONE);
    benchState.set(m.initial);
    for (let i = 0; i < this.length; i++) {
      const o = this.list[i]!;
      const p = this.who[o]!;
      let last = benchLast[p]!;
      if (last < 0 || this.index[last]! <= this.index[o]!) benchLast[p] = o;
      else {
        // It was done in a gap.
        let next = last;
        for (
          last = this.afterOnBench[last]!;
          last >= 0 && this.index[last]! > this.index[o]!;
          last = this.afterOnBench[last]!
        )
          next = last;
        this.afterOnBench[next] = o;
      }
      this.afterOnBench[o] = last;
      const state = m.setup[o]!;
      this.changeOver[o] = m.changeOverTo(benchState[p]!, state);
      if (state >= 0) benchState[p] = state;
    }
    if (this.tails) this.lookBack(this.tails);
  }

  private lookBack(tails: Int32Array): void {
    const { m, benchLast, beforeOnBench } = this;
    benchLast.fill(NONE);
    for (let i = this.length - 1; i >= 0; i--) {
      const o = this.list[i]!;
      const p = this.who[o]!;
      const after = benchLast[p]!;
      beforeOnBench[o] = after;
      benchLast[p] = o;
      const bench = after < 0 ? 0 : tails[after]!;
      const job = m.isLast[o] ? 0 : tails[o + 1]!;
      tails[o] = m.minutes[o * m.people + p]! + (bench > job ? bench : job);
    }
  }

  private takeBack(): void {
    this.decoder.who.set(this.who);
    this.decoder.end.set(this.end);
    this.decoder.index.set(this.index);
  }

  private shareOut(): void {
    const { m, decoder, share } = this;
    let sum = 0;
    let latest = -1;
    for (let j = 0; j < m.jobs; j++) {
      const last = m.firstOp[j + 1]! - 1;
      const over = last < m.firstOp[j]! ? 0 : this.end[last]! + m.dry[last]!;
      const late = over - m.due[j]!;
      sum += late > 0 ? m.weight[j]! * late : 0;
      if (decoder.isLeftOut(j)) sum += m.problem.horizon * Math.max(1, m.weight[j]!);
      share[j] = sum;
      if (over > latest) {
        latest = over;
        this.lastJob = j;
      }
    }
  }

  /** The job that is over last. */
  latestJob(): number {
    return this.lastJob;
  }

  /** A job drawn by how much its lateness weighs; any of them where nothing is late. */
  costlyJob(random: Random): number {
    const { share, m } = this;
    const all = share[m.jobs - 1]!;
    if (!(all > 0)) return random.below(m.jobs);
    const x = random.next() * all;
    let low = 0;
    let high = m.jobs - 1;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (share[middle]! > x) high = middle;
      else low = middle + 1;
    }
    return low;
  }

  /**
   * Goes back from an operation over what it had to wait for, to the beginning.
   * @param path filled with operations, the last first
   * @param by why the operation at the same place had to wait for the one after it: BENCH, STATION or another cause
   * @returns how many
   */
  trace(from: number, random: Random, path: Int32Array, by: Uint8Array): number {
    const { m } = this;
    let length = 0;
    let jumps = 0;
    for (let o = from; o !== NONE && length < path.length;) {
      path[length] = o;
      by[length] = NOTHING;
      const i = this.index[o]!;
      const p = this.who[o]!;
      const bench = this.afterOnBench[o]!;
      let cause = NOTHING;
      let before = NONE;
      let found = 0;
      const binds = (x: number, why: number): void => {
        found++;
        if (found > 1 && random.below(found) !== 0) return;
        before = x;
        cause = why;
      };
      if (bench >= 0 && this.index[bench]! + m.minutes[bench * m.people + p]! + this.changeOver[o]! >= i)
        binds(bench, BENCH);
      const atStation = this.afterAtStation[o]!;
      if (atStation >= 0 && m.hours.indexAt(p, this.end[atStation]!) >= i) binds(atStation, STATION);
      for (let k = m.predsFrom[o]!; k < m.predsFrom[o + 1]!; k++) {
        const x = m.preds[k]!;
        if (m.hours.indexAt(p, this.end[x]! + m.dry[x]!) >= i) binds(x, JOB);
      }
      // What makes room on a rack may begin when this ends: of such steps back in a circle only a few are taken.
      if (this.afterOnRack[o]! >= 0 && jumps < MOST_JUMPS) binds(this.afterOnRack[o]!, RACK);
      if (cause === RACK) jumps++;
      by[length++] = cause;
      o = before;
    }
    by[length - 1] = NOTHING;
    return length;
  }

  /**
   * Puts u behind v, which comes later at the same bench, and as little else as can be elsewhere: where u would have
   * to take the rest of its job with it, the work of the bench between goes ahead of it instead.
   * @returns from where the list has changed, or NONE
   */
  moveAfter(u: number, v: number): number {
    const { list, at, next, m, who } = this;
    const from = at[u]!;
    const to = at[v]!;
    const job = m.jobOf[u]!;
    if (m.jobOf[v] === job || from >= to) return NONE;
    const rest = m.isLast[u] === 1 ? to + 1 : at[u + 1]!;
    if (rest > to || m.isChain[job] === 0 || who[u] !== who[v]) return this.carryAfter(from, to, job);
    const cut = rest - 1;
    const p = who[u]!;
    let k = from;
    for (let i = from + 1; i <= cut; i++) next[k++] = list[i]!;
    for (let i = cut + 1; i <= to; i++) {
      const x = list[i]!;
      if (who[x] !== p) continue;
      if (m.jobOf[x] === job || (m.isFirst[x] === 0 && at[x - 1]! > cut)) return this.carryAfter(from, to, job);
      next[k++] = x;
    }
    next[k++] = u;
    for (let i = cut + 1; i <= to; i++) if (who[list[i]!] !== p) next[k++] = list[i]!;
    return from;
  }

  /** Puts v before u, which comes earlier at the same bench, and as little else as can be elsewhere. */
  moveBefore(v: number, u: number): number {
    const { list, at, next, m, who } = this;
    const from = at[u]!;
    const to = at[v]!;
    const job = m.jobOf[v]!;
    if (m.jobOf[u] === job || from >= to) return NONE;
    const before = m.isFirst[v] === 1 ? -1 : at[v - 1]!;
    if (before < from || m.isChain[job] === 0 || who[u] !== who[v]) return this.carryBefore(from, to, job);
    const p = who[u]!;
    let k = from;
    for (let i = from; i <= before; i++) if (who[list[i]!] !== p) next[k++] = list[i]!;
    next[k++] = v;
    for (let i = from; i <= before; i++) {
      const x = list[i]!;
      if (who[x] !== p) continue;
      if (m.jobOf[x] === job || (m.isLast[x] === 0 && at[x + 1]! <= before)) return this.carryBefore(from, to, job);
      next[k++] = x;
    }
    for (let i = before + 1; i < to; i++) next[k++] = list[i]!;
    return from;
  }

  /** Everything of a job that stands in a stretch of the list goes to its end. */
  private carryAfter(from: number, to: number, job: number): number {
    const { list, next, m } = this;
    let k = from;
    for (let i = from; i <= to; i++) if (m.jobOf[list[i]!] !== job) next[k++] = list[i]!;
    for (let i = from; i <= to; i++) if (m.jobOf[list[i]!] === job) next[k++] = list[i]!;
    return from;
  }

  /** Everything of a job that stands in a stretch of the list goes to its beginning. */
  private carryBefore(from: number, to: number, job: number): number {
    const { list, next, m } = this;
    let k = from;
    for (let i = from; i <= to; i++) if (m.jobOf[list[i]!] === job) next[k++] = list[i]!;
    for (let i = from; i <= to; i++) if (m.jobOf[list[i]!] !== job) next[k++] = list[i]!;
    return from;
  }

  /** Takes one operation to another place of the list. */
  moveTo(o: number, to: number): number {
    const { list, at, next } = this;
    const from = at[o]!;
    if (from === to) return NONE;
    if (from < to) {
      for (let i = from; i < to; i++) next[i] = list[i + 1]!;
      next[to] = o;
      return from;
    }
    for (let i = from; i > to; i--) next[i] = list[i - 1]!;
    next[to] = o;
    return to;
  }

  /**
   * Puts the list in the order of time, as far as that makes the same plan: then little of it has to be placed anew
   * after a change, and what stands near is what happens about then.
   */
  straighten(): void {
    const { m, keys, list } = this;
    for (let i = 0; i < this.length; i++) {
      const o = list[i]!;
      keys[o] = m.rack[o]! >= 0 ? this.end[o]! : m.hours.clockAt(this.who[o]!, this.index[o]!);
    }
    this.next.set(list);
    this.next.subarray(0, this.length).sort((a, b) => keys[a]! - keys[b]! || this.at[a]! - this.at[b]!);
    this.decoder.forget(0);
    // Sums of the same figures in another order differ in the last place.
    if (!this.try(0, this.cost + Math.abs(this.cost) * 1e-9)) this.decoder.forget(0);
    this.next.set(this.list);
  }

  /** Makes `next` the list again, over the stretch that a move may have touched. */
  reset(): void {
    this.next.set(this.list);
  }
}

const MOST_JUMPS = 4;
const MOST_RERUNS = 4;
export const NOTHING = 0;
export const BENCH = 1;
export const STATION = 2;
export const JOB = 3;
export const RACK = 4;

/**
 * Whether a plan is a matter of order alone: everybody works all the time, nothing is shared, only the end of all
 * counts.
 */
function isShop(m: Model): boolean {
  const { objective } = m.problem;
  return (
    m.people > 0 &&
    m.isChain.every((c) => c === 1) &&
    m.station.every((s) => s === NONE) &&
    m.setup.every((s) => s === NONE) &&
    m.dry.every((d) => d === 0) &&
    m.choices.length === m.ops &&
    m.hours.only.every((from, p) => from === 0 && m.hours.total[p] === m.problem.horizon) &&
    !m.hasPins &&
    objective.tardiness + objective.flow + objective.setup === 0
  );
}
