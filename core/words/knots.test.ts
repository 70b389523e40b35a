import { describe, expect, test } from "vitest";
import { asksOf, read, stepsByPart } from "./corpus/reading";

const wet = "Test\nHook: wet 12\nThread: black\nBody: black floss\nCollar: brown hen hackle, 2 turns\n";
const knotsOf = (how: string) => read(wet + how).recipe.steps.filter((s) => s.do === "whip");

describe("a knot is made once for what says where and what says how", () => {
  test.each([
    "Finish behind the collar. 3 turn whip.",
    "Whip finish behind the collar, 3 turns",
    "Finish behind the collar with a 3 turn whip",
    "Finish off right behind the collar with a three-turn whip finish",
    "Finish: behind the collar, 3 turn whip",
    "Head: behind the collar, 3 turn whip",
  ])("%s", (how) => {
    const knots = knotsOf(how);
    expect(knots).toHaveLength(1);
    expect(knots).toMatchObject([{ turns: 3, from: { part: "collar", end: "rear" } }]);
    expect(read(wet + how).recipe.steps.filter((s) => s.do === "glue")).toEqual([]);
    expect(asksOf(wet + how)).toEqual([]);
  });

  test("what is made in front of a part does not lie on it", () => {
    const [knot] = knotsOf("Finish in front of the collar with a 4 turn whip");
    expect(knot).toMatchObject({ turns: 4, to: { part: "collar", end: "front" } });
    expect(knot).toMatchObject({ from: { part: "collar", end: "front", plus: { of: "eye", times: -0.9 } } });
  });

  test("two that are told are two, and each has its own turns", () => {
    const [first, again, ...others] = knotsOf("Whip finish 4 turns, then whip finish again");
    expect(others).toEqual([]);
    expect(first).toMatchObject({ turns: 4 });
    expect(again).toBeDefined();
  });
});

describe("“there” is where the thread hangs", () => {
  const tailAfter = (thread: string): string | undefined =>
    stepsByPart(
      `Test\nHook: dry 14\nThread: black\n${thread}\nTie in there 6 fibres of pheasant tail for the tail, one shank long`,
    ).find((s) => s.startsWith("tail: "));

  test.each([
    ["Run the thread to the bend", "the bend"],
    ["Run the thread to the bend, then forward to mid-shank", "mid-shank"],
  ])("%s", (thread, place) => expect(tailAfter(thread)).toMatch(new RegExp(`tied in at ${place}$`)));
});
