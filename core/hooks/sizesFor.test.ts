import { describe, expect, test } from "vitest";
import { collarSizes } from "./sizesFor";

describe("the hooks that a class of barbs serves", () => {
  test.each([
    ["between two gapes", [5.5, 6.5], ["18", "16"]],
    ["the very end of an interval counts", [6, 6], ["18", "16"]],
    ["just beyond it", [6.1, 6.1], ["16"]],
    ["large", [17, 19], ["2"]],
    ["too short for any", [2, 3], []],
    ["too long for any", [60, 70], []],
  ] as [string, [number, number], string[]][])("%s", (_name, class_, sizes) =>
    expect(collarSizes(class_)).toEqual(sizes),
  );
  test("refuses a class the wrong way round", () =>
    expect(() => collarSizes([9, 5])).toThrow(expect.objectContaining({ code: "FIGURE_OUT_OF_BOUNDS" })));
});
