import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { readRecipe } from "..";
import { cabinet, hooks } from "./cabinet";
import { outcome } from "./outcome";
import { read } from "./reading";

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

describe("recipes as tiers tell them", () => {
  test("there are forty of them at least", () => expect(cases.length).toBeGreaterThanOrEqual(40));
  test.each(cases)("$name", ({ text, expected }) => expect(outcome(read(text))).toEqual(expected));

  test.each(cases)(
    "$name: no word is lost, each is part of a reading, kept, doubted, or carries nothing",
    ({ text }) => {
      const lost = read(text).lines.flatMap((l) => {
        const marked = l.marks.reduce(
          (t, m) => t.slice(0, m.at[0]) + " ".repeat(m.at[1] - m.at[0]) + t.slice(m.at[1]),
          l.text,
        );
        const figures = /\d[\d./]*/.exec(marked.replace(/^\s*\d+(?:[.)/]|\s+-)(?=\s)/, ""));
        return figures ? [`“${l.text}” loses ${figures[0]}`] : [];
      });
      expect(lost).toEqual([]);
    },
  );

  test.each(cases)("$name: what is said back reads to the same steps", ({ text }) => {
    const { recipe } = read(text);
    const again = readRecipe(text, {
      materials: cabinet,
      hooks,
      was: recipe,
      stepsOfLine: (i) => recipe.told?.[i]?.steps ?? [],
    });
    expect(again.recipe.steps).toEqual(recipe.steps);
  });
});

/** Answers that differ in a figure only settle a question alike: one of each kind. */
const oneOfEachKind = <A extends { text: string }>(answers: readonly A[]): A[] => [
  ...new Map(answers.map((a) => [a.text.replace(/[\d.,/]+/g, "#"), a] as const)).values(),
];

/** Every answer that is offered to a question of the corpus: its line with the answer in the question's place. */
const answered = cases.flatMap(({ name, text }) =>
  read(text).lines.flatMap((line, i) =>
    line.asks.flatMap((ask) =>
      oneOfEachKind(ask.answers).map((answer) => {
        const lines = text.split("\n");
        lines[i] = line.text.slice(0, ask.at[0]) + answer.text + line.text.slice(ask.at[1]);
        return { name, i, line, ask, said: lines[i], text: lines.join("\n") };
      }),
    ),
  ),
);
describe("an answer that is offered, put in its place, leaves that question no more", () => {
  test("there are twenty of them at least", () => expect(answered.length).toBeGreaterThan(20));
  test.each(answered)("$name: $said", ({ i, line, ask, said, text }) => {
    const now = read(text).lines[i];
    // The same may be asked twice of a line: of “half of them back, half forward”.
    const often = (asks: typeof line.asks = []) => asks.filter((a) => a.sentence === ask.sentence).length;
    expect(often(now?.asks), said).toBeLessThan(often(line.asks));
  });
});
