import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { readRecipe, sayStep, type RecipeReading } from "..";
import { cabinet, hooks } from "./cabinet";

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

/** What came of each line: its steps with their part and material, and a question mark where something is asked. */
function outcome(text: string): string[] {
  const { lines, recipe, newMaterials } = read(text);
  const named = new Map([...cabinet, ...newMaterials.map((m) => [m.code, m] as const)]);
  const said = lines.flatMap((l, i) => [
    ...(l.asks.length > 0 ? [`${i + 1}?`] : []),
    ...l.steps.map((id) => {
      const step = recipe.steps.find((s) => s.id === id);
      const part = recipe.components.find((c) => c.id === step?.component);
      const of = named.get(part?.material[0]?.value ?? "");
      const isNew = of !== undefined && newMaterials.includes(of);
      return `${i + 1} ${[part?.role, of && `${of.name}${isNew ? ` (new, ${of.form})` : ""}`].filter(Boolean).join(", ")}: ${step ? sayStep(step) : ""}`;
    }),
  ]);
  const { finish } = recipe;
  const coats = finish.state === "given" ? [finish, ...(finish.then ?? [])].map((c) => c.coats).join("+") : "";
  return [
    `hook ${recipe.hookModel || "?"} ${recipe.sizes.from}-${recipe.sizes.to}`,
    ...said,
    `finish ${finish.state} ${coats}`.trim(),
  ];
}

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
        const figures = /\d[\d./]*/.exec(marked.replace(/^\s*\d+[.)]/, ""));
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
            expect(
              now?.asks.map((a) => a.sentence),
              `${lines[i]}`,
            ).not.toContain(ask.sentence);
            answered++;
          }
    expect(answered).toBeGreaterThan(20);
  });
});
