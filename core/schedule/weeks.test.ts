import { describe, expect, test } from "vitest";
import { weeksOf, type DayOfWeek } from ".";

const DAY = 1440;
/** Two weeks and the day that ends them; from a Monday. */
const days: DayOfWeek[] = Array.from({ length: 15 }, (_, i) => ({
  minute: i * DAY,
  date: new Date(Date.UTC(2027, 0, 4 + i)).toISOString().slice(0, 10),
  week: i < 7 ? "4 Jan" : i < 14 ? "11 Jan" : "18 Jan",
}));
/** Each Monday and Tuesday from eight to twelve. */
const hours = [0, 1, 7, 8].map((d): [number, number] => [d * DAY + 480, d * DAY + 720]);
const windows = new Map([["ada", hours]]);
const work = (from: number, to: number, due: string, person = "ada") => ({ person, setupStart: from, end: to, due });

describe("the plan week by week", () => {
  test("hours that are there and taken, pauses left out", () => {
    // From Monday eleven to Tuesday nine: an hour on either day.
    const [first, second, ...more] = weeksOf(days, windows, [work(660, DAY + 540, "2027-01-06")], []);
    expect(more).toEqual([]);
    expect(first).toEqual({ week: "4 Jan", there: 480, taken: 120, ahead: 0, due: 120, seasons: [], isQuiet: true });
    expect(second).toMatchObject({ there: 480, taken: 0, due: 0, isQuiet: true });
  });
  test("what is due later is done ahead, what was due before is not", () => {
    const early = weeksOf(days, windows, [work(480, 600, "2027-01-13")], []);
    expect(early.map((w) => [w.taken, w.due, w.ahead])).toEqual([
      [120, 0, 0],
      [0, 120, 120],
    ]);
    const late = weeksOf(days, windows, [work(7 * DAY + 480, 7 * DAY + 600, "2027-01-05")], []);
    expect(late.map((w) => [w.taken, w.due, w.ahead])).toEqual([
      [0, 120, 0],
      [120, 0, 0],
    ]);
  });
  test("what is due beyond the plan belongs to no week of it", () => {
    const found = weeksOf(days, windows, [work(480, 600, "2027-05-01")], []);
    expect(found.map((w) => [w.taken, w.due])).toEqual([
      [120, 0],
      [0, 0],
    ]);
  });
  test("a week with most of its hours taken is not quiet, nor one without hours, nor one in a season", () => {
    const full = weeksOf(days, windows, [work(480, DAY + 540, "2027-01-06")], []);
    expect(full.map((w) => w.isQuiet)).toEqual([false, true]);
    expect(weeksOf(days, new Map([["ada", []]]), [], []).map((w) => w.isQuiet)).toEqual([false, false]);
    const running = weeksOf(days, windows, [], [{ name: "ice-out", date: "2027-01-12" }]);
    expect(running.map((w) => [w.isQuiet, w.seasons])).toEqual([
      [true, []],
      [false, ["ice-out"]],
    ]);
  });
  test.each([
    ["2026-11-24", ["ice-out"], []],
    ["2026-11-23", [], []],
    ["2026-12-01", ["ice-out"], ["ice-out"]],
    ["2027-01-18", [], []],
  ])("a season from %s lasts six weeks", (date, first, second) =>
    expect(weeksOf(days, windows, [], [{ name: "ice-out", date }]).map((w) => w.seasons)).toEqual([first, second]),
  );
  test("work of somebody who is not there takes nobody's hours", () =>
    expect(weeksOf(days, windows, [work(480, 600, "2027-01-06", "bo")], [])[0]).toMatchObject({ taken: 0, due: 0 }));
  test("no days, no weeks", () => expect(weeksOf([], windows, [], [])).toEqual([]));
});
