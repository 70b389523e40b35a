import { describe, expect, test } from "vitest";
import { askedKey, finishedKey, isPlain, plainAsked, type Asked } from ".";

describe("what is asked of a fly beside its pattern", () => {
  const empty: Asked[] = [{}, { leave: [] }, { use: {}, methods: {}, buy: [] }];
  test.each(empty)("nothing, however it is said: %j", (asked) => {
    expect(isPlain(asked)).toBe(true);
    expect(askedKey(asked)).toBe("");
    expect(plainAsked(asked)).toEqual({});
  });
  test("is the same whatever the order in which it was said", () => {
    const [a, b]: Asked[] = [
      { leave: ["wing", "flash"], use: { tail: "x", rib: "y" } },
      { use: { rib: "y", tail: "x" }, leave: ["flash", "wing"], methods: {} },
    ];
    expect(askedKey(a ?? {})).toBe(askedKey(b ?? {}));
  });
  test.each<[string, Asked, Asked]>([
    ["another part left out", { leave: ["wing"] }, { leave: ["flash"] }],
    ["another material", { use: { tail: "x" } }, { use: { tail: "y" } }],
    ["another way", { methods: { "a/b": "c" } }, { methods: { "a/b": "d" } }],
    ["bought or made", { buy: ["legs"] }, {}],
  ])("is another with %s", (_, a, b) => expect(askedKey(a)).not.toBe(askedKey(b)));
});

describe("finished flies that a customer cannot tell apart", () => {
  test.each<[string, Asked]>([
    ["tied by another school", { methods: { "tail/butts": "trimmed after" } }],
    ["with a part that was bought", { buy: ["legs"] }],
  ])("are alike %s", (_, asked) => expect(finishedKey(asked)).toBe(""));
  test.each<[string, Asked]>([
    ["without a part", { leave: ["wing"] }],
    ["of another material", { use: { tail: "x" } }],
    ["dressed otherwise", { methods: { "tail/dressing": "sparse" } }],
  ])("are not %s", (_, asked) => expect(finishedKey(asked)).not.toBe(""));
});
