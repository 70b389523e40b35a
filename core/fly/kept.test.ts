import { describe, expect, test } from "vitest";
import { choose, materials, model, recipe } from "../testing/nymph";
import { composeFly, KeptFlies } from ".";

describe("kept flies", () => {
  test("are composed once for one content, whatever the number of flies between two ways of tying", () => {
    const kept = new KeptFlies(10);
    const of = (flies: number, more = {}) =>
      kept.fly("p@1", recipe(), { ...choose(), flies, ...more }, model, materials);
    const first = of(40);
    expect(first.parts).toEqual(composeFly(recipe(), { ...choose(), flies: 40 }, model, materials).parts);
    expect(of(1200)).toBe(first);
    expect(of(40, { methods: {}, leave: [] })).toBe(first);
  });
  test.each([
    ["fewer flies than pay for cutting beforehand", { flies: 12 }],
    ["another size", { size: "12" }],
    ["a part left out", { leave: ["rib"] }],
    ["another way", { methods: { "x/y": "z" } }],
  ])("are others for %s", (_what, more) => {
    const kept = new KeptFlies(10);
    const of = (c: object) => kept.fly("p@1", recipe(), { ...choose(), flies: 40, ...c }, model, materials);
    const first = of({});
    let other: unknown;
    try {
      other = of(more);
    } catch (error) {
      other = error;
    }
    expect(other).not.toBe(first);
  });
  test("are others for another version", () => {
    const kept = new KeptFlies(10);
    const of = (key: string) => kept.fly(key, recipe(), choose(), model, materials);
    expect(of("p@2")).not.toBe(of("p@1"));
  });
  test("the one that was not asked for the longest gives way", () => {
    const kept = new KeptFlies(2);
    const of = (key: string) => kept.fly(key, recipe(), choose(), model, materials);
    const [a, b] = [of("a"), of("b")];
    expect(of("a")).toBe(a);
    of("c");
    expect(of("a")).toBe(a);
    expect(of("b")).not.toBe(b);
  });
});
