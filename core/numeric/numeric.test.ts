import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { ceilSafe, ceilTo, floorSafe, halved, normalQuantile, roundHalfUp } from ".";

/** The standard normal distribution by direct summation, slow and from first principles. */
function below(z: number): number {
  const STEPS = 20_000;
  const from = -9;
  const dx = (z - from) / STEPS;
  let sum = 0;
  for (let i = 0; i < STEPS; i++) sum += Math.exp(-0.5 * (from + (i + 0.5) * dx) ** 2);
  return (sum * dx) / Math.sqrt(2 * Math.PI);
}

describe("rounding as a person expects", () => {
  test.each([
    [2.9999999999, 3, 3],
    [3.0000000001, 3, 3],
    [2.999, 2, 3],
    [3.001, 3, 4],
    [0, 0, 0],
    [-0.0000000001, 0, 0],
  ])("%d: down %d, up %d", (x, down, up) => {
    expect(floorSafe(x)).toBe(down);
    expect(ceilSafe(x)).toBe(up);
  });
  test("nothing is never less than nothing", () => expect(Object.is(ceilSafe(-1e-12), 0)).toBe(true));
  test.each([
    [2.5, 3],
    [-2.5, -2],
    [2.4999, 2],
    [2.4999999999, 3],
    [0.1 + 0.2 + 0.2, 1],
  ])("%d is rounded to %d", (x, n) => expect(roundHalfUp(x)).toBe(n));
  test("up to a step: the next multiple, and itself where it is one", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 5000 }), fc.constantFrom(1, 5, 10, 12, 1000), (n, step) => {
        const up = ceilTo(n, step);
        expect(up % step).toBe(0);
        expect(up - n).toBeGreaterThanOrEqual(0);
        expect(up - n).toBeLessThan(step);
        expect(ceilTo(up, step)).toBe(up);
      }),
    );
  });
  test("a sum of tenths that is meant to be a whole number of steps takes no step more", () =>
    expect(ceilTo(0.1 * 3 * 100, 10)).toBe(30));
});

describe("halving", () => {
  test("finds the place where it turns, wherever that is", () =>
    fc.assert(
      fc.property(fc.double({ min: -50, max: 50, noNaN: true }), (turn) => {
        expect(halved(-60, 70, (x) => x < turn)).toBeCloseTo(turn, 9);
      }),
    ));
  test("stays at the end when it never turns", () =>
    expect([halved(2, 5, () => true), halved(2, 5, () => false)].map((x) => x.toFixed(9))).toEqual([
      "5.000000000",
      "2.000000000",
    ]));
});

describe("the normal quantile", () => {
  test.each([
    [0.5, 0],
    [0.9, 1.2815515655],
    [0.95, 1.644853627],
    [0.975, 1.9599639845],
    [0.99, 2.326347874],
    [0.999, 3.0902323062],
  ])("of %d is %d", (q, z) => expect(normalQuantile(q)).toBeCloseTo(z, 7));
  test("is the same distance on both sides", () =>
    fc.assert(
      fc.property(fc.double({ min: 1e-6, max: 0.5, noNaN: true }), (q) => {
        expect(normalQuantile(q)).toBeCloseTo(-normalQuantile(1 - q), 6);
      }),
    ));
  test("has just so much below it", () => {
    for (const q of [0.001, 0.02, 0.03, 0.3, 0.77, 0.97, 0.98, 0.9995])
      expect(below(normalQuantile(q)), `${q}`).toBeCloseTo(q, 7);
  });
  test("grows with what is asked", () =>
    fc.assert(
      fc.property(fc.double({ min: 0.0001, max: 0.9998, noNaN: true }), (q) => {
        expect(normalQuantile(q + 0.0001)).toBeGreaterThan(normalQuantile(q));
      }),
    ));
});
