import { describe, expect, test } from "vitest";
import type { Plan } from "@kasten/contract/schedule";
import { planScale, timeOf } from "./planTime";

const plan = (of: Partial<Plan> = {}): Plan =>
  ({
    days: [0, 1440, 2880].map((minute, i) => ({ minute, date: `2026-11-2${3 + i}` })),
    people: [
      {
        id: "a",
        name: "Ada",
        windows: [
          [540, 720],
          [1980, 2160],
        ],
      },
    ],
    ...of,
  }) as unknown as Plan;

describe("where a minute of the plan is drawn", () => {
  const scale = planScale(plan(), { from: 0, count: 2 }, 1000);
  test("a day is as wide as every other, and only its working hours are in it", () => {
    expect(scale.x(0)).toBe(0);
    expect(scale.x(540)).toBeCloseTo((500 * 15) / 210, 6);
    expect(scale.x(720)).toBeCloseTo((500 * 195) / 210, 6);
    expect(scale.x(1440)).toBe(500);
  });
  test("night takes no room, and what lies beyond the last day ends at the edge", () => {
    expect(scale.x(1300)).toBe(500);
    expect(scale.x(2880)).toBe(1000);
    expect(scale.x(9999)).toBe(1000);
  });
  test("never goes back", () => {
    const xs = Array.from({ length: 300 }, (_, i) => scale.x(i * 10));
    expect(xs).toEqual([...xs].sort((a, b) => a - b));
  });
  test("an operation over a pause is drawn in its parts; what is not shown is not", () => {
    const windows = plan().people[0]?.windows ?? [];
    expect(scale.worked(windows, 600, 2000)).toEqual([
      [600, 720],
      [1980, 2000],
    ]);
    expect(planScale(plan(), { from: 2, count: 1 }, 1000).worked(windows, 600, 2000)).toEqual([]);
  });
  test("a room without hours has a day all the same", () => {
    const bare = planScale(plan({ people: [] }), { from: 0, count: 3 }, 900);
    expect(bare.x(780)).toBeCloseTo(150, 6);
  });
  test("is said as a day and a clock", () => {
    expect(timeOf(plan(), 1440 + 545)).toMatch(/24 Nov, 09:05$/);
    expect(timeOf(plan({ days: [] }), 5)).toBe("");
  });
});
