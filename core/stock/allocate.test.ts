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
  test("fibres long enough: by the class, by what was measured, and unknown ones may do", () => {
    const demand = { quantity: n(4), mixLots: true, fibreMm: 50 };
    const long = lot("a", 9, { barb: [48, 54] });
    const short = lot("b", 9, { barb: [40, 49] });
    const measured = lot("c", 9, { fibreMm: 49.9 });
    const unknown = lot("d", 9);
    expect(took(demand, [short, measured])).toEqual({});
    expect(took(demand, [long, short, measured])).toEqual({ a: 4 });
    expect(took(demand, [measured, unknown])).toEqual({ d: 4 });
    expect(took(demand, [lot("e", 9, { fibreMm: 50 })])).toEqual({ e: 4 });
  });
  test("of another part of the skin will not do; known to be of that part goes before what may be", () => {
    const demand = { quantity: n(6), mixLots: true, area: "lower wing" };
    const [whole, upper, lower] = [
      lot("a", 9),
      lot("b", 9, { area: "upper wing" }),
      lot("c", 4, { area: "Lower wing" }),
    ];
    expect(took(demand, [whole, upper, lower])).toEqual({ c: 4, a: 2 });
    expect(took(demand, [upper])).toEqual({});
    expect(took({ ...demand, area: undefined }, [upper, lower])).toEqual({ b: 6 });
  });
  test("stripped hooks wait until the new ones are gone", () =>
    expect(took({ quantity: n(5), mixLots: true }, [lot("a", 4, { used: true }), lot("b", 4)])).toEqual({
      b: 4,
      a: 1,
    }));
  test("uses remnants first, then fills up", () =>
    expect(took({ quantity: n(5), mixLots: false }, [lot("a", 9), lot("b", 2, { remnant: true })])).toEqual({
      b: 2,
      a: 3,
    }));
  test("a remnant too short for one length is not touched, and a longer one gives whole lengths only", () => {
    const mm = (length: number) => quantity(length * 1000, "um");
    const of = (id: string, length: number, more: Partial<LotInDrawer> = {}): LotInDrawer => ({
      ...lot(id, 0, more),
      free: mm(length),
    });
    const demand = { quantity: mm(240), mixLots: false, piece: mm(60) };
    const stock = [of("a", 50, { remnant: true }), of("b", 130, { remnant: true }), of("c", 20_000)];
    expect(took(demand, stock)).toEqual({ b: 120_000, c: 120_000 });
    expect(allocate(demand, stock.slice(0, 2))).toMatchObject({ short: 120_000 });
  });
  test("of remnants that all would do, those are cut that waste least", () => {
    const mm = (length: number) => quantity(length * 1000, "um");
    const remnant = (id: string, length: number) => ({ ...lot(id, 0, { remnant: true }), free: mm(length) });
    const lots = [remnant("a", 95), remnant("b", 62), remnant("c", 121)];
    expect(took({ quantity: mm(60), mixLots: false, piece: mm(60) }, lots)).toEqual({ c: 60_000 });
    expect(took({ quantity: mm(180), mixLots: false, piece: mm(60) }, lots)).toEqual({ b: 60_000, c: 120_000 });
  });
  test("what is opened is used up before another is begun", () =>
    expect(took({ quantity: n(5), mixLots: false }, [lot("a", 9), lot("b", 3, { opened: true })])).toEqual({
      b: 3,
      a: 2,
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
