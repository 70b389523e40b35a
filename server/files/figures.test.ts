import { describe, expect, test } from "vitest";
import { decimalOf, figureOf, type Decimal } from "./figures";

describe("a figure of a file", () => {
  const cases: [string, Decimal, number | undefined][] = [
    ["12", "point", 12],
    ["1.5", "point", 1.5],
    ["1,5", "comma", 1.5],
    ["1,500", "point", 1500],
    ["1.500", "comma", 1500],
    ["1.234.567,89", "comma", 1234567.89],
    ["1 234,5", "comma", 1234.5],
    ["12’000", "point", 12000],
    ["12,50 €", "comma", 12.5],
    ["$9.90", "point", 9.9],
    ["25 m", "comma", 25],
    ["-3", "point", -3],
    ["1,5", "point", undefined],
    ["1.5", "comma", undefined],
    ["1.23.4", "comma", undefined],
    ["1,2,3", "point", undefined],
    ["about 5", "point", undefined],
    ["1e9", "point", undefined],
    ["Infinity", "point", undefined],
    ["", "point", undefined],
  ];
  test.each(cases)("%s with a decimal %s", (cell, decimal, value) => expect(figureOf(cell, decimal)).toBe(value));
});

describe("how the figures of a file are written", () => {
  test.each([
    ["by those that leave no doubt", ["1.5", "2.25", "1,500"], { decimal: "point", unclear: null }],
    ["with commas", ["0,5", "1.250,00"], { decimal: "comma", unclear: null }],
    ["nought before it is never a thousand", ["0,125"], { decimal: "comma", unclear: null }],
    ["what could be either is named", ["12", "1,500", "2.000"], { decimal: null, unclear: "1,500" }],
    ["whole figures say nothing", ["1", "20", ""], { decimal: null, unclear: null }],
    ["words say nothing", ["olive", "n/a", "12.3.2026"], { decimal: null, unclear: null }],
    ["most of them decide", ["1,5", "2,5", "3.5"], { decimal: "comma", unclear: null }],
  ])("%s", (_label, cells, found) => expect(decimalOf(cells)).toEqual(found));

  test("what is written by one rule is read back by it, whatever the figure", () => {
    for (let n = 1; n < 4_000_000; n = n * 3 + 7) {
      const value = n / 100;
      const english = value.toLocaleString("en-GB", { minimumFractionDigits: 2 });
      const german = value.toLocaleString("de-DE", { minimumFractionDigits: 2 });
      expect([figureOf(english, "point"), figureOf(german, "comma")]).toEqual([value, value]);
      expect([decimalOf([english]).decimal, decimalOf([german]).decimal]).toEqual(["point", "comma"]);
    }
  });
});
