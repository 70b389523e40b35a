import { describe, expect, test } from "vitest";
import { withAbsurdNumbers } from "../testing/absurd";
import { cabinet, hooks } from "./corpus/cabinet";
import { recipes } from "./corpus/recipes";
import { readRecipe } from "./index";

const read = (text: string) => readRecipe(text, { materials: cabinet, hooks });

/** Every so many recipes of the corpus: all of them would take minutes. */
const EVERY = 60;
const some = recipes.filter((_, i) => i % EVERY === 1).map(({ text }) => text);

describe("numbers that nobody means", () => {
  test("each line is answered, and keeps its words", () => {
    const absurd = some.flatMap(withAbsurdNumbers);
    expect(absurd.length).toBeGreaterThan(50);
    for (const text of absurd)
      expect(
        read(text)
          .lines.map((l) => l.text)
          .join("\n"),
      ).toBe(text);
  });

  test.each([
    "Hook: wet 12/0 or 14",
    "Hook: wet, sizes 0/0 and 10",
    "Hook: nymph 12-16\nBead: 2.8 mm gold for 12, 2.5 for 14, 60 for 16",
    "Hook: wet 12\nTail: 6 red hackle fibres on 60s and smaller",
  ])("a size in which no hook is made is no size: %j", (text) => {
    const { lines, recipe } = read(`Long Night\n${text}`);
    expect(lines.flatMap((l) => l.asks).length).toBeGreaterThan(0);
    expect([recipe.sizes.from, recipe.sizes.to]).not.toContain("12/0");
    expect([recipe.sizes.from, recipe.sizes.to]).not.toContain("0/0");
  });
});
