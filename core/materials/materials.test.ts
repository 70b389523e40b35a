import { describe, expect, test } from "vitest";
import {
  chenilleAcross,
  colourIn,
  denierOfNumber,
  isColour,
  isSpooled,
  materialForms,
  newMaterial,
  nominalFigures,
  plainColour,
  quantityWords,
  threadNumberOf,
  threadScale,
  unitOf,
  widthOfLine,
} from ".";

describe("a form", () => {
  test.each(materialForms)("%s has figures of its own to begin with, and a unit", (form) => {
    expect(["count", "um", "ug", "nl"]).toContain(unitOf(form));
    const [one, other] = [nominalFigures(form), nominalFigures(form)];
    expect(one).toEqual(other);
    if (one.strand) one.strand.width = 99;
    expect(nominalFigures(form)).toEqual(other);
  });

  test("that comes on a spool is kept by its length", () => {
    for (const form of materialForms) if (isSpooled(form)) expect([form, unitOf(form)]).toEqual([form, "um"]);
  });

  test("makes a material that says that nobody has measured it", () => {
    expect(newMaterial("X", "it", "wire")).toMatchObject({ code: "X", name: "it", measured: false, lead: false });
  });
});

describe("a stock quantity in words", () => {
  test.each<[number, "count" | "um" | "ug" | "nl", string]>([
    [12, "count", "12"],
    [60_000, "um", "60 mm"],
    [999_900, "um", "999.9 mm"],
    [3_450_000, "um", "3.45 m"],
    [-3_450_000, "um", "-3.45 m"],
    [340_000, "ug", "340 mg"],
    [1_200_000, "ug", "1.2 g"],
    [3_000, "nl", "3 µl"],
    [1_250_000, "nl", "1.25 ml"],
    [0, "ug", "0 mg"],
  ])("%d %s is %s", (base, unit, words) => expect(quantityWords(base, unit)).toBe(words));
});

describe("thread in two scales", () => {
  test("goes there and back for every number of the table", () => {
    for (const { number, denier } of threadScale)
      expect([denierOfNumber(number), threadNumberOf(denier)]).toEqual([denier, number]);
  });
  test("is the nearest number by ratio, and none that the table lacks", () => {
    expect([threadNumberOf(72), threadNumberOf(100), threadNumberOf(20)]).toEqual(["8/0", "6/0", "14/0"]);
    expect([denierOfNumber("8 / 0"), denierOfNumber("7/0"), denierOfNumber("")]).toEqual([70, undefined, undefined]);
  });
  test("is finer with every nought more", () => {
    const deniers = threadScale.map((t) => t.denier);
    expect(deniers).toEqual([...deniers].sort((a, b) => b - a));
  });
});

describe("nylon line", () => {
  test.each<[string, number | undefined]>([
    ["5 lb mono", 0.2],
    ["20lb fluorocarbon", 0.4],
    ["4x tippet", 0.178],
    ["mono", undefined],
    ["5 lb wire", undefined],
    ["9x tippet", undefined],
  ])("“%s” is so thick", (text, mm) => expect(widthOfLine(text)).toBe(mm));

  test("bears by its section: four times as much at twice the width", () => {
    expect(widthOfLine("20 lb mono")).toBeCloseTo(2 * (widthOfLine("5 lb mono") ?? 0), 6);
  });
});

test("chenille that is told by its pile lies closer than that", () => {
  const told = chenilleAcross(newMaterial("C", "chenille", "chenille"), 3);
  expect(told.strand?.width).toBeLessThan(3);
  expect(told.strand?.width).toBeGreaterThan(0.5);
});

describe("a colour", () => {
  test.each<[string, string | undefined]>([
    ["an olive marabou", "olive"],
    ["blk thread", "black"],
    ["beige", "tan"],
    ["hare's ear", undefined],
    ["natural grey rabbit strip", "grey"],
    ["natural deer", "natural"],
    ["red and yellow", "red"],
  ])("of “%s”", (text, name) => expect(colourIn(text)?.name).toBe(name));

  test.each<[string, boolean]>([
    ["olive", true],
    ["maroon", true],
    ["red-brown", true],
    ["red-hare", false],
    ["hare", false],
    ["", false],
  ])("“%s”: %s", (word, is) => expect(isColour(word)).toBe(is));

  test("has one word, whatever it is called", () => {
    expect([plainColour("wht"), plainColour("white"), plainColour("hare")]).toEqual(["white", "white", "hare"]);
    for (const word of ["olive", "claret", "rust", "grey"])
      expect(plainColour(plainColour(word))).toBe(plainColour(word));
  });

  test("that is known is seen as something", () => {
    for (const word of ["olive", "tan", "claret", "chartreuse"])
      expect(colourIn(word)?.seen).toMatch(/^#[0-9a-f]{6}$/i);
  });
});
