import { describe, expect, test } from "vitest";
import { Random } from "../numeric";
import { fliesLeft, type LotUse } from ".";

describe("flies that are left in a lot", () => {
  test("by hand: two flies of each piece, from one lot", () => {
    const one = fliesLeft(50, [{ gone: 100, flies: 200 }]);
    const spread = Math.exp(1.2816 * Math.sqrt(0.04 + 1 / 200 + 0.04));
    expect(one?.likely).toBeCloseTo(100, 9);
    expect(one?.low).toBeCloseTo(100 / spread, 9);
    expect(one?.high).toBeCloseTo(100 * spread, 9);
  });
  test.each([
    ["no lot", []],
    ["one of which hardly a fly was tied", [{ gone: 10, flies: 5 }]],
    ["one of which nothing is gone", [{ gone: 0, flies: 12 }]],
  ] as [string, LotUse[]][])("%s tells nothing", (_name, lots) => expect(fliesLeft(10, lots)).toBeUndefined());
  test("more lots make it surer, and nothing left is no fly", () => {
    const lots = Array.from({ length: 8 }, () => ({ gone: 100, flies: 150 }));
    const [few, many] = [fliesLeft(100, lots.slice(0, 1)), fliesLeft(100, lots)];
    expect((many?.high ?? 0) - (many?.low ?? 0)).toBeLessThan((few?.high ?? 0) - (few?.low ?? 0));
    expect(fliesLeft(0, lots)).toMatchObject({ likely: 0, low: 0, high: 0, lots: 8 });
  });
  test("eight of ten lots end within what was said, when lots differ as it thinks they do", () => {
    const random = new Random(4);
    const normal = (): number => Math.sqrt(-2 * Math.log(1 - random.next())) * Math.cos(2 * Math.PI * random.next());
    let held = 0;
    const RUNS = 4000;
    for (let run = 0; run < RUNS; run++) {
      const rate = Math.exp(normal());
      const flies = (): number => Math.round(200 * rate * Math.exp(0.2 * normal()));
      const lots = Array.from({ length: 4 }, () => ({ gone: 200, flies: flies() }));
      const said = fliesLeft(200, lots);
      const truth = flies();
      if (said && truth >= said.low && truth <= said.high) held++;
    }
    expect(held / RUNS).toBeGreaterThan(0.77);
    expect(held / RUNS).toBeLessThan(0.83);
  });
  test("refuses what cannot be", () => {
    expect(() => fliesLeft(-1, [])).toThrow(expect.objectContaining({ code: "FIGURE_OUT_OF_BOUNDS" }));
    expect(() => fliesLeft(1, [{ gone: Infinity, flies: 1 }])).toThrow(
      expect.objectContaining({ code: "FIGURE_OUT_OF_BOUNDS" }),
    );
  });
});
