import type { Difference } from "./differences";

export interface CostDifference {
  /** In the smallest coins, not rounded; negative where it is cheaper. Of what has a price. */
  cents: number;
  /** Materials of which nobody knows a price: unknown is not nought. */
  unpriced: string[];
}

/**
 * What the material of two ways costs more or less.
 *
 * @param differences of the same number of flies
 * @param prices coins for one base unit of each material, ≥ 0
 * @example materialCostOf([{ material: "wire", before: 0, after: 2000, … }], new Map([["wire", 0.001]])).cents // 2
 */
export function materialCostOf(
  differences: readonly Difference[],
  prices: ReadonlyMap<string, number>,
): CostDifference {
  const priced = differences.filter((d) => prices.has(d.material));
  const unpriced = differences.filter((d) => !prices.has(d.material)).map((d) => d.materialName);
  return {
    cents: priced.reduce((sum, d) => sum + (d.after - d.before) * (prices.get(d.material) ?? 0), 0),
    unpriced: [...new Set(unpriced)],
  };
}
