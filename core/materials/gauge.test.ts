import { describe, expect, test } from "vitest";
import { materials } from "../testing/nymph";
import { findMaterials } from "../words";
import { gaugeOf, widthOfGauge, type Material } from ".";

const wire = (width: number, gauge?: string): Pick<Material, "form" | "gauge" | "strand"> => ({
  form: "wire",
  gauge,
  strand: { section: "round", width, thickness: width, density: 8.96 },
});

describe("gauge words and numbers", () => {
  test.each([
    [0.09, "fine"],
    [0.14, "small"],
    [0.15, "small"],
    [0.22, "medium"],
    [0.5, "large"],
  ])("a wire of %d mm is %s", (width, word) => expect(gaugeOf(wire(width))).toBe(word));
  test("the word on the label goes before the nearest one", () => expect(gaugeOf(wire(0.23, "stout"))).toBe("stout"));
  test("a form without gauges has none", () =>
    expect(gaugeOf({ form: "floss", strand: { width: 0.8, thickness: 0.06 } })).toBeUndefined());
  test.each([
    ["small", "wire", 0.14],
    ["Medium", "tinsel", 0.75],
    [".020", "weight wire", 0.508],
    ["0.015 in", "weight wire", 0.381],
  ] as const)("“%s” of %s is %d mm", (text, form, mm) => expect(widthOfGauge(text, form)).toBeCloseTo(mm, 6));
  test.each(["huge", "2", "x.02"])("“%s” says no width", (text) => expect(widthOfGauge(text, "wire")).toBeUndefined());
  test("what a word stands for is called by that word again", () => {
    for (const [form, words] of [
      ["wire", ["fine", "small", "medium", "large"]],
      ["chenille", ["small", "medium"]],
      ["rubber", ["fine", "medium"]],
    ] as const)
      for (const word of words)
        expect(gaugeOf({ form, strand: { width: widthOfGauge(word, form) ?? 0, thickness: 0.1 } })).toBe(word);
  });
  test("a material is found by its gauge", () => {
    const found = (words: string) => findMaterials(words, [...materials.values()]).map((m) => m.code);
    expect(found("small wire")).toEqual(["wire"]);
    expect(found("fine wire")).toEqual(expect.arrayContaining(["thin-wire", "tin"]));
    expect(found("fine wire")).not.toContain("wire");
  });
});
