/** Seeded chance: the same seed attacks in the same way. */
export class Chance {
  private state: number;
  constructor(seed: number) {
    this.state = seed >>> 0;
  }
  /** From 0 up to 1: mulberry32. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0;
    let t = this.state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  }
  below(n: number): number {
    return Math.floor(this.next() * n);
  }
  pick<T>(list: readonly T[]): T {
    const found = list[this.below(list.length)];
    if (found === undefined) throw new Error("nothing to pick from");
    return found;
  }
  /** True so often in a hundred. */
  percent(n: number): boolean {
    return this.next() * 100 < n;
  }
}
