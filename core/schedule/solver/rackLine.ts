/** What became known of a place on the rack: when it is free, and by the beginning of which operation. */
export interface RackWait {
  at: number;
  by: number;
}

const FOR_EVER = 0x7fffffff;

/**
 * How many places of a rack are taken from which minute on. Flies whose next operation is not placed yet stay for good,
 * as far as is known. Work is placed nearly in the order of time, so both changes and questions touch the end only.
 */
export class RackLine {
  private times = new Int32Array(16);
  private used = new Int32Array(16);
  private by = new Int32Array(16);
  private count = 1;

  clear(): void {
    this.count = 1;
    this.times[0] = -FOR_EVER;
    this.used[0] = 0;
    this.by[0] = -1;
  }

  copyFrom(other: RackLine): void {
    while (this.times.length < other.count) this.grow();
    for (let i = 0; i < other.count; i++) {
      this.times[i] = other.times[i]!;
      this.used[i] = other.used[i]!;
      this.by[i] = other.by[i]!;
    }
    this.count = other.count;
  }

  /** From minute `at` on, `places` more (or, negative, fewer) are taken; `by` is the operation that begins then. */
  change(at: number, places: number, by: number): void {
    const { times, used } = this;
    let i = this.count - 1;
    while (times[i]! > at) i--;
    if (times[i] === at) {
      for (let k = i; k < this.count; k++) used[k]! += places;
      if (places < 0) this.by[i] = by;
      return;
    }
    if (this.count === times.length) {
      this.grow();
      this.change(at, places, by);
      return;
    }
    for (let k = this.count; k > i + 1; k--) {
      times[k] = times[k - 1]!;
      used[k] = used[k - 1]! + places;
      this.by[k] = this.by[k - 1]!;
    }
    times[i + 1] = at;
    used[i + 1] = used[i]! + places;
    this.by[i + 1] = places < 0 ? by : -1;
    this.count++;
  }

  /**
   * The first minute at or after `from` from which on no more than `most` places are taken, for `minutes` at least.
   * @param minutes FOR_EVER, as long as nobody knows when the flies will leave
   * @param found is told the minute and what frees the place then; −1 where nothing has to be waited for
   * @returns false when only flies whose stay has no known end could make room
   */
  freeFrom(from: number, minutes: number, most: number, found: RackWait): boolean {
    found.at = from;
    found.by = -1;
    if (minutes === FOR_EVER) {
      let i = this.count - 1;
      if (this.used[i]! > most) return false;
      while (this.times[i]! > from && this.used[i - 1]! <= most) i--;
      if (this.times[i]! > from) this.tell(i, found);
      return true;
    }
    let i = this.count - 1;
    while (this.times[i]! > from) i--;
    for (let k = i; k < this.count && (k === i || this.times[k]! < found.at + minutes); k++) {
      if (this.used[k]! <= most) continue;
      if (k === this.count - 1) return false;
      this.tell(k + 1, found);
      i = k + 1;
    }
    return true;
  }

  private tell(i: number, found: RackWait): void {
    found.at = this.times[i]!;
    found.by = this.by[i]!;
  }

  private grow(): void {
    const longer = (a: Int32Array): Int32Array<ArrayBuffer> => {
      const b = new Int32Array(a.length * 2);
      b.set(a);
      return b;
    };
    this.times = longer(this.times);
    this.used = longer(this.used);
    this.by = longer(this.by);
  }

  static readonly FOR_EVER = FOR_EVER;
}
