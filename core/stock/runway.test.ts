import { describe, expect, test } from "vitest";
import { runwayOf } from ".";

const p = { today: "2027-02-01", there: 100, needs: [], arrivals: [] };

describe("one material against time", () => {
  test("falls with each need, rises with each arrival, and runs out on a day", () => {
    const runway = runwayOf({
      ...p,
      needs: [
        { day: "2027-02-10", quantity: 70 },
        { day: "2027-02-20", quantity: 60 },
      ],
      arrivals: [{ day: "2027-03-01", quantity: 50 }],
      leadDays: 12,
    });
    expect(runway.levels).toEqual([
      { day: "2027-02-01", level: 100 },
      { day: "2027-02-10", level: 30 },
      { day: "2027-02-20", level: -30 },
      { day: "2027-03-01", level: 20 },
    ]);
    expect(runway).toMatchObject({ runsOut: "2027-02-20", orderBy: "2027-02-08", missing: 30 });
  });
  test("what comes on the morning of the need is in time", () =>
    expect(
      runwayOf({
        ...p,
        needs: [{ day: "2027-02-10", quantity: 120 }],
        arrivals: [{ day: "2027-02-10", quantity: 20 }],
      }).runsOut,
    ).toBeUndefined());
  test("what was due before today counts as of today", () =>
    expect(runwayOf({ ...p, needs: [{ day: "2026-12-24", quantity: 101 }] })).toMatchObject({
      runsOut: "2027-02-01",
      levels: [{ day: "2027-02-01", level: -1 }],
    }));
  test("without a source nothing is said of ordering; over a change of the clock a day is a day", () => {
    const needs = [{ day: "2027-04-02", quantity: 200 }];
    expect(runwayOf({ ...p, needs }).orderBy).toBeUndefined();
    expect(runwayOf({ ...p, needs, leadDays: 7 }).orderBy).toBe("2027-03-26");
  });
  test("less than nothing is refused", () => expect(() => runwayOf({ ...p, there: -1 })).toThrow());
});
