import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { matchLines } from ".";

describe("which line is which", () => {
  test("a line that is changed where it stands stays that line", () => {
    expect(matchLines(["a", "b", "c"], ["a", "b2", "c"])).toEqual([0, 1, 2]);
    expect(matchLines(["a", "b"], ["a2", "b"])).toEqual([0, 1]);
  });
  test("a line that is put between is new; one that is taken out is nobody's", () => {
    expect(matchLines(["a", "b"], ["a", "new", "b"])).toEqual([0, undefined, 1]);
    expect(matchLines(["a", "b", "c"], ["a", "c"])).toEqual([0, 2]);
  });
  test("lines that are moved, or swapped, take what was theirs along", () => {
    expect(matchLines(["a", "b", "c", "d"], ["d", "a", "b", "c"])).toEqual([3, 0, 1, 2]);
    expect(matchLines(["a", "b"], ["b", "a"])).toEqual([1, 0]);
  });
  test("the same words twice are two lines", () => {
    expect(matchLines(["rib", "body", "rib"], ["rib", "body", "rib"])).toEqual([0, 1, 2]);
    expect(matchLines(["rib"], ["rib", "rib"])).toEqual([0, undefined]);
  });
  test("no line is ever two, and an unchanged text is itself", () => {
    const text = fc.array(fc.constantFrom("a", "b", "c", "d", ""), { maxLength: 12 });
    fc.assert(
      fc.property(text, text, (before, now) => {
        const found = matchLines(before, now).filter((j) => j !== undefined);
        expect(new Set(found).size).toBe(found.length);
        expect(matchLines(now, now)).toEqual(now.map((_, i) => i));
      }),
    );
  });
});
