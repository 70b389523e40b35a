import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { codeOf } from "../testing/refusal";
import { DomainError } from "../errors";
import { sentenceOf } from "../sentences";
import {
  compareSizes,
  formatSize,
  hookAt,
  hookMass,
  normalSize,
  placeAt,
  profileEnd,
  sizeNumber,
  sizesBetween,
  sizeWithin,
  spotOf,
  zoneOf,
  type HookModel,
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

describe("hook sizes", () => {
  const cases: [string, number][] = [
    ["22", 22],
    ["14", 14],
    ["1", 1],
    ["1/0", 0],
    ["2/0", -1],
    ["3/0", -2],
    [" #16 ", 16],
    ["4 / 0", -3],
  ];
  test.each(cases)("%s is %i", (text, n) => expect(sizeNumber(text)).toBe(n));
  test.each(["", "0", "33", "11/0", "4/7", "ten", "-2", "1.5"])("“%s” is no size", (text) =>
    expect(codeOf(() => sizeNumber(text))).toBe("HOOK_SIZE_UNREADABLE"),
  );
  test("writing and reading a number gives it back", () =>
    fc.assert(
      fc.property(fc.integer({ min: -9, max: 32 }), (n) => {
        expect(sizeNumber(formatSize(n))).toBe(n);
      }),
    ));
  test.each([
    [{ from: "10", to: "16" }, ["10", "12", "14", "16"]],
    [{ from: "16", to: "13" }, ["13", "14", "16"]],
    [{ from: "2", to: "3/0" }, ["3/0", "1/0", "2"]],
    [{ from: "14", to: "14" }, ["14"]],
  ])("sizes of a span: %o", (span, sizes) => expect(sizesBetween(span)).toEqual(sizes));
  test("sorts from the smallest hook to the largest", () =>
    expect(["2", "1/0", "18", "3/0", "10"].sort(compareSizes)).toEqual(["18", "10", "2", "1/0", "3/0"]));
  test("has one written form", () => expect([" #8", "2 /0"].map(normalSize)).toEqual(["8", "2/0"]));
  test.each([
    ["12", true],
    ["10", true],
    ["16", true],
    ["8", false],
    ["18", false],
  ])("%s in 10 to 16: %s", (size, inside) => {
    expect(sizeWithin(size, { from: "10", to: "16" })).toBe(inside);
    expect(sizeWithin(size, { from: "16", to: "10" })).toBe(inside);
  });
  test("a span may cross the aught sizes", () =>
    expect(["4", "2", "1/0", "3/0", "4/0"].map((s) => sizeWithin(s, { from: "2", to: "3/0" }))).toEqual([
      false,
      true,
      true,
      true,
      false,
    ]));
});

describe("a hook at a size", () => {
  test("says of each figure where it is from", () => {
    const m = model({
      rows: [
        { size: "10", shank: 11.5, gape: 5.4 },
        { size: "14", shank: 8 },
      ],
    });
    const h = hookAt(m, "12");
    expect(h.sources.shank).toEqual({ from: "measured", where: "interpolated from sizes 10, 14" });
    expect(h.sources.gape).toEqual({ from: "measured", where: "size 10, by the nominal ratio" });
    expect(h.sources.wire).toEqual({ from: "nominal" });
    expect(hookAt(m, "10").sources.shank).toEqual({ from: "measured", where: "size 10" });
    expect(h.shank).toBeCloseTo(Math.sqrt(11.5 * 8), 9);
  });
  test("extends two sizes beyond what is measured and then asks for a measurement", () => {
    const m = model({
      rows: [
        { size: "10", shank: 11 },
        { size: "14", shank: 8 },
      ],
    });
    expect(hookAt(m, "16").shank).toBeLessThan(8);
    try {
      hookAt(m, "18");
      expect.unreachable();
    } catch (error) {
      expect(error).toMatchObject({
        code: "HOOK_SIZE_TOO_FAR",
        details: { size: "18", measure: ["size 18", "size 16"] },
      });
      expect(sentenceOf(error as DomainError)).toContain("Measure size 18 or size 16");
    }
  });
  test("a longer shank is that of a larger hook and nothing else changes", () => {
    const [plain, long] = [hookAt(model(), "10"), hookAt(model({ shankSteps: 2 }), "10")];
    expect(long.shank).toBeCloseTo(hookAt(model(), "8").shank, 9);
    expect([long.gape, long.wire, long.eye]).toEqual([plain.gape, plain.wire, plain.eye]);
  });
  test("a finer wire is that of a smaller hook", () =>
    expect(hookAt(model({ wireSteps: -2 }), "12").wire).toBeCloseTo(hookAt(model(), "14").wire, 9));
  test("every figure grows with the hook", () =>
    fc.assert(
      fc.property(fc.integer({ min: -3, max: 23 }), (n) => {
        const [small, large] = [hookAt(model(), formatSize(n + 1)), hookAt(model(), formatSize(n))];
        for (const q of ["shank", "gape", "wire", "eye", "point"] as const)
          expect(large[q], q).toBeGreaterThan(small[q]);
        expect(hookMass(large)).toBeGreaterThan(hookMass(small));
      }),
    ));
  test("the barb's place is there on a barbless hook too", () =>
    expect(hookAt(model({ barbless: true }), "12").barb).toBeCloseTo(9.3 - 0.19 * 4.8, 9));
});

describe("places and zones", () => {
  const h = hookAt(model(), "14");
  test.each([
    ["point", h.point],
    ["barb", h.barb],
    ["bend", h.shank],
    ["intoBend", h.shank + 0.39 * h.gape],
    ["eye", 0],
  ] as const)("%s", (landmark, mm) => expect(placeAt({ landmark }, h)).toBeCloseTo(mm, 9));
  test("a bead moves the eye and what is counted from it, not fractions", () => {
    expect(placeAt({ landmark: "eye" }, h, 2.4)).toBe(2.4);
    expect(placeAt({ eyeLengths: 2 }, h, 2.4)).toBeCloseTo(4.8, 9);
    expect(placeAt({ fraction: 0.5 }, h, 2.4)).toBeCloseTo(3.95, 9);
  });
  test("a zone given from the bend forward is turned round", () =>
    expect(zoneOf(6, 2, h)).toEqual({ from: 2, to: 6, turned: true }));
  const refusals: [string, () => unknown, string][] = [
    ["a zone before the eye", () => zoneOf(-0.5, 3, h), "ZONE_OVER_EYE"],
    ["a zone past the profile", () => zoneOf(3, profileEnd(h) + 0.1, h), "ZONE_BEYOND_PROFILE"],
    ["a zone of no length", () => zoneOf(3, 3, h), "ZONE_EMPTY"],
    ["a zone under the bead", () => zoneOf(0, 2, h, 2.4), "ZONE_UNDER_BEAD"],
    ["a spot under the bead", () => spotOf(1, h, 2.4), "SPOT_UNDER_BEAD"],
    ["a spot off the hook", () => spotOf(99, h), "SPOT_OFF_PROFILE"],
  ];
  test.each(refusals)("refuses %s", (_what, run, code) => expect(codeOf(run)).toBe(code));
});
