import { DAY_MINUTES } from "../calendar";
import { inOrder } from "../solver/hours";
import type { SchedulePerson } from "../types";

/**
 * One person's working minutes while a plan is played through: as the calendar has them, less the days on which they
 * are away this time. Minutes of work are numbered, as in `Calendar`. After the last window they work on without end,
 * so that every operation ends some time.
 */
export class Diary {
  private readonly starts: Int32Array;
  private readonly ends: Int32Array;
  private readonly before: Int32Array;
  private readonly dayOf: Int32Array;
  private readonly all: [number, number][];
  private count = 0;
  private total = 0;
  private readonly beyond: number;
  /** The days on which they would work, counted from the first of the plan, and whether they are away. */
  readonly days: number[];
  readonly isAway: Uint8Array;
  isAnyAway = false;
  private isWhole = false;
  /** The windows of this run in which they are away. */
  private away: [number, number][] = [];

  /** @param until windows that begin later are never asked for */
  constructor(person: SchedulePerson, until: number) {
    this.all = inOrder(person.windows, until);
    const n = this.all.length;
    this.starts = new Int32Array(n);
    this.ends = new Int32Array(n);
    this.before = new Int32Array(n);
    const numbers = new Map<number, number>();
    this.dayOf = Int32Array.from(this.all, ([start]) => {
      const day = Math.floor(start / DAY_MINUTES);
      const known = numbers.get(day) ?? numbers.size;
      numbers.set(day, known);
      return known;
    });
    this.days = [...numbers.keys()];
    this.isAway = new Uint8Array(this.days.length);
    this.beyond = until;
  }

  /** Makes the minutes of a run, after `isAway` was set. */
  open(isAnyAway: boolean): void {
    this.isAnyAway = isAnyAway;
    if (!isAnyAway && this.isWhole) return;
    let count = 0;
    let total = 0;
    this.away = [];
    for (let w = 0; w < this.all.length; w++) {
      const window = this.all[w]!;
      if (isAnyAway && this.isAway[this.dayOf[w]!] === 1) {
        this.away.push(window);
        continue;
      }
      this.starts[count] = window[0];
      this.ends[count] = window[1];
      this.before[count] = total;
      total += window[1] - window[0];
      count++;
    }
    this.count = count;
    this.total = total;
    this.isWhole = !isAnyAway;
  }

  /** Index of the first minute of work at or after clock minute t. */
  indexAt(t: number): number {
    if (t >= this.beyond) return this.total + t - this.beyond;
    const w = last(this.starts, this.count, t);
    if (w < 0) return 0;
    const end = this.ends[w]!;
    return this.before[w]! + (t < end ? t : end) - this.starts[w]!;
  }

  /** Clock minute of minute of work i. */
  clockAt(i: number): number {
    if (i >= this.total) return this.beyond + i - this.total;
    const w = last(this.before, this.count, i);
    return this.starts[w]! + i - this.before[w]!;
  }

  /** Whether they are away in hours that lie between two minutes. */
  wasAway(from: number, to: number): boolean {
    return this.away.some(([start, end]) => start < to && end > from);
  }
}

/** The last of the first `count` ascending values that is not above x; −1 where all are. */
function last(values: Int32Array, count: number, x: number): number {
  let low = 0;
  let high = count;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (values[middle]! <= x) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}
