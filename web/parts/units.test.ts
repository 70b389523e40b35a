import { afterEach, describe, expect, test } from "vitest";
import { quantity } from "./format";
import { inReadersUnits, length, lengthFigure, units } from "./units";

afterEach(() => {
  units.value = "mm";
});

describe("lengths and quantities in the reader's units", () => {
  test("millimetres stay as they were said", () => {
    for (const words of ["cut 24 lengths of 60 mm", "38 feathers, barbs 7.2–9.6 mm", "11.9 m", "1.2 g", "48 µl"])
      expect(inReadersUnits(words)).toBe(words);
    expect([lengthFigure(4.84), length(4.84)]).toEqual(["4.8", "4.8 mm"]);
  });
  test.each([
    ["cut 24 lengths of 60 mm", "cut 24 lengths of 2.36 in"],
    ["38 feathers, barbs 7.2–9.6 mm", "38 feathers, barbs 0.28–0.38 in"],
    ["11.9 m", "39.0 ft"],
    ["1.2 g", "0.042 oz"],
    [
      "1 feather: 6 fibres a fly, 185 a feather, 9.6 mm or longer",
      "1 feather: 6 fibres a fly, 185 a feather, 0.38 in or longer",
    ],
    ["saves 480 mm of lead-free weight wire, 0.25 mm", "saves 18.90 in of lead-free weight wire, 0.01 in"],
  ])("“%s” becomes “%s”", (words, inches) => {
    units.value = "in";
    expect(inReadersUnits(words)).toBe(inches);
    expect(inReadersUnits(inReadersUnits(words))).toBe(inches);
  });
  test.each(["12 mm²", "0.35 mg/mm³", "48 µl", "340 mg", "3 ml", "12 minutes more", "6 gape"])(
    "“%s” has no unit that changes",
    (words) => {
      units.value = "in";
      expect(inReadersUnits(words)).toBe(words);
    },
  );
  test("a figure is the same length in both", () => {
    for (const mm of [0.9, 4.84, 25.4, 60]) {
      units.value = "in";
      expect(Number(lengthFigure(mm)) * 25.4).toBeCloseTo(mm, 0);
    }
    expect(quantity(360_000, "um")).toBe("14.17 in");
    expect(quantity(12, "count")).toBe("12");
  });
});
