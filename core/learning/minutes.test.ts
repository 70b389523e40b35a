import { describe, expect, test } from "vitest";
import { Random } from "../numeric";
import { batchSd, learningFactor, MinutesLearned, type TimedBatch, type TyingWay } from "./minutes";

const way = (of: Partial<TyingWay> = {}): TyingWay => ({
  pattern: "wisp",
  way: "",
  steps: 0,
  person: "ada",
  computed: 5,
  ...of,
});
const batch = (minutesPerFly: number, of: Partial<TimedBatch> = {}): TimedBatch => ({
  ...way(of),
  flies: 36,
  minutes: minutesPerFly * (of.flies ?? 36),
  ...of,
});
const nothing = new MinutesLearned([], { bo: 1.5 });

describe("minutes of a fly", () => {
  test("are as computed before anything was timed, by pace and size", () => {
    expect(nothing.ahead(way(), 36).perFly).toBeCloseTo(5, 9);
    expect(nothing.ahead(way({ person: "bo" }), 36).perFly).toBeCloseTo(7.5, 9);
    // Two sizes smaller: e^0.06.
    expect(nothing.ahead(way({ steps: 2 }), 36).perFly).toBeCloseTo(5 * Math.exp(0.06), 9);
  });
  test("have then the spread of their priors", () => {
    const { shares, own } = nothing.ahead(way(), 36);
    expect(shares).toEqual([
      { name: "fly|wisp|", sd: 0.3 },
      { name: "who|ada", sd: 0.2 },
      { name: "both|ada|wisp", sd: 0.1 },
    ]);
    expect(own).toBeCloseTo(Math.sqrt(0.12 ** 2 + 0.2 ** 2 / 36), 12);
  });
  test("of one batch move by its weight: worked by hand", () => {
    const known = new MinutesLearned([batch(7)]);
    // Prior variance of the sum 0.09 + 0.04 + 0.01 = 0.14, of the batch 0.0144 + 0.04/36 = 0.015511.
    const moved = (Math.log(7 / 5) * 0.14) / (0.14 + 0.0155111);
    expect(known.ahead(way(), 36).perFly).toBeCloseTo(5 * Math.exp(moved), 4);
    const total = known.ahead(way(), 36).shares.reduce((sum, s) => sum + s.sd ** 2, 0);
    expect(total).toBeCloseTo((0.14 * 0.0155111) / (0.14 + 0.0155111), 6);
  });
  test("of another person on this pattern move too, but less; of another pattern by this person too", () => {
    const known = new MinutesLearned([batch(7), batch(7)]);
    const of = (w: Partial<TyingWay>) => known.ahead(way(w), 36).perFly;
    expect(of({ person: "bo" })).toBeLessThan(of({}));
    expect(of({ person: "bo" })).toBeGreaterThan(of({ pattern: "moth" }));
    expect(of({ pattern: "moth" })).toBeGreaterThan(5.2);
    expect(of({ pattern: "moth", person: "bo" })).toBeCloseTo(5, 9);
  });
  test("do not depend on the order in which batches were timed", () => {
    const batches = [batch(7), batch(4, { person: "bo" }), batch(6, { steps: 2 }), batch(9, { pattern: "moth" })];
    const a = new MinutesLearned(batches).ahead(way({ steps: 1 }), 24);
    const b = new MinutesLearned([...batches].reverse()).ahead(way({ steps: 1 }), 24);
    expect(b.perFly).toBeCloseTo(a.perFly, 9);
  });
  test("settle at the truth, whose spread they say honestly", () => {
    const random = new Random(11);
    const normal = () => Math.sqrt(-2 * Math.log(1 - random.next())) * Math.cos(2 * Math.PI * random.next());
    let [inside, all] = [0, 0];
    for (let room = 0; room < 120; room++) {
      const u = [0, 1, 2].map(() => 0.3 * normal());
      const a = [0, 1, 2].map(() => 0.2 * normal());
      const both = Array.from({ length: 9 }, () => 0.1 * normal());
      const beta = 0.03 + 0.03 * normal();
      const truth = (p: number, w: number, steps: number) => u[p]! + a[w]! + both[p * 3 + w]! + beta * steps;
      const drawn = Array.from({ length: 14 }, () => {
        const [p, w, steps, flies] = [random.below(3), random.below(3), random.below(5) - 2, 12 + random.below(48)];
        const y = truth(p, w, steps) + batchSd(flies) * normal();
        return batch(5 * Math.exp(y), { pattern: `f${p}`, person: `p${w}`, steps, flies });
      });
      const known = new MinutesLearned(drawn);
      for (let k = 0; k < 9; k++) {
        const [p, w] = [Math.floor(k / 3), k % 3];
        const said = known.ahead(way({ pattern: `f${p}`, person: `p${w}`, steps: 1 }), 36);
        const sd = Math.sqrt(said.shares.reduce((sum, s) => sum + s.sd ** 2, 0));
        all++;
        if (Math.abs(Math.log(said.perFly / 5) - truth(p, w, 1)) < 1.2816 * sd) inside++;
      }
    }
    // Within 1.28 standard deviations: eight of ten.
    expect(inside / all).toBeGreaterThan(0.76);
    expect(inside / all).toBeLessThan(0.84);
  });
  test.each([{ flies: 0 }, { minutes: 0 }, { minutes: -3 }, { computed: NaN }, { steps: Infinity }])(
    "are refused for %j",
    (of) => {
      expect(() => new MinutesLearned([batch(5, of)])).toThrow(expect.objectContaining({ code: "MINUTES_INVALID" }));
    },
  );
});

describe("learning a pattern", () => {
  test.each([
    ["the first fly", 0, 1, 200 ** 0.152003],
    ["the 200th", 199, 1, 1],
    ["after two hundred", 500, 60, 1],
    ["the second takes nine tenths of the first", 1, 1, 0.9 * 200 ** 0.152003],
  ])("%s", (_what, before, flies, factor) => expect(learningFactor(before, flies)).toBeCloseTo(factor, 4));
  test("is taken off what was timed, and put on what comes", () => {
    const early = batch(5 * learningFactor(0, 36), { before: 0 });
    const known = new MinutesLearned([early]);
    expect(known.ahead(way(), 36).perFly).toBeCloseTo(5, 9);
    expect(known.ahead(way(), 36, 36).perFly).toBeCloseTo(5 * learningFactor(36, 36), 9);
  });
});
