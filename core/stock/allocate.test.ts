import { describe, expect, test } from "vitest";
import { quantity } from "../units";
import { allocate, type LotInDrawer } from "./allocate";

const n = (count: number) => quantity(count, "count");
const lot = (id: string, free: number, more: Partial<LotInDrawer> = {}): LotInDrawer => ({
  lot: id,
  place: 1,
  free: n(free),
  dyeLot: "",
  receivedAt: `2026-01-0${id.charCodeAt(0) - 96}`,
  remnant: false,
  ...more,
});
const took = (...args: Parameters<typeof allocate>) =>
  Object.fromEntries(allocate(...args).take.map((t) => [t.lot, t.quantity]));

describe("allocate", () => {
  test("takes the oldest lot that covers the whole demand", () =>
    expect(took({ quantity: n(5), mixLots: false }, [lot("c", 9), lot("a", 4), lot("b", 8)])).toEqual({ b: 5 }));
  test("uses remnants first, then fills up", () =>
    expect(took({ quantity: n(5), mixLots: false }, [lot("a", 9), lot("b", 2, { remnant: true })])).toEqual({
      b: 2,
      a: 3,
    }));
  test("combines undyed lots when none covers alone", () =>
    expect(took({ quantity: n(10), mixLots: false }, [lot("a", 4), lot("b", 4), lot("c", 4)])).toEqual({
      a: 4,
      b: 4,
      c: 2,
    }));
  test("does not mix dye lots unless told to", () => {
    const lots = [lot("a", 6, { dyeLot: "x" }), lot("b", 7, { dyeLot: "y" })];
    expect(allocate({ quantity: n(10), mixLots: false }, lots)).toEqual({
      take: [{ lot: "b", place: 1, quantity: 7 }],
      short: 3,
      needsMixing: true,
    });
    expect(allocate({ quantity: n(10), mixLots: true }, lots)).toMatchObject({ short: 0, needsMixing: false });
  });
  test("keeps sides apart", () => {
    const lots = [lot("a", 6, { side: "left" }), lot("b", 2, { side: "right" })];
    expect(allocate({ quantity: n(4), side: "right", mixLots: false }, lots)).toEqual({
      take: [{ lot: "b", place: 1, quantity: 2 }],
      short: 2,
      needsMixing: false,
    });
  });
  test("accepts a class by its middle, ends included, and no unsorted feathers", () => {
    const lots = [lot("a", 5, { barb: [5.5, 6.5] }), lot("b", 5, { barb: [6.5, 7.5] }), lot("c", 5)];
    expect(took({ quantity: n(9), barb: [6, 6.9], mixLots: false }, lots)).toEqual({ a: 5 });
    expect(took({ quantity: n(9), barb: [6, 7], mixLots: false }, lots)).toEqual({ a: 5, b: 4 });
  });
  test("says how much is missing of nothing", () =>
    expect(allocate({ quantity: n(3), mixLots: false }, [])).toEqual({ take: [], short: 3, needsMixing: false }));
});
