import { describe, expect, test } from "vitest";
import { length, placeSchema } from "./lengths";

describe("a length", () => {
  test.each<[string, unknown]>([
    ["so many mm", { mm: 12 }],
    ["so many times a measure, and something more", { of: "shank", times: 1.5, plus: { of: "gape", times: 1 } }],
    ["to a landmark", { reach: "bend" }],
    ["past it", { reach: "bend", pastMm: 3 }],
    ["short of a place", { to: { landmark: "eye" }, pastMm: -2 }],
    ["a share of the way", { to: { fraction: 0.5 }, share: 0.5 }],
    ["between two", { between: [{ reach: "point" }, { reach: "barb", share: 0.75 }] }],
  ])("may be %s", (_label, rule) => expect(length.parse(rule)).toEqual(rule));

  test.each<[string, unknown]>([
    ["a share of the way and past it", { reach: "bend", share: 0.5, pastMm: 2 }],
    ["the whole way as a share", { reach: "bend", share: 1 }],
    ["no share of it", { to: { landmark: "bend" }, share: 0 }],
    ["so many mm and a landmark", { mm: 3, reach: "bend" }],
    ["nothing", {}],
    ["less than nothing", { mm: -1 }],
    ["by what no fly has", { of: "antler", times: 1 }],
    ["no number", { mm: NaN }],
    ["between one", { between: [{ mm: 1 }] }],
    ["between what lies between", { between: [{ mm: 1 }, { between: [{ mm: 1 }, { mm: 2 }] }] }],
  ])("is not %s", (_label, rule) => expect(length.safeParse(rule).success).toBe(false));
});

describe("a place", () => {
  test.each<[string, unknown]>([
    ["a landmark", { landmark: "bend" }],
    ["so many eyes behind the eye", { eyeLengths: 1.5 }],
    ["a share of the shank, and a little further", { fraction: 0.5, plus: { mm: 2 } }],
    ["the end of a part", { part: "body", end: "front" }],
  ])("may be %s", (_label, place) => expect(placeSchema.parse(place)).toEqual(place));

  test.each<[string, unknown]>([
    ["two at once", { landmark: "bend", fraction: 0.5 }],
    ["a part without an end", { part: "body" }],
    ["further by another part", { landmark: "bend", plus: { of: "tail", times: 1 } }],
    ["beyond all hooks", { fraction: 40 }],
  ])("is not %s", (_label, place) => expect(placeSchema.safeParse(place).success).toBe(false));
});
