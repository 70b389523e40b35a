import { joined } from "../calendar";

/**
 * The working hours of all people in flat arrays. A person's minutes of work are numbered: index i is the i-th minute
 * in which they work. Work that pauses at the end of a window and goes on in the next is a run of indices.
 *
 * Beyond the horizon everybody works all the time. No plan that is given out reaches there; a search may pass through
 * plans that do, and is drawn back by what each minute of it costs.
 */
export class Hours {
  /** Windows of person p: from `first[p]` to `first[p + 1]`, exclusive. */
  private readonly first: Int32Array;
  private readonly starts: Int32Array;
  private readonly ends: Int32Array;
  /** Working minutes before each window. */
  private readonly before: Int32Array;
  /** Working minutes of each person before the horizon. */
  readonly total: Int32Array;
  /** For each stretch of STRETCH clock minutes (working minutes) of a person: a window at or before its beginning. */
  private readonly byClock: Int32Array;
  private readonly byIndex: Int32Array;
  /** Where a person's only window begins; −1 where there are more, or none. */
  readonly only: Int32Array;
  private table?: Int32Array;
  private back?: Int32Array;
  private readonly stretches: number;

  constructor(
    windows: readonly (readonly (readonly [number, number])[])[],
    readonly horizon: number,
  ) {
    const people = windows.length;
    const own = windows.map((w) => inOrder(w, horizon));
    const count = own.reduce((sum, w) => sum + w.length, 0);
    this.first = new Int32Array(people + 1);
    this.starts = new Int32Array(count);
    this.ends = new Int32Array(count);
    this.before = new Int32Array(count);
    this.total = new Int32Array(people);
    this.only = Int32Array.from(own, (w) => (w.length === 1 ? (w[0]?.[0] ?? -1) : -1));
    this.stretches = (horizon >> STRETCH) + 2;
    this.byClock = new Int32Array(people * this.stretches);
    this.byIndex = new Int32Array(people * this.stretches);
    let at = 0;
    own.forEach((list, p) => {
      this.first[p] = at;
      let worked = 0;
      for (const [start, end] of list) {
        this.starts[at] = start;
        this.ends[at] = end;
        this.before[at] = worked;
        worked += end - start;
        at++;
      }
      this.total[p] = worked;
      this.first[p + 1] = at;
      this.hint(p);
    });
    if (own.some((w) => w.length > 1) && people * horizon <= MOST_MINUTES) this.tabulate(own);
  }

  /** For rooms that are not too large: each minute's index, and each index's minute, ready to be looked up. */
  private tabulate(own: [number, number][][]): void {
    const { horizon } = this;
    const table = new Int32Array(own.length * horizon);
    const back = new Int32Array(own.length * horizon);
    own.forEach((list, p) => {
      let i = 0;
      let t = 0;
      for (const [start, end] of list) {
        table.fill(i, p * horizon + t, p * horizon + start);
        for (t = start; t < end; t++) {
          table[p * horizon + t] = i;
          back[p * horizon + i++] = t;
        }
      }
      table.fill(i, p * horizon + t, (p + 1) * horizon);
    });
    this.table = table;
    this.back = back;
  }

  private hint(p: number): void {
    const from = this.first[p]!;
    const to = this.first[p + 1]!;
    let w = from;
    let v = from;
    for (let s = 0; s < this.stretches; s++) {
      const t = s << STRETCH;
      while (w + 1 < to && this.starts[w + 1]! <= t) w++;
      while (v + 1 < to && this.before[v + 1]! <= t) v++;
      this.byClock[p * this.stretches + s] = w;
      this.byIndex[p * this.stretches + s] = v;
    }
  }

  /** Index of the first working minute at or after clock minute t ≥ 0. */
  indexAt(p: number, t: number): number {
    const only = this.only[p]!;
    if (this.table && t < this.horizon) return this.table[p * this.horizon + t]!;
    if (only >= 0 && t < this.horizon) return t <= only ? 0 : t < only + this.total[p]! ? t - only : this.total[p]!;
    if (t >= this.horizon) return this.total[p]! + t - this.horizon;
    const to = this.first[p + 1]!;
    let w = this.byClock[p * this.stretches + (t >> STRETCH)]!;
    if (w >= to) return this.total[p]!;
    while (w + 1 < to && this.starts[w + 1]! <= t) w++;
    const start = this.starts[w]!;
    if (t <= start) return this.before[w]!;
    const end = this.ends[w]!;
    return this.before[w]! + (t < end ? t : end) - start;
  }

  /** Clock minute of working minute i ≥ 0. */
  clockAt(p: number, i: number): number {
    const total = this.total[p]!;
    if (i >= total) return this.horizon + i - total;
    if (this.back) return this.back[p * this.horizon + i]!;
    const only = this.only[p]!;
    if (only >= 0) return only + i;
    const to = this.first[p + 1]!;
    let w = this.byIndex[p * this.stretches + (i >> STRETCH)]!;
    while (w + 1 < to && this.before[w + 1]! <= i) w++;
    return this.starts[w]! + i - this.before[w]!;
  }

  /** Whether minute t is one of those that a person works. */
  isWorking(p: number, t: number): boolean {
    return t >= 0 && t < this.horizon && this.clockAt(p, this.indexAt(p, t)) === t;
  }
}

const STRETCH = 5;
/** Tables of so many minutes are kept: 32 MB each. */
const MOST_MINUTES = 8_000_000;

/** Windows sorted and joined where they overlap, within the horizon. */
export const inOrder = (windows: readonly (readonly [number, number])[], horizon: number): [number, number][] =>
  joined(windows.map(([from, to]) => [Math.max(0, from), Math.min(horizon, to)] as const));
