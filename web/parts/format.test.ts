import { describe, expect, test } from "vitest";
import { clock, day, dayYear, money, quantity, term } from "./format";

describe("what people read", () => {
  test.each([
    [0, "0 h 00"],
    [65, "1 h 05"],
    [660.4, "11 h 00"],
  ])("%d minutes are %s", (m, words) => expect(clock(m)).toBe(words));
  test.each([
    [0, "0.00 €"],
    [2900, "29.00 €"],
    [5, "0.05 €"],
  ])("%d cents are %s", (c, words) => expect(money(c)).toBe(words));
  test("days stay the day they are, whatever the time zone", () => {
    expect(day("2027-03-12")).toBe("Fri 12 Mar");
    expect(dayYear("2026-12-31")).toBe("31 Dec 2026");
  });
  test.each([
    [1.23456, "mm", "1.23"],
    [0.0153, "mg/mm³", "0.015"],
    [127, "flies", "127"],
    [0.060049, "", "0.06005"],
    [16.0000001, "pieces", "16"],
    [90, "%", "90"],
  ])("%d %s is %s", (v, unit, words) => expect(term(v, unit)).toBe(words));
  test("stock is shown in the unit that suits its size", () =>
    expect([quantity(999_000, "um"), quantity(1_000_000, "um"), quantity(12, "count")]).toEqual([
      "999 mm",
      "1 m",
      "12",
    ]));
});
