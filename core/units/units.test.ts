import { describe, expect, test } from "vitest";
import { refusalOf } from "../testing/refusal";
import { bounds, guard, less, lesser, MOST_QUANTITY, mmOf, quantity, quantityOf, sumOf, within } from ".";

describe("a quantity of stock is whole", () => {
  test("every length with one decimal from 1 to 300 mm", () => {
    const lengths = Array.from({ length: 2901 }, (_, i) => (10 + i) / 10);
    expect(lengths.filter((mm) => !Number.isInteger(quantityOf(mm, "um")))).toEqual([]);
    // What made the trouble: 64.1 · 1000 is 64099.99999999999 in binary.
    expect([64.1, 128.45].map((mm) => quantityOf(mm, "um"))).toEqual([64_100, 128_450]);
  });
  test.each([
    ["half a base unit goes up", () => quantity(2.5, "ug"), 3],
    ["up to the next", () => quantity(2.000001, "ug", "up"), 3],
    ["and not for what rounding added", () => quantity(3.0000000001, "ug", "up"), 3],
    ["up to what the drawer gives out: 10 mm", () => quantityOf(61, "um", "to issue"), 70_000],
    ["nothing is never minus nothing", () => Object.is(quantity(-0.2, "count"), 0), true],
  ])("%s", (_what, made, wanted) => expect(made()).toBe(wanted));
  test.each([NaN, Infinity, -1, MOST_QUANTITY * 2])("%d is refused", (base) =>
    expect(refusalOf(() => quantity(base, "um"))).toMatchObject({ code: "QUANTITY_INVALID" }),
  );
  test("sums and differences stay whole, and never go below nothing", () => {
    const [a, b] = [quantity(5, "count"), quantity(7, "count")];
    expect([sumOf([a, b]), less(b, a), less(a, b), less(b, a, a), lesser(a, b)]).toEqual([12, 2, 0, 0, 5]);
  });
});

describe("figures are bounded by their meaning", () => {
  test.each(Object.entries(bounds))("%s has both ends, and lets its own limits pass", (_name, b) => {
    expect(within(b.most, b)).toBe(true);
    expect(within(b.most * 2 + 1, b)).toBe(false);
    const low = b.least ?? NaN;
    expect(within(low, b)).toBe(true);
    expect(within(low - 0.5, b)).toBe(false);
    for (const no of [NaN, Infinity, -Infinity]) expect(within(no, b)).toBe(false);
  });
  test("a count is whole", () => expect(within(1.5, bounds.passes)).toBe(false));
  test("a refusal says what would be right; what nobody stated is let pass", () => {
    expect(refusalOf(() => guard("trim", -60, bounds.trimMm))).toMatchObject({
      code: "FIGURE_OUT_OF_BOUNDS",
      details: { name: "trim", value: -60, least: 0, most: 600, unit: "mm" },
    });
    expect(refusalOf(() => guard("trim", undefined, bounds.trimMm))).toBeUndefined();
  });
});

test.each([
  [1, "mm", 1],
  [2, "cm", 20],
  [0.02, "in", 0.508],
  [0.5, '"', 12.7],
  [1, "span", undefined],
])("%d %s", (n, unit, mm) => {
  const read = mmOf(n, unit);
  if (mm === undefined) expect(read).toBeUndefined();
  else expect(read).toBeCloseTo(mm, 9);
});
