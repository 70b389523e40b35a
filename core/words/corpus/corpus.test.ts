import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { readRecipe, type RecipeReading } from "..";
import { cabinet, hooks } from "./cabinet";
import { outcome } from "./outcome";

const folder = new URL("./", import.meta.url);
const MARK = "\n===\n";
interface Case {
  name: string;
  text: string;
  expected: string[];
}
const cases: Case[] = readdirSync(folder)
  .filter((f) => f.endsWith(".txt"))
  .sort()
  .map((f) => {
    const [text = "", expected = ""] = readFileSync(new URL(f, folder), "utf8").split(MARK);
    return { name: f.replace(/\.txt$/, ""), text: text.trimEnd(), expected: expected.trim().split("\n") };
  });
const read = (text: string): RecipeReading => readRecipe(text, { materials: cabinet, hooks });

describe("recipes as tiers tell them", () => {
  test("there are forty of them at least", () => expect(cases.length).toBeGreaterThanOrEqual(40));
  test.each(cases)("$name", ({ text, expected }) => expect(outcome(text)).toEqual(expected));

  test("no word is lost: each is part of a reading, kept, doubted, or carries nothing", () => {
    const lost = cases.flatMap(({ name, text }) =>
      read(text).lines.flatMap((l) => {
        const marked = l.marks.reduce(
          (t, m) => t.slice(0, m.at[0]) + " ".repeat(m.at[1] - m.at[0]) + t.slice(m.at[1]),
          l.text,
        );
        const figures = /\d[\d./]*/.exec(marked.replace(/^\s*\d+[.)/](?=\s)/, ""));
        return figures ? [`${name}: “${l.text}” loses ${figures[0]}`] : [];
      }),
    );
    expect(lost).toEqual([]);
  });

  test("what is said back reads to the same steps", () => {
    for (const { name, text } of cases) {
      const { recipe } = read(text);
      const again = readRecipe(text, {
        materials: cabinet,
        hooks,
        was: recipe,
        stepsOfLine: (i) => recipe.told?.[i]?.steps ?? [],
      });
      expect(again.recipe.steps, name).toEqual(recipe.steps);
    }
  });

  test("an answer that is offered, put in its place, leaves that question no more", () => {
    let answered = 0;
    for (const { text } of cases)
      for (const [i, line] of read(text).lines.entries())
        for (const ask of line.asks)
          for (const answer of ask.answers) {
            const lines = text.split("\n");
            lines[i] = line.text.slice(0, ask.at[0]) + answer.text + line.text.slice(ask.at[1]);
            const now = read(lines.join("\n")).lines[i];
            // The same may be asked twice of a line: of “half of them back, half forward”.
            const often = (asks: typeof line.asks = []) => asks.filter((a) => a.sentence === ask.sentence).length;
            expect(often(now?.asks), `${lines[i]}`).toBeLessThan(often(line.asks));
            answered++;
          }
    expect(answered).toBeGreaterThan(20);
  });
});
