import { describe, expect, it } from "vitest";
import { FULL_EFFORT, readEffort, shareOf } from "./effort";

describe("the effort of a plan", () => {
  it("is the usual one when nothing is set", () => {
    expect(readEffort(undefined)).toBe(FULL_EFFORT);
    expect(readEffort("  ")).toBe(FULL_EFFORT);
  });
  it("is read as a share", () => {
    expect(readEffort("0.5")).toBe(0.5);
    expect(readEffort("1")).toBe(1);
  });
  it.each(["0", "-0.2", "1.5", "half", "Infinity", "NaN"])("refuses %s and says what to set", (text) => {
    expect(() => readEffort(text)).toThrow(/PLAN_EFFORT is .*set it to a share above 0 and at most 1/);
  });
  it("takes its share of what is usual, never less than one", () => {
    expect(shareOf(1200, 0.15)).toBe(180);
    expect(shareOf(1200, FULL_EFFORT)).toBe(1200);
    expect(shareOf(3, 0.01)).toBe(1);
  });
});
