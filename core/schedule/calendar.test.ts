import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { windowsOf } from "./build";
import { Calendar } from "./calendar";

const morning: [number, number] = [480, 720];
const afternoon: [number, number] = [780, 1020];

describe("a person's working minutes in a row", () => {
  const day = new Calendar([morning, afternoon]);
  test("all of them", () => expect(day.total).toBe(480));
  test.each([
    [0, 0],
    [480, 0],
    [481, 1],
    [720, 240],
    [750, 240],
    [780, 240],
    [781, 241],
    [1020, 480],
    [5000, 480],
  ])("at clock minute %i, %i have passed", (t, n) => expect(day.indexAt(t)).toBe(n));
  test.each([
    [0, 480],
    [239, 719],
    [240, 780],
    [479, 1019],
  ])("minute %i is worked at clock minute %i", (i, t) => expect(day.clockAt(i)).toBe(t));
  test("beyond the last there is none", () =>
    expect([day.clockAt(-1), day.clockAt(480), new Calendar([]).clockAt(0)]).toEqual([
      undefined,
      undefined,
      undefined,
    ]));

  const windows = fc
    .array(fc.tuple(fc.integer({ min: 1, max: 200 }), fc.integer({ min: 1, max: 300 })), {
      minLength: 1,
      maxLength: 12,
    })
    .map((gaps) => {
      let t = 0;
      return gaps.map(([pause, length]): [number, number] => {
        const start = t + pause;
        t = start + length;
        return [start, t];
      });
    });
  test("going to the clock and back gives the same minute, whatever the hours", () =>
    fc.assert(
      fc.property(windows, (w) => {
        const c = new Calendar(w);
        for (const i of [0, Math.floor(c.total / 2), c.total - 1]) {
          const t = c.clockAt(i);
          expect(t).toBeDefined();
          expect(c.indexAt(t ?? -1)).toBe(i);
          expect(w.some(([start, end]) => (t ?? -1) >= start && (t ?? -1) < end)).toBe(true);
        }
      }),
    ));
  test("counted minute by minute it is the same", () =>
    fc.assert(
      fc.property(windows, fc.integer({ min: 0, max: 3000 }), (w, t) => {
        const worked = Array.from({ length: t }, (_, m) => m).filter((m) =>
          w.some(([start, end]) => m >= start && m < end),
        ).length;
        expect(new Calendar(w).indexAt(t)).toBe(worked);
      }),
      { numRuns: 40 },
    ));
});

describe("hours of a week over the days", () => {
  const week = [
    { day: 1, from: 540, to: 660 },
    { day: 3, from: 540, to: 600 },
  ];
  const days = [0, 1, 2].map((i) => ({ minute: i * 1440, weekday: i + 1 }));
  test("each hour gives its rest up, and what has passed is gone", () =>
    expect(windowsOf(week, days, 570, 10)).toEqual([
      [570, 590],
      [600, 650],
      [2880 + 540, 2880 + 590],
    ]));
  test("days off are left out in whole, their first and their last too", () => {
    expect(windowsOf(week, days, 0, 0, [{ from: 0, to: 1440 }])).toEqual([[2880 + 540, 2880 + 600]]);
    expect(windowsOf(week, days, 0, 0, [{ from: 1440, to: 2880 }])).toEqual(windowsOf(week, days, 0, 0));
    expect(windowsOf(week, days, 0, 0, [{ from: 0, to: 4320 }])).toEqual([]);
  });
});
