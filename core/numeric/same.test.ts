import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { isSame } from ".";

describe("two values of plain data", () => {
  test.each<[string, unknown, unknown, boolean]>([
    ["keys in another order", { landmark: "bend", plus: { mm: 2 } }, { plus: { mm: 2 }, landmark: "bend" }, true],
    ["a key without a value", { eyeLengths: 1, plus: undefined }, { eyeLengths: 1 }, true],
    ["the same the other way round", { eyeLengths: 1 }, { eyeLengths: 1, plus: undefined }, true],
    ["a key more", { eyeLengths: 1 }, { eyeLengths: 1, plus: { mm: 1 } }, false],
    ["another figure deep within", { to: { plus: { mm: 2 } } }, { to: { plus: { mm: 3 } } }, false],
    ["lists in another order", [1, 2], [2, 1], false],
    ["a longer list", [1], [1, 2], false],
    ["a list and a thing", [], {}, false],
    ["nothing and no value", null, undefined, false],
    ["nothing and a thing", null, {}, false],
    ["a number and its text", 1, "1", false],
    ["nought and its other sign", 0, -0, true],
    ["no number and no number", NaN, NaN, true],
  ])("%s", (_label, a, b, same) => {
    expect([isSame(a, b), isSame(b, a)]).toEqual([same, same]);
  });

  test("are the same as their copies, and are not once one of them is changed", () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 3 }), (value) => {
        expect(isSame(value, structuredClone(value))).toBe(true);
        expect(isSame({ value }, { value: [value] })).toBe(false);
      }),
    );
  });
});
