import { describe, expect, test } from "vitest";
import { areaOf, isFromArea } from ".";

describe("where on the skin something comes from", () => {
  test.each([
    ["lower wing", "lower wing"],
    ["  From the  Lower Wing ", "lower wing"],
    ["the edge of the saddle", "edge"],
    ["taken from the rear of a cape", "rear"],
    ["Edge", "edge"],
    ["side of the tail", "side of the tail"],
  ])("%s", (said, area) => expect(areaOf(said)).toBe(area));
  test("is compared as it is meant, not as it is written", () => {
    expect(isFromArea("Edge of the skin", "from the edge")).toBe(true);
    expect(isFromArea("rear", "edge")).toBe(false);
  });
  test("nothing asked, anything will do; nothing known, it may do", () => {
    expect(isFromArea("rear", undefined)).toBe(true);
    expect(isFromArea("rear", "")).toBe(true);
    expect(isFromArea(undefined, "edge")).toBe(true);
    expect(isFromArea("", "edge")).toBe(true);
  });
});
