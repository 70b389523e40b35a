import { describe, expect, test } from "vitest";
import { furtherBy, timesAsMuch, type LengthRule } from ".";

describe("so many mm further", () => {
  test.each<[string, LengthRule, number, LengthRule | undefined]>([
    ["than a landmark", { reach: "bend" }, 2, { reach: "bend", pastMm: 2 }],
    ["than past it", { reach: "bend", pastMm: 3 }, -5, { reach: "bend", pastMm: -2 }],
    ["than a place", { to: { fraction: 0.5 } }, 1, { to: { fraction: 0.5 }, pastMm: 1 }],
    ["than a share of the way is said by nobody", { reach: "point", share: 0.5 }, 1, undefined],
    ["than a measure ends nowhere", { of: "shank", times: 1 }, 1, undefined],
    ["than between two is either", { between: [{ mm: 1 }, { mm: 2 }] }, 1, undefined],
  ])("%s", (_label, rule, mm, further) => expect(furtherBy(rule, mm)).toEqual(further));
});

describe("so many times as long", () => {
  test("takes what is added along", () => {
    expect(timesAsMuch({ of: "shank", times: 1, plus: { mm: 4 } }, 0.5)).toEqual({
      of: "shank",
      times: 0.5,
      plus: { mm: 2 },
    });
    expect(timesAsMuch({ of: "shank", times: 1, plus: { of: "gape", times: 1 } }, 2)).toEqual({
      of: "shank",
      times: 2,
      plus: { of: "gape", times: 2 },
    });
  });

  test("has no figure longer than a person would write", () => {
    expect(timesAsMuch({ of: "gape", times: 1 }, 1 / 3).times).toBe(0.333333333);
  });
});
