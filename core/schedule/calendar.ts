import { valueAt, nth } from "../numeric";

/** Minutes of a day, but for those on which the clocks change. */
export const DAY_MINUTES = 1440;

/** By how many days something is late: a day that has begun counts. */
export const lateDays = (minutes: number): number => Math.ceil(minutes / DAY_MINUTES);

/** Windows without a stretch of time. */
export const cutOut = (windows: readonly (readonly [number, number])[], from: number, to: number): [number, number][] =>
  windows.flatMap(([start, end]) => {
    const left: [number, number][] = [];
    if (start < from) left.push([start, Math.min(end, from)]);
    if (end > to) left.push([Math.max(start, to), end]);
    return left;
  });

/** Windows in their order, each minute once: those that overlap are joined, empty ones left out. */
export function joined(windows: readonly (readonly [number, number])[]): [number, number][] {
  const all: [number, number][] = [];
  for (const [start, end] of [...windows].sort((a, b) => a[0] - b[0] || a[1] - b[1])) {
    const last = all[all.length - 1];
    if (end <= start) continue;
    if (last && start <= last[1]) last[1] = Math.max(last[1], end);
    else all.push([start, end]);
  }
  return all;
}

/** The parts of a stretch of time that lie in somebody's windows: pauses are left out. */
export const workedIn = (
  windows: readonly (readonly [number, number])[],
  from: number,
  to: number,
): [number, number][] =>
  windows.flatMap(([start, end]): [number, number][] =>
    end > from && start < to ? [[Math.max(start, from), Math.min(end, to)]] : [],
  );

/**
 * A person's working windows as one line of working minutes. Index i is the i-th minute in which they work;
 * work that pauses at the end of a window and goes on in the next is a run of consecutive indices.
 */
export class Calendar {
  private readonly before: number[] = [];
  readonly total: number;

  constructor(readonly windows: readonly (readonly [number, number])[]) {
    let sum = 0;
    for (const [start, end] of windows) {
      this.before.push(sum);
      sum += end - start;
    }
    this.total = sum;
  }

  /** Working minutes before clock minute t: the index of the first working minute at or after t. */
  indexAt(t: number): number {
    let low = 0;
    let high = this.windows.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (nth(this.windows, middle)[0] <= t) low = middle + 1;
      else high = middle;
    }
    if (low === 0) return 0;
    const [start, end] = nth(this.windows, low - 1);
    return valueAt(this.before, low - 1) + Math.min(t, end) - start;
  }

  /** Clock minute of working minute i; undefined beyond the last window. */
  clockAt(i: number): number | undefined {
    if (i < 0 || i >= this.total) return undefined;
    let low = 0;
    let high = this.before.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (valueAt(this.before, middle) <= i) low = middle;
      else high = middle - 1;
    }
    return nth(this.windows, low)[0] + i - valueAt(this.before, low);
  }
}
