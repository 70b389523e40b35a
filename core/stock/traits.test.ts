import { describe, expect, test } from "vitest";
import { materialForms } from "../materials";
import { centsPerUsable, traitsFor, traitWords } from "./traits";

describe("what a lot has of its own", () => {
  test("is asked for by what the material is", () => {
    expect(traitsFor("hackle")).toContain("stemMm");
    expect(traitsFor("hook")).toEqual(["finish", "used", "labelColour", "seenColour"]);
    expect(traitsFor("liquid")).toContain("consistency");
    for (const form of materialForms) expect(new Set(traitsFor(form)).size, form).toBe(traitsFor(form).length);
  });

  test("is said in a few words, nought included, and what nobody looked at is not said", () => {
    expect(
      traitWords({ area: "shoulder", splits: 0, unusable: 0.125, fibreMm: 60, depth: "pale", note: "" } as object),
    ).toEqual(["from the shoulder", "pale in colour", "0 % split", "13 % of no use", "fibres to 60 mm"]);
    expect(traitWords({ area: "" })).toEqual([]);
    expect(traitWords({})).toEqual([]);
    expect(traitWords({ used: true, labelColour: "dun", seenColour: "#776655" })).toEqual([
      "used, stripped",
      "label says dun",
      "seen #776655",
    ]);
  });

  test.each([
    ["dear and little wasted", 6000, 300, 0.2, 25],
    ["cheap and much culled", 4000, 300, 0.5, 26 + 2 / 3],
    ["nobody has looked", 4000, 200, undefined, 20],
  ])("a usable piece: %s", (_name, cents, pieces, unusable, each) => {
    expect(centsPerUsable(cents, pieces, unusable)).toBeCloseTo(each, 9);
  });

  test("what is of no use at all has no price a piece", () => {
    expect(centsPerUsable(4000, 200, 1)).toBeUndefined();
  });
});
