import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { feathersToBuy, shareFeathers, type ShortOfClass, type SortedClass } from ".";

const small = { fromMm: 5, toMm: 6, count: 10 };
const large = { fromMm: 6, toMm: 8, count: 90 };
const want = (from: number, to: number, feathers: number): ShortOfClass => ({ barbMm: [from, to], feathers });

describe("feathers to buy", () => {
  const cases: [string, SortedClass[], ShortOfClass[], number, readonly [number, number] | undefined][] = [
    ["nothing is short", [small, large], [], 0, undefined],
    ["nothing was sorted yet", [], [want(5, 6, 20)], 20, undefined],
    ["a tenth of a skin is small", [small, large], [want(5, 6, 20)], 200, [5, 6]],
    ["any length will do", [small, large], [want(5, 8, 20)], 20, undefined],
    ["of a length that no skin gave, nothing is known", [large], [want(5, 6, 20)], 20, undefined],
    ["the scarcer of two decides", [small, large], [want(5, 6, 3), want(6, 8, 60)], 67, [6, 8]],
    ["two who share a stretch", [small, large], [want(5, 6, 5), want(5, 6, 5)], 100, [5, 6]],
  ];
  test.each(cases)("%s", (_name, sorted, short, feathers, scarce) => {
    expect(feathersToBuy(sorted, short)).toEqual({ feathers, ...(scarce && { scarce }) });
  });

  test("as many as that, of skins as they were sorted, meet every batch; a tenth fewer do not", () => {
    const classes = fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 5 });
    const demand = fc.record({ from: fc.nat(4), more: fc.nat(4), feathers: fc.integer({ min: 1, max: 40 }) });
    fc.assert(
      fc.property(classes, fc.array(demand, { minLength: 1, maxLength: 5 }), (counts, list) => {
        const sorted = counts.map((count, i) => ({ fromMm: 4 + i, toMm: 5 + i, count }));
        const last = counts.length - 1;
        const short = list.map((d) => {
          const [a, b] = [Math.min(d.from, last), Math.min(d.from + d.more, last)];
          return want(4 + a, 5 + b, d.feathers);
        });
        const { feathers, scarce } = feathersToBuy(sorted, short);
        const all = counts.reduce((n, c) => n + c, 0);
        const metBy = (bought: number): number =>
          shareFeathers(
            // A skin's share of a class, rounded up: a whole feather more never makes it fewer.
            sorted.map((c, i) => ({ ...c, id: String(i), count: Math.ceil((c.count * bought) / all) })),
            short.map((s, i) => ({ id: String(i), due: "2027-01-01", rank: 1, order: i, ...s })),
          ).demands.reduce((n, d) => n + d.short, 0);
        expect(metBy(feathers)).toBe(0);
        if (scarce && feathers > 40) {
          const exact = (bought: number): number =>
            shareFeathers(
              sorted.map((c, i) => ({ ...c, id: String(i), count: Math.floor((c.count * bought) / all) })),
              short.map((s, i) => ({ id: String(i), due: "2027-01-01", rank: 1, order: i, ...s })),
            ).demands.reduce((n, d) => n + d.short, 0);
          expect(exact(Math.floor(feathers * 0.9))).toBeGreaterThan(0);
        }
      }),
      { seed: 17, numRuns: 250 },
    );
  });

  test("refuses counts that are none", () => {
    expect(() => feathersToBuy([{ ...small, count: -1 }], [])).toThrow(
      expect.objectContaining({ code: "FIGURE_OUT_OF_BOUNDS" }),
    );
  });
});
