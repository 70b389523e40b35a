import { describe, expect, test } from "vitest";
import { materialCostOf, type Difference } from ".";

const of = (material: string, before: number, after: number): Difference => ({
  key: material,
  role: "rib",
  material,
  materialName: `the ${material}`,
  unit: "um",
  before,
  after,
});

describe("what another way costs in material", () => {
  test("is what it takes more of, less what it takes less of", () => {
    const prices = new Map([
      ["wire", 0.001],
      ["tinsel", 0.004],
    ]);
    expect(materialCostOf([of("wire", 5000, 0), of("tinsel", 0, 2000)], prices)).toEqual({ cents: 3, unpriced: [] });
    expect(materialCostOf([], prices)).toEqual({ cents: 0, unpriced: [] });
  });
  test("what has no price is named once, and never counted as nothing that is known", () => {
    const found = materialCostOf([of("wire", 0, 1000), of("yarn", 0, 9), of("yarn", 3, 4)], new Map([["wire", 0.002]]));
    expect(found).toEqual({ cents: 2, unpriced: ["the yarn"] });
  });
  test("what was a gift costs nothing, and is known to", () =>
    expect(materialCostOf([of("wool", 10, 20)], new Map([["wool", 0]]))).toEqual({ cents: 0, unpriced: [] }));
});
