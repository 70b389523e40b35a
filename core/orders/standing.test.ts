import { describe, expect, test } from "vitest";
import { nextStanding } from ".";

describe("the day for which an order comes up again", () => {
  const seasons = [
    { name: "ice-out", date: "2027-03-28" },
    { name: "char run", date: "2026-04-18" },
  ];
  test.each([
    ["the same day a year on", "2026-03-12", null, 0, "2027-03-12"],
    ["that of its season, where the calendar has the next one", "2026-03-30", "ice-out", 0, "2027-03-28"],
    ["a year on, where the season has not been set anew", "2026-04-18", "char run", 0, "2027-04-18"],
    ["a season that the room no longer has", "2026-05-01", "mayfly", 0, "2027-05-01"],
    ["passed over twice", "2026-03-12", null, 2, "2029-03-12"],
    ["a season passed over once", "2026-03-30", "ice-out", 1, "2028-03-28"],
    ["the day of a leap year", "2028-02-29", null, 0, "2029-02-28"],
  ])("%s", (_what, due, season, passed, next) => expect(nextStanding(due, season, passed, seasons)).toBe(next));
});
