import { describe, expect, test } from "vitest";
import { gapAfter, isInSeason } from "./season";

describe("a season", () => {
  test.each([
    [{ from: 9, to: 12 }, 9, true],
    [{ from: 9, to: 12 }, 8, false],
    [{ from: 10, to: 2 }, 12, true],
    [{ from: 10, to: 2 }, 2, true],
    [{ from: 10, to: 2 }, 3, false],
    [{ from: 5, to: 5 }, 5, true],
  ])("%o in month %i: %s", (season, month, is) => expect(isInSeason(season, month)).toBe(is));

  test.each([
    ["that ends with the year", { from: 9, to: 12 }, "2026-11-26", { until: "2026-12-31", again: "2027-09-01" }],
    ["over the turn, before it", { from: 10, to: 2 }, "2026-11-26", { until: "2027-02-28", again: "2027-10-01" }],
    ["over the turn, after it", { from: 10, to: 2 }, "2028-01-05", { until: "2028-02-29", again: "2028-10-01" }],
    ["of one month", { from: 5, to: 5 }, "2026-05-31", { until: "2026-05-31", again: "2027-05-01" }],
    ["that is not on", { from: 3, to: 4 }, "2026-11-26", undefined],
    ["that never ends", { from: 1, to: 12 }, "2026-11-26", undefined],
    ["that never ends, begun in April", { from: 4, to: 3 }, "2026-11-26", undefined],
  ])("%s", (_name, season, today, gap) => expect(gapAfter(season, today)).toEqual(gap));

  test("of months that are none is refused", () => {
    for (const season of [
      { from: 0, to: 3 },
      { from: 3, to: 13 },
      { from: 1.5, to: 3 },
    ])
      expect(() => isInSeason(season, 2)).toThrow(expect.objectContaining({ code: "FIGURE_OUT_OF_BOUNDS" }));
  });
});
