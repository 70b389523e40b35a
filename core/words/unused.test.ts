import { describe, expect, test } from "vitest";
import { readRecipe } from ".";
import { cabinet, hooks } from "./corpus/cabinet";

const read = (...lines: string[]) =>
  readRecipe(["Hook N1, 10 to 14", "Thread: olive 70", ...lines].join("\n"), { materials: cabinet, hooks }).lines.slice(
    2,
  );

describe("what is tied in and never used", () => {
  test("is noted while the recipe is being written", () => {
    const [line] = read("Tie in fine copper wire at the bend");
    expect(line?.asks).toEqual([]);
    expect(line?.notes).toContain("the rib is tied in here and never used");
  });

  test("is asked about once it is told to its end, at its own line", () => {
    const [line] = read("Tie in fine copper wire at the bend", "Body: grey muskrat", "Whip finish, 4 turns");
    expect(line?.asks.map((a) => a.sentence)).toEqual([
      "The rib is tied in here and never wound. Say in a line behind it how it is used, or take it out.",
    ]);
    expect(line?.asks[0]?.at).toEqual([0, "Tie in fine copper wire at the bend".length]);
  });

  test("a cover is never pulled over", () => {
    const [line] = read("Wing case: a slip of turkey, 4 mm, left hanging", "Whip finish, 4 turns");
    expect(line?.asks[0]?.sentence).toMatch(/never pulled over/);
  });

  test("is not asked about where the answer to a later line may use it up", () => {
    const [line, , later] = read(
      "Tie in fine copper wire at the bend",
      "Body: grey muskrat",
      "Glorble the wire up to the eye",
      "Whip finish, 4 turns",
    );
    expect(later?.asks.length).toBeGreaterThan(0);
    expect(line?.asks).toEqual([]);
  });

  test("what is used is not told of", () => {
    const [line] = read(
      "Tie in fine copper wire",
      "Body: grey muskrat",
      "Rib with it, six turns",
      "Whip finish, 4 turns",
    );
    expect([...(line?.asks ?? []), ...(line?.notes ?? [])].filter((n) => /never/.test(JSON.stringify(n)))).toEqual([]);
  });
});
