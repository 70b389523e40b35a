import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { DomainError } from "../errors";
import { calibrate, issueQuantity, uncalibrated } from "./calibration";

const batch = (ratio: number, flies = 48) => ({ flies, actual: ratio * 1000, computed: 1000 });
const batches = fc
  .array(fc.record({ flies: fc.integer({ min: 1, max: 300 }), ratio: fc.double({ min: 0.5, max: 2, noNaN: true }) }), {
    maxLength: 20,
  })
  .map((list) => list.map((b) => batch(b.ratio, b.flies)));

describe("what a room learns of its use", () => {
  test("nothing logged is the prior, named so", () => expect(calibrate([])).toEqual(uncalibrated));
  test("every batch makes it surer, whatever it says", () =>
    fc.assert(
      fc.property(batches, fc.double({ min: 0.5, max: 2, noNaN: true }), (list, ratio) => {
        expect(calibrate([...list, batch(ratio)]).v).toBeLessThan(calibrate(list).v);
      }),
    ));
  test("the order in which batches were logged changes nothing", () =>
    fc.assert(
      fc.property(batches, (list) => {
        const [a, b] = [calibrate(list), calibrate([...list].reverse())];
        expect(a.m).toBeCloseTo(b.m, 12);
        expect(a.v).toBeCloseTo(b.v, 12);
      }),
    ));
  test("it lies between what was expected and what was seen, nearer to it with each batch", () => {
    const after = (n: number) => calibrate(Array.from({ length: n }, () => batch(1.3))).m;
    const steps = [0, 1, 2, 5, 20, 200].map(after);
    expect(steps).toEqual([...steps].sort((a, b) => a - b));
    expect(steps[0]).toBe(0);
    expect(steps.at(-1)).toBeCloseTo(Math.log(1.3), 2);
    expect(steps.at(-1)).toBeLessThan(Math.log(1.3));
  });
  test("a batch of many flies says more than one of few", () => {
    expect(calibrate([batch(1.3, 200)]).m).toBeGreaterThan(calibrate([batch(1.3, 4)]).m);
    expect(calibrate([batch(1.3, 200)]).v).toBeLessThan(calibrate([batch(1.3, 4)]).v);
  });
  test("one batch by hand: precision 25 of the prior and 1/(0.08² + 0.15²/48) of the batch", () => {
    const w = 1 / (0.0064 + 0.0225 / 48);
    const { m, v } = calibrate([batch(1.2)]);
    expect(m).toBeCloseTo((w * Math.log(1.2)) / (25 + w), 12);
    expect(v).toBeCloseTo(1 / (25 + w), 12);
  });
  test.each([
    [{ flies: 0, actual: 1, computed: 1 }],
    [{ flies: 12, actual: 0, computed: 1 }],
    [{ flies: 12, actual: 1, computed: -1 }],
  ])("a batch of %o is refused", (b) => {
    expect(() => calibrate([b])).toThrow(DomainError);
  });
});

describe("what is issued", () => {
  test("suffices more surely the higher the level, and is more than is expected from about a half on", () => {
    const at = (level: number) => issueQuantity(48, 20, uncalibrated, level).issue;
    expect([0.5, 0.8, 0.9, 0.99].map(at)).toEqual([...[0.5, 0.8, 0.9, 0.99].map(at)].sort((a, b) => a - b));
    expect(at(0.5)).toBeCloseTo(48 * 20, 6);
    expect(at(0.9)).toBeGreaterThan(issueQuantity(48, 20).expected);
  });
  test("the more is known, the less is added", () => {
    const known = calibrate(Array.from({ length: 20 }, () => batch(1)));
    expect(issueQuantity(48, 20, known).issue).toBeLessThan(issueQuantity(48, 20).issue);
    expect(issueQuantity(48, 20, known).issue).toBeGreaterThan(48 * 20);
  });
  test("twice the use is twice the quantity; nothing of nothing", () => {
    expect(issueQuantity(48, 40).issue).toBeCloseTo(2 * issueQuantity(48, 20).issue, 9);
    expect(issueQuantity(0, 20)).toEqual({ issue: 0, expected: 0, z: 0, spread: 0 });
    expect(issueQuantity(48, 0).issue).toBe(0);
  });
});
