/**
 * Numbers that look random and are the same for the same seed, everywhere.
 * Source: T. Ettinger's mulberry32 (public domain, 2017): one 32-bit state, full period.
 */
export class Random {
  private state: number;

  constructor(seed: number) {
    this.state = seed >>> 0;
  }

  /** In [0, 1). */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let t = this.state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  }

  /** A whole number in [0, n), for n ≥ 1. */
  below(n: number): number {
    return Math.floor(this.next() * n);
  }
}
