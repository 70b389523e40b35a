import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { prepPace } from "../learning";
import { gatherPrep, prepKinds, prepMinutes, type OpenPrep } from ".";

const task = (batch: string, more: Partial<OpenPrep> = {}): OpenPrep => {
  const { kind = "sort hackle", units = 24 } = more;
  return {
    batch,
    kind,
    component: "hackle",
    material: "HK",
    materialName: "stiff hackle",
    title: "",
    units,
    minutes: Math.ceil(prepMinutes(kind, units)),
    ...more,
  };
};

describe("preparation of several batches at once", () => {
  test("like work is one piece of work, and what is fixed is spent once", () => {
    const [group, ...others] = gatherPrep([task("a"), task("b", { units: 12 }), task("c", { material: "HK-2" })]);
    expect(others).toHaveLength(1);
    expect(group).toMatchObject({ units: 36, title: "Sort and strip 36 feathers of stiff hackle by barb length" });
    // 4 + 24 · 0.35 → 13 and 4 + 12 · 0.35 → 9, four minutes of which are the same.
    expect(group).toMatchObject({ apart: 22, minutes: 18 });
  });

  test("a blend is one charge, however many batches share it", () => {
    const mill = (batch: string) => task(batch, { kind: "mill blend", units: 1, station: "mill" });
    const [group] = gatherPrep([mill("a"), mill("b"), mill("c")]);
    expect(group).toMatchObject({ units: 1, minutes: 15, apart: 45, station: "mill" });
  });

  test("nothing to do is no group", () => expect(gatherPrep([])).toEqual([]));

  test("together is never longer than apart, and every task is in one group", () => {
    const some = fc.record({
      kind: fc.constantFrom(...prepKinds),
      units: fc.integer({ min: 1, max: 400 }),
      material: fc.constantFrom("A", "B", "C"),
    });
    fc.assert(
      fc.property(fc.array(some, { maxLength: 12 }), fc.double({ min: 0.3, max: 3, noNaN: true }), (list, pace) => {
        const tasks = list.map((t, i) =>
          task(String(i), { ...t, minutes: Math.ceil(prepMinutes(t.kind, t.units) * pace) }),
        );
        const groups = gatherPrep(tasks, () => pace);
        for (const g of groups) {
          expect(g.minutes).toBeLessThanOrEqual(g.apart);
          expect(g.minutes).toBeGreaterThanOrEqual(1);
        }
        expect(groups.flatMap((g) => g.tasks.map((t) => t.batch)).sort()).toEqual(tasks.map((t) => t.batch).sort());
      }),
      { seed: 3, numRuns: 200 },
    );
  });
});

describe("the room's own pace of a kind of preparation", () => {
  test.each([
    ["nothing logged", 0, 0, 1],
    ["four runs that took twice as long", 4 * Math.log(2), 4, 1.805],
    ["one that took half", -Math.log(2), 1, 0.664],
    ["a hundred that took as long as reckoned", 0, 100, 1],
  ])("%s", (_name, sumOfLogs, runs, pace) => {
    expect(prepPace({ sumOfLogs, runs })).toBeCloseTo(pace, 3);
  });
});
