import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { codeOf } from "../testing/refusal";
import {
  formatSize,
  hookAt,
  hookMass,
  hookQuantities,
  placeAt,
  profileEnd,
  spotOf,
  zoneOf,
  type HookModel,
  type HookRow,
  type Place,
} from ".";

const model = (more: Partial<HookModel> = {}): HookModel => ({
  id: "m",
  name: "m",
  shankSteps: 0,
  wireSteps: 0,
  barbless: false,
  rows: [],
  ...more,
});
const size = fc.integer({ min: 2, max: 20 }).map(formatSize);
const measured = fc
  .tuple(
    fc.integer({ min: 4, max: 8 }),
    fc.integer({ min: 12, max: 18 }),
    fc.double({ min: 6, max: 9, noNaN: true }),
    fc.double({ min: 14, max: 22, noNaN: true }),
  )
  .map(([large, small, short, long]): HookRow[] => [
    { size: String(large), shank: long },
    { size: String(small), shank: short },
  ]);
const place: fc.Arbitrary<Place> = fc.oneof(
  fc.constantFrom("eye", "point", "barb", "bend", "intoBend").map((landmark) => ({ landmark }) as Place),
  fc.double({ min: 0, max: 3, noNaN: true }).map((eyeLengths) => ({ eyeLengths })),
  fc.double({ min: 0, max: 1, noNaN: true }).map((fraction) => ({ fraction })),
);

describe("whatever was measured", () => {
  test("a measured size is given back as it was measured", () =>
    fc.assert(
      fc.property(measured, (rows) => {
        for (const r of rows) expect(hookAt(model({ rows }), r.size).shank).toBe(r.shank);
      }),
    ));

  test("between two measured sizes a figure lies between theirs, and falls with the hook", () =>
    fc.assert(
      fc.property(measured, (rows) => {
        const [long, short] = rows as [HookRow, HookRow];
        const between = Array.from(
          { length: Number(short.size) - Number(long.size) + 1 },
          (_, i) => hookAt(model({ rows }), String(Number(long.size) + i)).shank,
        );
        for (const mm of between) {
          expect(mm).toBeLessThanOrEqual((long.shank ?? 0) + 1e-9);
          expect(mm).toBeGreaterThanOrEqual((short.shank ?? 0) - 1e-9);
        }
        expect(between).toEqual([...between].sort((a, b) => b - a));
      }),
    ));

  test("equal steps of size are equal ratios", () =>
    fc.assert(
      fc.property(measured, (rows) => {
        const at = (n: number) => hookAt(model({ rows }), String(n)).shank;
        const [from, to] = [Number(rows[0]?.size), Number(rows[1]?.size)];
        const ratios = Array.from({ length: to - from }, (_, i) => at(from + i + 1) / at(from + i));
        for (const r of ratios) expect(r).toBeCloseTo(ratios[0] ?? 0, 9);
      }),
    ));

  test("two sizes beyond are extended, a third is refused and says what to measure", () =>
    fc.assert(
      fc.property(measured, (rows) => {
        const last = Number(rows[1]?.size);
        expect(hookAt(model({ rows }), String(last + 2)).shank).toBeLessThan(rows[1]?.shank ?? 0);
        expect(codeOf(() => hookAt(model({ rows }), String(last + 3)))).toBe("HOOK_SIZE_TOO_FAR");
      }),
    ));

  test("one row alone shifts the nominal hook by one ratio at every size", () =>
    fc.assert(
      fc.property(size, fc.double({ min: 0.7, max: 1.4, noNaN: true }), (at, ratio) => {
        const rows = [{ size: "12", shank: ratio * hookAt(model(), "12").shank }];
        expect(hookAt(model({ rows }), at).shank / hookAt(model(), at).shank).toBeCloseTo(ratio, 9);
        expect(hookAt(model({ rows }), at).gape).toBe(hookAt(model(), at).gape);
      }),
    ));

  test("a weighed hook weighs what it weighed; others by their wire, larger ones more", () => {
    expect(hookMass(hookAt(model({ rows: [{ size: "12", mass: 61 }] }), "12"))).toBe(61);
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 20 }), (n) => {
        expect(hookMass(hookAt(model(), formatSize(n - 1)))).toBeGreaterThan(hookMass(hookAt(model(), formatSize(n))));
      }),
    );
  });

  test("every figure says where it is from", () =>
    fc.assert(
      fc.property(size, (at) => {
        for (const q of hookQuantities) expect(hookAt(model(), at).sources[q]).toEqual({ from: "nominal" });
      }),
    ));
});

describe("places and zones on any hook", () => {
  test("landmarks stand in their order, whatever the family", () =>
    fc.assert(
      fc.property(
        size,
        fc.integer({ min: -2, max: 4 }),
        fc.integer({ min: -2, max: 2 }),
        (at, shankSteps, gapeSteps) => {
          fc.pre(codeOf(() => hookAt(model({ shankSteps, gapeSteps }), at)) === "no error");
          const h = hookAt(model({ shankSteps, gapeSteps }), at);
          const mm = (["eye", "point", "barb", "bend", "intoBend"] as const).map((landmark) =>
            placeAt({ landmark }, h),
          );
          expect(mm).toEqual([...mm].sort((a, b) => a - b));
          expect(profileEnd(h)).toBeGreaterThan(mm.at(-1) ?? Infinity);
        },
      ),
    ));

  test("a zone given either way round is the same zone, turned", () =>
    fc.assert(
      fc.property(size, place, place, fc.double({ min: 0, max: 2, noNaN: true }), (at, p, q, bead) => {
        const h = hookAt(model(), at);
        const [a, b] = [placeAt(p, h, bead), placeAt(q, h, bead)];
        fc.pre(codeOf(() => zoneOf(a, b, h, bead)) === "no error");
        const [there, back] = [zoneOf(a, b, h, bead), zoneOf(b, a, h, bead)];
        expect([there.from, there.to]).toEqual([back.from, back.to]);
        expect(there.turned).not.toBe(back.turned);
        expect(there.from).toBeGreaterThanOrEqual(bead - 1e-9);
        expect(there.to).toBeLessThanOrEqual(profileEnd(h) + 1e-9);
        expect(there.to).toBeGreaterThan(there.from);
      }),
    ));

  test("what no zone can be is refused by the reason, never clipped to nothing", () => {
    const h = hookAt(model(), "12");
    expect(codeOf(() => zoneOf(-1, 4, h))).toBe("ZONE_OVER_EYE");
    expect(codeOf(() => zoneOf(2, profileEnd(h) + 1, h))).toBe("ZONE_BEYOND_PROFILE");
    expect(codeOf(() => zoneOf(3, 3, h))).toBe("ZONE_EMPTY");
    expect(codeOf(() => zoneOf(0.5, 2, h, 2.4))).toBe("ZONE_UNDER_BEAD");
    expect(codeOf(() => spotOf(1, h, 2.4))).toBe("SPOT_UNDER_BEAD");
    expect(codeOf(() => spotOf(profileEnd(h) + 0.1, h))).toBe("SPOT_OFF_PROFILE");
    expect(codeOf(() => placeAt({ landmark: "betweenBends" }, h))).toBe("LANDMARK_NOT_THERE");
    expect(placeAt({ landmark: "betweenBends" }, hookAt(model({ points: 2 }), "12"))).toBeGreaterThan(h.shank);
  });

  test("a bead moves what is counted from the eye by just its length, and no fraction", () =>
    fc.assert(
      fc.property(
        size,
        fc.double({ min: 0, max: 4, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (at, bead, k) => {
          const h = hookAt(model(), at);
          expect(placeAt({ eyeLengths: k }, h, bead) - placeAt({ eyeLengths: k }, h)).toBeCloseTo(bead, 9);
          expect(placeAt({ landmark: "eye" }, h, bead)).toBe(bead);
          expect(placeAt({ fraction: k / 3 }, h, bead)).toBe(placeAt({ fraction: k / 3 }, h));
        },
      ),
    ));
});
