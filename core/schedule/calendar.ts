import { valueAt, nth } from "../numeric";

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
