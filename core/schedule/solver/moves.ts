import { NONE, type Model } from "./model";
import { BENCH, STATION, type Plan } from "./plan";
import type { Random } from "../../numeric";

/**
 * The changes that a search tries. Each writes the changed list to `plan.next`, and people to `plan.decoder.who`, and
 * returns the place from which the list is another one; NONE when there was nothing to change.
 */
export class Moves {
  private readonly path: Int32Array;
  private readonly by: Uint8Array;
  private length = 0;
  private isTraced = false;
  private readonly sameState: number[][];
  private readonly kinds: { weight: number; move: (most: number) => number }[];
  private readonly all: number;
  /** Whether all jobs go from one person to the next in the same order. */
  private readonly isFlow: boolean;
  private readonly spare: Int32Array;
  private readonly segment: Int32Array;
  private readonly heads: Int32Array;

  constructor(
    private readonly m: Model,
    private readonly plan: Plan,
    private readonly random: Random,
  ) {
    this.path = new Int32Array(m.ops + 1);
    this.by = new Uint8Array(m.ops + 1);
    this.spare = new Int32Array(m.ops);
    this.segment = new Int32Array(m.ops);
    this.heads = new Int32Array(m.ops);
    this.sameState = [];
    for (let o = 0; o < m.ops; o++) if (m.setup[o]! >= 0) (this.sameState[m.setup[o]!] ??= []).push(o);
    const { setup } = m.problem;
    const hasChoices = m.choices.length > m.ops;
    const hasSetups = this.sameState.length > 0 && setup.pattern + setup.thread + setup.hook > 0;
    const isShop = plan.tails !== undefined;
    this.isFlow = isFlow(m);
    this.kinds = [
      { weight: 4, move: (most: number) => this.onCriticalPath(most) },
      { weight: isShop && !this.isFlow ? 0.2 : 1.5, move: () => this.job() },
      { weight: isShop ? 0.05 : 1.5, move: () => this.anywhere() },
      { weight: hasChoices ? 2 : 0, move: () => this.person() },
      { weight: hasChoices ? 1 : 0, move: () => this.exchange() },
      { weight: hasSetups ? 1.5 : 0, move: () => this.gather() },
    ].filter((k) => k.weight > 0);
    this.all = this.kinds.reduce((sum, k) => sum + k.weight, 0);
  }

  /** After a change is kept: the critical path is another one. */
  forget(): void {
    this.isTraced = false;
  }

  /** @param most what a plan may cost at most: what is seen to cost more is not even tried */
  draw(most: number): number {
    let x = this.random.next() * this.all;
    for (const k of this.kinds) {
      x -= k.weight;
      if (x < 0) return k.move(most);
    }
    return NONE;
  }

  /** An operation whose job costs something. */
  private tracedFrom(): number {
    const { m, plan, random } = this;
    const { objective } = m.problem;
    const isMakespan = objective.makespan > 0 && (objective.tardiness + objective.flow === 0 || random.below(8) === 0);
    const job = isMakespan ? plan.latestJob() : random.below(4) > 0 ? plan.costlyJob(random) : random.below(m.jobs);
    return m.firstOp[job + 1]! - 1;
  }

  private trace(): void {
    // With one objective and one last job the path stays: it is followed anew now and then, for where it forks.
    if (this.isTraced && this.random.below(6) > 0) return;
    this.length = this.plan.trace(this.tracedFrom(), this.random, this.path, this.by);
    this.isTraced = true;
  }

  /** Two operations of a critical path that follow each other at a bench or station change places; or one is moved. */
  private onCriticalPath(most: number): number {
    const { random, plan, path, by } = this;
    this.trace();
    if (this.length < 2) return NONE;
    // An arc to begin with; from there to the next one that is of a bench.
    let k = random.below(this.length - 1);
    for (let tries = 0; tries < this.length && by[k] !== BENCH && by[k] !== STATION; tries++)
      k = k + 1 < this.length - 1 ? k + 1 : 0;
    if (by[k] !== BENCH && by[k] !== STATION) return NONE;
    const kind = by[k]!;
    // The block: path[high] is first in time, path[low] last.
    let low = k;
    while (low > 0 && by[low - 1] === kind) low--;
    let high = k + 1;
    while (by[high] === kind) high++;
    const x = random.next();
    const size = high - low + 1;
    // Places in the block, in the order of time, from which one operation goes and to which.
    let a: number;
    let b: number;
    if (size === 2 || x < 0.15) [a, b] = [high - k - 1, high - k];
    else if (x < 0.45) [a, b] = random.below(2) === 0 ? [0, 1] : [size - 2, size - 1];
    else if (x < 0.7) [a, b] = [random.below(size), 0];
    else if (x < 0.95) [a, b] = [random.below(size), size - 1];
    else [a, b] = [random.below(size), random.below(size)];
    if (a === b) [a, b] = a === 0 ? [0, size - 1] : [a, 0];
    if (kind === BENCH && plan.tails && this.estimate(high, a, b, plan.tails) > most) return NONE;
    const moved = path[high - a]!;
    const other = path[high - b]!;
    if (Math.abs(a - b) === 1) return a < b ? this.swap(moved, other) : this.swap(other, moved);
    return a < b ? plan.moveAfter(moved, other) : plan.moveBefore(moved, other);
  }

  /**
   * How long the longest way through the operations of a block would be if the one at place a went to place b: an
   * estimate, exact for neighbours, of what the plan would take at least. For rooms without hours, change-overs and
   * shared places.
   *
   * Source: E. Balas and A. Vazacopoulos, Management Science 44 (1998).
   */
  private estimate(high: number, a: number, b: number, tails: Int32Array): number {
    const { m, plan, path, segment } = this;
    const low = Math.min(a, b);
    const n = Math.abs(a - b) + 1;
    for (let i = 0; i < n; i++) {
      const at = a < b ? (i === n - 1 ? a : low + i + 1) : i === 0 ? a : low + i - 1;
      segment[i] = path[high - at]!;
    }
    const p = plan.who[segment[0]!]!;
    const first = path[high - low]!;
    const before = plan.afterOnBench[first]!;
    let free = before < 0 ? 0 : plan.end[before]!;
    for (let i = 0; i < n; i++) {
      const o = segment[i]!;
      const ready = m.isFirst[o] ? m.release[m.jobOf[o]!]! : plan.end[o - 1]!;
      this.heads[i] = free > ready ? free : ready;
      free = this.heads[i]! + m.minutes[o * m.people + p]!;
    }
    const after = plan.beforeOnBench[path[high - low - n + 1]!]!;
    let rest = after < 0 ? 0 : tails[after]!;
    let longest = 0;
    for (let i = n - 1; i >= 0; i--) {
      const o = segment[i]!;
      const job = m.isLast[o] ? 0 : tails[o + 1]!;
      rest = m.minutes[o * m.people + p]! + (rest > job ? rest : job);
      if (this.heads[i]! + rest > longest) longest = this.heads[i]! + rest;
    }
    return longest * m.problem.objective.makespan;
  }

  private swap(u: number, v: number): number {
    return this.random.below(2) === 0 ? this.plan.moveAfter(u, v) : this.plan.moveBefore(v, u);
  }

  private anyOp(): number {
    const { m, random } = this;
    if (random.below(2) === 0) return random.below(m.ops);
    this.trace();
    return this.length > 0 ? this.path[random.below(this.length)]! : random.below(m.ops);
  }

  /** One operation to another place between what it waits for and what waits for it; mostly not far. */
  private anywhere(): number {
    const { plan, random } = this;
    const o = this.anyOp();
    const to = this.placeFor(o, random.below(4) > 0 ? 24 : this.m.ops);
    return to === NONE ? NONE : plan.moveTo(o, to);
  }

  private placeFor(o: number, reach: number): number {
    const { plan, random, m } = this;
    const here = plan.at[o]!;
    let low = Math.max(0, here - reach);
    let high = Math.min(plan.length - 1, here + reach);
    for (let i = m.predsFrom[o]!; i < m.predsFrom[o + 1]!; i++) low = Math.max(low, plan.at[m.preds[i]!]! + 1);
    const job = m.jobOf[o]!;
    for (let x = m.firstOp[job]!; x < m.firstOp[job + 1]!; x++)
      if (x !== o && plan.at[x]! > here) high = Math.min(high, plan.at[x]! - 1);
    return high <= low ? NONE : low + random.below(high - low + 1);
  }

  /** Somebody else does it; at its place of the list, or at another. */
  private person(): number {
    const { m, plan, random } = this;
    const o = this.anyOp();
    const p = this.otherPerson(o);
    if (p === NONE) return NONE;
    plan.decoder.who[o] = p;
    const to = random.below(2) === 0 ? this.placeFor(o, 16) : NONE;
    return to === NONE ? plan.at[o]! : Math.min(plan.at[o]!, plan.moveTo(o, to) === NONE ? m.ops : to);
  }

  private otherPerson(o: number): number {
    const { m, plan, random } = this;
    const from = m.choicesFrom[o]!;
    const count = m.choicesFrom[o + 1]! - from;
    if (count < 2) return NONE;
    const p = m.choices[from + random.below(count)]!;
    return p === plan.who[o] ? NONE : p;
  }

  private may(o: number, p: number): boolean {
    return this.m.minutes[o * this.m.people + p]! > 0;
  }

  /** Two operations of the same kind of people change places and people. */
  private exchange(): number {
    const { m, plan, random } = this;
    const a = this.anyOp();
    const b = random.below(4) > 0 ? this.near(a) : random.below(m.ops);
    if (m.jobOf[a] === m.jobOf[b] || !this.may(a, plan.who[b]!) || !this.may(b, plan.who[a]!)) return NONE;
    if (!this.fitsAt(a, plan.at[b]!) || !this.fitsAt(b, plan.at[a]!)) return NONE;
    plan.next[plan.at[a]!] = b;
    plan.next[plan.at[b]!] = a;
    plan.decoder.who[a] = plan.who[b]!;
    plan.decoder.who[b] = plan.who[a]!;
    return Math.min(plan.at[a]!, plan.at[b]!);
  }

  /** Whether a place of the list lies behind what an operation waits for and before the rest of its job. */
  private fitsAt(o: number, to: number): boolean {
    const { m, plan } = this;
    const here = plan.at[o]!;
    const job = m.jobOf[o]!;
    for (let x = m.firstOp[job]!; x < m.firstOp[job + 1]!; x++) {
      if (x === o) continue;
      const at = plan.at[x]!;
      if (at < here !== at < to) return false;
    }
    return true;
  }

  /** An operation that needs a change-over goes next to one that is set up alike. */
  private gather(): number {
    const { m, plan, random } = this;
    let o = NONE;
    for (let tries = 0; tries < 8 && o === NONE; tries++) {
      const x = random.below(m.ops);
      if (m.setup[x]! >= 0 && plan.changeOver[x]! > 0) o = x;
    }
    if (o === NONE) return NONE;
    const alike = this.sameState[m.setup[o]!]!;
    const w = alike[random.below(alike.length)]!;
    if (w === o || m.jobOf[w] === m.jobOf[o] || !this.may(o, plan.who[w]!)) return NONE;
    const from = plan.at[o]!;
    const to = plan.at[w]!;
    // Behind it: before whatever stands there now.
    const changed = from < to ? plan.moveAfter(o, w) : to + 1 === from ? from : plan.moveBefore(o, plan.list[to + 1]!);
    if (changed !== NONE) plan.decoder.who[o] = plan.who[w]!;
    return changed;
  }

  /** A whole job goes before or behind another: each of its operations beside the other's with the same person. */
  private job(): number {
    const { m, plan, random, spare } = this;
    const { list, next, at } = plan;
    const o = this.anyOp();
    const j = m.jobOf[o]!;
    const k = !this.isFlow && random.below(8) > 0 ? m.jobOf[this.near(o)]! : random.below(m.jobs);
    if (j === k || m.firstOp[k]! === m.firstOp[k + 1]!) return NONE;
    const isBehind = random.below(2) === 0;
    let rest = 0;
    let from = m.ops;
    for (let i = 0; i < plan.length; i++) if (m.jobOf[list[i]!] !== j) spare[rest++] = list[i]!;
    // Beside which operation each one goes; never before what stands before it in its job.
    let written = 0;
    let taken = 0;
    for (let o = m.firstOp[j]!; o < m.firstOp[j + 1]!; o++) {
      const beside = this.besideIn(k, o, o - m.firstOp[j]!);
      while (taken < rest && (isBehind ? at[spare[taken]!]! <= at[beside]! : at[spare[taken]!]! < at[beside]!)) {
        if (next[written] !== spare[taken]) from = Math.min(from, written);
        next[written++] = spare[taken++]!;
      }
      if (next[written] !== o) from = Math.min(from, written);
      next[written++] = o;
    }
    while (taken < rest) {
      if (next[written] !== spare[taken]) from = Math.min(from, written);
      next[written++] = spare[taken++]!;
    }
    return from === m.ops ? NONE : from;
  }

  /** An operation that stands near another in the list: mostly very near. */
  private near(o: number): number {
    const { plan, random } = this;
    const reach = Math.min(plan.length, 1 + Math.floor(2 / (random.next() ** 1.5 + 0.002)));
    const at = plan.at[o]! + (random.below(2) === 0 ? -reach : reach);
    return plan.list[Math.max(0, Math.min(plan.length - 1, at))]!;
  }

  private besideIn(k: number, o: number, ordinal: number): number {
    const { m, plan } = this;
    const alike = m.firstOp[k]! + ordinal;
    if (alike < m.firstOp[k + 1]! && this.may(alike, plan.who[o]!)) return alike;
    for (let x = m.firstOp[k]!; x < m.firstOp[k + 1]!; x++) if (plan.who[x] === plan.who[o]) return x;
    return Math.min(m.firstOp[k]! + ordinal, m.firstOp[k + 1]! - 1);
  }
}

function isFlow(m: Model): boolean {
  const count = m.firstOp[1]! - m.firstOp[0]!;
  for (let o = 0; o < m.ops; o++) {
    const job = m.jobOf[o]!;
    if (m.firstOp[job + 1]! - m.firstOp[job]! !== count) return false;
    const alike = o - m.firstOp[job]!;
    if (
      m.choicesFrom[o + 1]! - m.choicesFrom[o]! !== 1 ||
      m.choices[m.choicesFrom[o]!] !== m.choices[m.choicesFrom[alike]!]
    )
      return false;
  }
  return true;
}
