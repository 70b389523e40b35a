import { describe, expect, test } from "vitest";
import { fitted } from "./picture";
import { keptTraits, writtenTraits } from "./traits";

describe("a picture to keep", () => {
  test.each([
    ["wide", 4000, 3000, { width: 1100, height: 825 }],
    ["tall", 1500, 3000, { width: 550, height: 1100 }],
    ["small already", 640, 480, { width: 640, height: 480 }],
    ["a hair wide", 1, 90_000, { width: 1, height: 1100 }],
  ])("%s", (_name, width, height, size) => {
    expect(fitted(width, height)).toEqual(size);
  });
});

describe("what was looked at on a lot", () => {
  test("comes back as it was, through per cents", () => {
    const traits = { splits: 0.07, unusable: 0.125, fibreMm: 60, area: "edge", used: true };
    expect(keptTraits(writtenTraits(traits))).toEqual(traits);
  });
  test("is nothing where nothing was filled in; nought per cent is something", () => {
    expect(keptTraits({ area: "", used: false, splits: 0 })).toEqual({ splits: 0 });
  });
});
