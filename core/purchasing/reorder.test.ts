import { describe, expect, test } from "vitest";
import { leadOf, reorderPoint, useOfWeeks } from ".";

describe("when to order", () => {
  test("use over the lead time and what keeps the level above it", () => {
    const r = reorderPoint({ perWeek: 70, weekDeviation: 20 }, { days: 14, deviation: 3.5 }, 0.9);
    expect(r.cycle).toBe(140);
    expect(r.safety).toBeCloseTo(1.2815515655 * Math.sqrt(2 * 400 + 35 ** 2), 6);
    expect(r.point).toBeCloseTo(r.cycle + r.safety, 9);
  });
  test("nothing used needs no stock, and a level of a half needs none above the mean", () => {
    expect(reorderPoint({ perWeek: 0, weekDeviation: 0 }, { days: 30, deviation: 9 }, 0.95).point).toBe(0);
    expect(reorderPoint({ perWeek: 7, weekDeviation: 3 }, { days: 7, deviation: 0 }, 0.5).safety).toBeCloseTo(0, 6);
  });
  test("a level of one is refused", () =>
    expect(() => reorderPoint({ perWeek: 7, weekDeviation: 3 }, { days: 7, deviation: 0 }, 1)).toThrow());
  test("quiet weeks count as well", () => {
    expect(useOfWeeks([0, 30, 0, 50])).toEqual({ perWeek: 20, weekDeviation: expect.closeTo(24.494897, 5) as number });
    expect(useOfWeeks([])).toEqual({ perWeek: 0, weekDeviation: 0 });
    expect(useOfWeeks([40])).toEqual({ perWeek: 40, weekDeviation: 40 });
  });
  test("a supplier's word is believed until their deliveries say otherwise", () => {
    expect(leadOf(10, [])).toEqual({ days: 11, deviation: 2 });
    const late = leadOf(10, [6, 7, 5, 8, 6, 7, 5, 8, 6, 7]);
    expect(late.days).toBeCloseTo(10 + (10 + 65) / 20, 9);
    expect(late.days).toBeGreaterThan(leadOf(10, [0, 0, 0]).days);
  });
});
