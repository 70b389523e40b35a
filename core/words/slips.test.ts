import { describe, expect, test } from "vitest";
import { arePairs, inSlips } from "./slips";

const slipWidth = { mm: 3 };

describe("slips are told by the pair", () => {
  test("a count is of pairs where it is even and said to be paired", () => {
    expect(arePairs({ feathers: 2, paired: true })).toBe(true);
    expect(arePairs({ feathers: 4, paired: true })).toBe(true);
    expect(arePairs({ feathers: 3, paired: true })).toBe(false);
    expect(arePairs({ feathers: 2 })).toBe(false);
    expect(arePairs({ fibres: 2 })).toBe(false);
  });

  test("one pair is a slip from either side, and more pairs lie over each other", () => {
    expect(inSlips({ feathers: 2, paired: true }, slipWidth)).toEqual({ slipWidth });
    expect(inSlips({ feathers: 4, paired: true }, slipWidth)).toEqual({ slipWidth, layers: 2 });
    expect(inSlips({ feathers: 6, paired: true }, slipWidth)).toEqual({ slipWidth, layers: 3 });
  });

  test("without a count of pairs there is the width alone", () => {
    expect(inSlips(undefined, slipWidth)).toEqual({ slipWidth });
    expect(inSlips({ feathers: 3 }, slipWidth)).toEqual({ slipWidth });
  });
});
