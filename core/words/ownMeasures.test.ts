import { describe, expect, test } from "vitest";
import { readRecipe, sayStep } from ".";
import { cabinet, hooks } from "./corpus/cabinet";
import { inOwnMeasures } from "./ownMeasures";
import { read } from "./corpus/reading";

describe("a length by a person's own hand", () => {
  test("is asked once, with what it may be", () => {
    const { asks } = inOwnMeasures("tail: white bucktail, 3 mm thick, a hand long");
    expect(asks).toMatchObject([{ at: [34, 40], answers: [{ text: "80 mm" }, { text: "90 mm" }, { text: "100 mm" }] }]);
  });

  test.each([
    ["is known with the person's own words", "tail: hair, a finger long", { finger: 21 }, "tail: hair, 21 mm    long"],
    ["as they are kept", "tail: hair, a finger long", { "a finger": 21 }, "tail: hair, 21 mm    long"],
    ["several of them", "two fingers behind the eye", { finger: 18 }, "36 mm       behind the eye"],
    ["half of one", "wing: hair, half a hand long", { hand: 90 }, "wing: hair, 45 mm       long"],
    ["what is done with a finger is none", "spread it with a finger, and stroke it back by hand", {}, undefined],
    ["nor is what is held in the hand", "even the tips in one hand", {}, undefined],
  ] as const)("%s", (_what, line, words, read) =>
    expect(inOwnMeasures(line, words)).toEqual({ text: read ?? line, asks: [] }),
  );

  test("lets the rest of its line be read, and becomes a length as any other", () => {
    const text = "Hook: streamer 4\nThread: white\nTail: 20 marabou fibres, a finger long, tied in at the bend";
    const unknown = read(text);
    expect(unknown.lines.at(-1)?.asks.map((a) => text.split("\n")[2]?.slice(...a.at))).toEqual(["a finger"]);
    const known = readRecipe(text, { materials: cabinet, hooks, numberWords: { finger: 22 } });
    expect(known.lines.at(-1)?.asks).toEqual([]);
    expect(known.recipe.steps.map((s) => sayStep(s)).at(-1)).toContain("= 22 mm");
    expect(known.lines.at(-1)?.text).toContain("a finger long");
  });
});
