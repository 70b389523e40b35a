import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { DomainError } from "../errors";
import { solveLp as solve } from "../testing/solveLp";
import { cheapestMix, packPrice, priceMix, type MixOffer, type MixProblem } from ".";

const plain = (supplier: string, material: string, pack: number, cents: number): MixOffer => ({
  supplier,
  material,
  pack,
  prices: [{ fromPacks: 1, cents }],
});

describe("the cheapest mix", () => {
  test("whole packs from whoever is cheaper by the piece", () => {
    const mix = cheapestMix(
      {
        needs: [{ material: "hook", quantity: 130 }],
        offers: [plain("a", "hook", 100, 1100), plain("b", "hook", 25, 300)],
        suppliers: [{ id: "a" }, { id: "b" }],
      },
      solve,
    );
    expect(mix).toMatchObject({ totalCents: 1700, proved: true, uncovered: [] });
    expect(mix.orders.flatMap((o) => o.lines.map((l) => [o.supplier, l.packs]))).toEqual([
      ["a", 1],
      ["b", 2],
    ]);
  });
  test("one parcel instead of two where sending costs more than is saved", () => {
    const problem: MixProblem = {
      needs: [
        { material: "hook", quantity: 100 },
        { material: "bead", quantity: 100 },
      ],
      offers: [plain("a", "hook", 100, 1000), plain("a", "bead", 100, 2300), plain("b", "bead", 100, 2000)],
      suppliers: [
        { id: "a", freight: { cents: 500 } },
        { id: "b", freight: { cents: 500 } },
      ],
    };
    const mix = cheapestMix(problem, solve);
    expect(mix.orders.map((o) => o.supplier)).toEqual(["a"]);
    expect(mix.totalCents).toBe(3800);
  });
  test("a pack more than is needed where sending is free from there on", () => {
    const mix = cheapestMix(
      {
        needs: [{ material: "wire", quantity: 2 }],
        offers: [plain("a", "wire", 1, 400)],
        suppliers: [{ id: "a", freight: { cents: 700, freeFromCents: 1200 } }],
      },
      solve,
    );
    expect(mix).toMatchObject({ totalCents: 1200, proved: true });
    expect(mix.orders[0]).toMatchObject({ freightCents: 0, goodsCents: 1200 });
  });
  test("a least order is filled up, or another supplier is asked", () => {
    const offers = [plain("a", "wire", 1, 400), plain("b", "wire", 1, 900)];
    const needs = [{ material: "wire", quantity: 2 }];
    const of = (minimumCents: number) =>
      cheapestMix({ needs, offers, suppliers: [{ id: "a", minimumCents }, { id: "b" }] }, solve);
    expect(of(1500)).toMatchObject({ totalCents: 1600, orders: [{ supplier: "a" }] });
    expect(of(2500)).toMatchObject({ totalCents: 1800, orders: [{ supplier: "b" }] });
  });
  test("a break from so many packs on holds for all of them, and more may cost less", () => {
    const prices = [
      { fromPacks: 1, cents: 500 },
      { fromPacks: 5, cents: 380 },
    ];
    expect([packPrice(prices, 4), packPrice(prices, 5)]).toEqual([500, 380]);
    const mix = cheapestMix(
      {
        needs: [{ material: "bead", quantity: 400 }],
        offers: [{ supplier: "a", material: "bead", pack: 100, prices }],
        suppliers: [{ id: "a" }],
      },
      solve,
    );
    expect(mix.orders[0]?.lines[0]).toMatchObject({ packs: 5, cents: 380, totalCents: 1900 });
  });
  test("grades by what can be tied with: the dearer one that wastes less", () => {
    const mix = cheapestMix(
      {
        needs: [{ material: "cape", quantity: 800 }],
        offers: [
          { ...plain("a", "cape", 400, 3000), usable: 0.45 },
          { ...plain("b", "cape", 400, 4500), usable: 0.95 },
        ],
        suppliers: [{ id: "a" }, { id: "b" }],
      },
      solve,
    );
    expect(mix.orders.map((o) => [o.supplier, o.lines[0]?.packs])).toEqual([
      ["a", 1],
      ["b", 2],
    ]);
    expect(mix.totalCents).toBe(12_000);
  });
  test("all of one dye lot comes from one offer", () => {
    const problem = (together: boolean): MixProblem => ({
      needs: [{ material: "yarn", quantity: 7, together }],
      offers: [
        { ...plain("a", "yarn", 1, 100), mostPacks: 5 },
        { ...plain("b", "yarn", 1, 150), mostPacks: 9 },
      ],
      suppliers: [{ id: "a" }, { id: "b" }],
    });
    expect(cheapestMix(problem(false), solve).orders).toHaveLength(2);
    expect(cheapestMix(problem(true), solve)).toMatchObject({ totalCents: 1050, orders: [{ supplier: "b" }] });
  });
  test("what nobody sells, or not enough of, is told and the rest is bought", () => {
    const mix = cheapestMix(
      {
        needs: [
          { material: "jay", quantity: 3 },
          { material: "wire", quantity: 9 },
        ],
        offers: [{ ...plain("a", "wire", 2, 100), mostPacks: 3 }],
        suppliers: [{ id: "a" }],
      },
      solve,
    );
    expect(mix.uncovered).toEqual([
      { material: "jay", missing: 3 },
      { material: "wire", missing: 3 },
    ]);
    expect(mix.orders[0]?.lines[0]?.packs).toBe(3);
  });
  test("quantities of a spool in µm are covered to the last one", () => {
    const mix = cheapestMix(
      {
        needs: [{ material: "thread", quantity: 100_000_001 }],
        offers: [plain("a", "thread", 100_000_000, 250)],
        suppliers: [{ id: "a" }],
      },
      solve,
    );
    expect(mix.orders[0]?.lines[0]?.packs).toBe(2);
  });
  test.each([
    ["a pack of nothing", { offers: [plain("a", "x", 0, 1)] }],
    ["a price below nothing", { offers: [plain("a", "x", 1, -1)] }],
    [
      "breaks that fall back",
      {
        offers: [
          {
            ...plain("a", "x", 1, 1),
            prices: [
              { fromPacks: 1, cents: 2 },
              { fromPacks: 1, cents: 1 },
            ],
          },
        ],
      },
    ],
    ["a need of less than nothing", { needs: [{ material: "x", quantity: -3 }] }],
    [
      "a material needed twice",
      {
        needs: [
          { material: "x", quantity: 3 },
          { material: "x", quantity: 3 },
        ],
      },
    ],
  ])("%s is refused", (_what, wrong) =>
    expect(() => cheapestMix({ needs: [], offers: [], suppliers: [], ...wrong }, solve)).toThrow(DomainError),
  );
  test("a solver that answers nonsense is not believed", () =>
    expect(() =>
      cheapestMix(
        { needs: [{ material: "x", quantity: 3 }], offers: [plain("a", "x", 1, 1)], suppliers: [{ id: "a" }] },
        () => ({ optimal: true, status: "Optimal", values: { x0_0: 1 } }),
      ),
    ).toThrow(expect.objectContaining({ code: "SOLVER_FAILED" }) as DomainError));
});

const termsArb = fc.record({
  minimumCents: fc.constantFrom(0, 0, 300, 900),
  freightCents: fc.constantFrom(0, 200),
  freeFromCents: fc.constantFrom(undefined, 600),
});
const offerArb = fc.record({
  supplier: fc.constantFrom("a", "b"),
  material: fc.constantFrom("p", "q"),
  pack: fc.integer({ min: 1, max: 4 }),
  cents: fc.integer({ min: 50, max: 300 }),
  off: fc.constantFrom(undefined, 0.5, 0.8),
});

/** Tries every number of packs of every offer up to eight. */
function exhaustive(problem: MixProblem): number {
  let least = Infinity;
  const packs = problem.offers.map(() => 0);
  const go = (i: number): void => {
    if (i < packs.length) {
      for (let n = 0; n <= 8; n++) {
        packs[i] = n;
        go(i + 1);
      }
      packs[i] = 0;
      return;
    }
    const isCovered = problem.needs.every(
      (need) =>
        problem.offers.reduce((q, o, k) => q + (o.material === need.material ? o.pack * (packs[k] ?? 0) : 0), 0) >=
        need.quantity,
    );
    if (!isCovered) return;
    const { orders, totalCents } = priceMix(problem.suppliers, problem.offers, packs);
    const terms = new Map(problem.suppliers.map((s) => [s.id, s]));
    if (orders.every((o) => o.goodsCents >= (terms.get(o.supplier)?.minimumCents ?? 0)))
      least = Math.min(least, totalCents);
  };
  go(0);
  return least;
}

test("no mix is cheaper by trying all of them", () =>
  fc.assert(
    fc.property(
      fc.array(offerArb, { minLength: 1, maxLength: 4 }),
      fc.tuple(termsArb, termsArb),
      fc.tuple(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 1, max: 6 })),
      (list, [a, b], [p, q]) => {
        const offers = list.map(({ supplier, material, pack, cents, off }) => ({
          supplier,
          material,
          pack,
          mostPacks: 8,
          prices: [
            { fromPacks: 1, cents },
            ...(off === undefined ? [] : [{ fromPacks: 3, cents: Math.round(cents * off) }]),
          ],
        }));
        const suppliers = [a, b].map((t, i) => ({
          id: i === 0 ? "a" : "b",
          minimumCents: t.minimumCents,
          freight: { cents: t.freightCents, ...(t.freeFromCents !== undefined && { freeFromCents: t.freeFromCents }) },
        }));
        const offered = (m: string, quantity: number) =>
          offers.some((o) => o.material === m && o.pack * 8 >= quantity) ? [{ material: m, quantity }] : [];
        const problem = { needs: [...offered("p", p), ...offered("q", q)], offers, suppliers };
        const least = exhaustive(problem);
        if (least === Infinity) return;
        const mix = cheapestMix(problem, solve);
        expect(mix.proved).toBe(true);
        expect(mix.totalCents).toBe(problem.needs.length === 0 ? 0 : least);
      },
    ),
    { numRuns: 60 },
  ));
