import { describe, expect, test } from "vitest";
import { changed, type RecipeStep } from "@kasten/core/recipe";
import { sizeRuleOf, sizeRuleWords } from "./sizeRules";

const tail: RecipeStep = {
  id: "tail",
  name: "tail",
  component: "tail",
  do: "lay",
  from: { fraction: 0.5 },
  to: { landmark: "bend" },
  amount: { fibres: 8 },
  shown: { of: "shank", times: 0.5 },
  attitude: "back",
};
const hackle: RecipeStep = {
  id: "hackle",
  name: "hackle",
  component: "hackle",
  do: "wind",
  from: { eyeLengths: 1.2 },
  to: { eyeLengths: 1.2 },
  rule: { turns: 3 },
  sweep: "back",
};

describe("what a few words change at some sizes", () => {
  test("only what differs is kept", () => {
    expect(sizeRuleOf("4 fibres", tail, "tail", "feather fibre")).toEqual({ amount: { fibres: 4 } });
    expect(sizeRuleOf("8 fibres", tail, "tail", "feather fibre")).toEqual({});
    expect(sizeRuleOf("5 fibres, = shank", tail, "tail", "feather fibre")).toEqual({
      amount: { fibres: 5 },
      shown: { of: "shank", times: 1 },
    });
  });
  test("a length alone leaves the count as it was", () =>
    expect(sizeRuleOf("= 0.4 shank", tail, "tail", "feather fibre")).toEqual({ shown: { of: "shank", times: 0.4 } }));
  test("a feather that is too long to wind there changes the way", () => {
    expect(sizeRuleOf("2 turns, by the tip", hackle, "hackle", "hackle")).toEqual({
      rule: { turns: 2 },
      methods: { "hackle tied in": "tip" },
    });
    expect(sizeRuleOf("by the tip", { ...hackle, methods: { "hackle tied in": "tip" } }, "hackle", "hackle")).toEqual(
      {},
    );
  });
  test("said back, a rule is just the clauses that it makes different", () => {
    for (const words of ["4 fibres", "5 fibres, = the shank length"])
      expect(sizeRuleWords(tail, sizeRuleOf(words, tail, "tail", "feather fibre"))).toBe(words);
    expect(sizeRuleWords(hackle, sizeRuleOf("2 turns, by the tip", hackle, "hackle", "hackle"))).toBe(
      "2 turns, by the tip",
    );
    expect(sizeRuleWords(tail, {})).toBe("");
  });
  test("read again from its words it changes the step to the same", () => {
    const set = sizeRuleOf("6 fibres, = 0.3 shank", tail, "tail", "feather fibre");
    expect(changed(tail, sizeRuleOf(sizeRuleWords(tail, set), tail, "tail", "feather fibre"))).toEqual(
      changed(tail, set),
    );
  });
  test("what is not understood changes nothing", () =>
    expect(sizeRuleOf("somewhat fewer", tail, "tail", "feather fibre")).toEqual({}));
});
