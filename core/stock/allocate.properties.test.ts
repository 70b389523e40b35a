import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { quantity } from "../units";
import { allocate, eligibleLots, type LotDemand, type LotInDrawer } from "./allocate";

const lots = fc
  .array(
    fc.record({
      free: fc.integer({ min: 0, max: 12 }).map((n) => quantity(n, "count")),
      dyeLot: fc.constantFrom("", "", "x", "y", "z"),
      side: fc.constantFrom(undefined, "left" as const, "right" as const),
      barb: fc.constantFrom(
        undefined,
        [5, 6] as [number, number],
        [6, 7] as [number, number],
        [8, 10] as [number, number],
      ),
      day: fc.integer({ min: 1, max: 28 }),
      remnant: fc.boolean(),
    }),
    { maxLength: 8 },
  )
  .map((list) =>
    list.map(({ day, ...l }, i): LotInDrawer => ({
      ...l,
      lot: `lot ${i}`,
      place: i,
      receivedAt: `2026-02-${String(day).padStart(2, "0")}`,
    })),
  );
const demand: fc.Arbitrary<LotDemand> = fc.record({
  quantity: fc.integer({ min: 1, max: 40 }).map((n) => quantity(n, "count")),
  side: fc.constantFrom(undefined, "left" as const, "right" as const),
  barb: fc.constantFrom(undefined, [5, 7] as [number, number], [8, 9] as [number, number]),
  mixLots: fc.boolean(),
});
const sum = (list: { quantity: number }[]) => list.reduce((all, t) => all + t.quantity, 0);

describe("whatever lies in the drawers", () => {
  test("what is taken and what is short add up; no lot gives more than it has, none twice, none for nothing", () =>
    fc.assert(
      fc.property(demand, lots, (d, all) => {
        const { take, short } = allocate(d, all);
        expect(sum(take) + short).toBe(d.quantity);
        expect(new Set(take.map((t) => t.lot)).size).toBe(take.length);
        for (const t of take) {
          expect(t.quantity).toBeGreaterThan(0);
          expect(t.quantity).toBeLessThanOrEqual(all.find((l) => l.lot === t.lot)?.free ?? 0);
        }
      }),
    ));

  test("only lots of the side and class that are asked for are touched", () =>
    fc.assert(
      fc.property(demand, lots, (d, all) => {
        const right = new Set(eligibleLots(d, all).map((l) => l.lot));
        for (const t of allocate(d, all).take) expect(right.has(t.lot)).toBe(true);
      }),
    ));

  test("dye lots stay apart unless somebody has said so", () =>
    fc.assert(
      fc.property(demand, lots, (d, all) => {
        const used = new Set(
          allocate({ ...d, mixLots: false }, all).take.map((t) => all.find((l) => l.lot === t.lot)?.dyeLot),
        );
        expect(used.size).toBeLessThanOrEqual(1);
      }),
    ));

  test("as much is met as can be: all of one dye lot at best, or all there is where lots may be mixed", () =>
    fc.assert(
      fc.property(demand, lots, (d, all) => {
        const fit = eligibleLots(d, all);
        const of = (dye: string) => fit.filter((l) => l.dyeLot === dye).reduce((n, l) => n + l.free, 0);
        const dyed = fit.some((l) => l.dyeLot !== "");
        const most =
          d.mixLots || !dyed ? fit.reduce((n, l) => n + l.free, 0) : Math.max(0, ...fit.map((l) => of(l.dyeLot)));
        expect(sum(allocate(d, all).take)).toBe(Math.min(d.quantity, most));
      }),
    ));

  test("mixing is named as the way out just where it is one", () =>
    fc.assert(
      fc.property(demand, lots, (d, all) => {
        const apart = allocate({ ...d, mixLots: false }, all);
        const mixed = allocate({ ...d, mixLots: true }, all);
        expect(apart.needsMixing).toBe(apart.short > 0 && mixed.short === 0);
      }),
    ));

  test("asking for more never gives less", () =>
    fc.assert(
      fc.property(demand, lots, (d, all) => {
        expect(sum(allocate({ ...d, quantity: quantity(d.quantity + 1, "count") }, all).take)).toBeGreaterThanOrEqual(
          sum(allocate(d, all).take),
        );
      }),
    ));
});
