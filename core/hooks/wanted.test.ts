import { describe, expect, test } from "vitest";
import { hookDifference, type HookWanted } from ".";

const wet = { shankSteps: 0, wireSteps: 1, barbless: false, eyeForm: "turned down", finish: "bronze" } as const;
const exactly = (n: number) => ({ from: n, to: n });

describe("hookDifference", () => {
  const cases: [string, HookWanted, HookWanted | undefined][] = [
    ["nothing is said", {}, undefined],
    [
      "all that is said",
      { shank: exactly(0), wire: { from: 1, to: 10 }, barbless: false, finish: "Bronze" },
      undefined,
    ],
    ["the ends of a span count", { wire: { from: -1, to: 1 } }, undefined],
    ["a longer shank", { shank: exactly(4), barbless: false }, { shank: exactly(0) }],
    ["any longer shank", { shank: { from: 1, to: 10 } }, { shank: exactly(0) }],
    ["no barb", { barbless: true }, { barbless: false }],
    ["a wider gape than a model that tells none", { gape: { from: 1, to: 10 } }, { gape: exactly(0) }],
    ["a curve where a model tells no bend", { bend: "curved" }, { bend: "round" }],
    ["two points", { points: 2 }, { points: 1 }],
    ["another eye", { eye: "straight" }, { eye: "turned down" }],
    ["another finish", { finish: "nickel" }, { finish: "bronze" }],
  ];
  test.each(cases)("%s", (_label, wanted, has) => {
    expect(hookDifference(wanted, wet)?.has).toEqual(has);
  });

  test("what a model does not tell of itself is not held against it", () => {
    const { eyeForm: _eye, finish: _finish, ...untold } = wet;
    expect(hookDifference({ eye: "straight", finish: "nickel" }, untold)).toBeUndefined();
  });

  test("only what differs is told, on both sides", () => {
    expect(hookDifference({ shank: exactly(2), barbless: false, eye: "straight" }, wet)).toEqual({
      wanted: { shank: exactly(2), eye: "straight" },
      has: { shank: exactly(0), eye: "turned down" },
    });
  });
});
