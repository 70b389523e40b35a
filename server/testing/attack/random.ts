import { Random } from "@kasten/core/numeric";

/** Seeded chance: the same seed attacks in the same way. */
export class Chance extends Random {
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
