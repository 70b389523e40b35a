import { describe, expect, test } from "vitest";
import { readRecipe, type Ask, type RecipeLine } from "..";
import { thorough } from "../../testing/thorough";
import { cabinet, hooks } from "./cabinet";
import { outcome } from "./outcome";
import { read } from "./reading";
import { recipes } from "./recipes";

/** Figures that are in no part of a line that was marked: read by nobody. */
function lostFigure({ marks, text }: RecipeLine): string | undefined {
  const unmarked = marks.reduce((t, m) => t.slice(0, m.at[0]) + " ".repeat(m.at[1] - m.at[0]) + t.slice(m.at[1]), text);
  return /\d[\d./]*/.exec(unmarked.replace(/^\s*\d+(?:[.)/]|\s+-)(?=\s)/, ""))?.[0];
}

/** A question or an answer without its own words: those alike in it are settled alike. */
const kindOf = (said: string): string => said.replace(/“[^”]*”|«[^»]*»/g, "“…”").replace(/[\d.,/]+/g, "#");
const tried = new Set<string>();
/** Each takes another reading: all of them a minute, one of each kind of question and answer some seconds. */
function isToTry(name: string, ask: Ask, answer: string): boolean {
  const kind = `${thorough ? name : ""} ${kindOf(ask.sentence)} ${kindOf(answer)}`;
  if (tried.has(kind)) return false;
  tried.add(kind);
  return true;
}
// The same may be asked twice of a line: of “half of them back, half forward”.
const timesAsked = (line: RecipeLine | undefined, { sentence }: Ask): number =>
  line?.asks.filter((a) => a.sentence === sentence).length ?? 0;

/** A line of a recipe, when it is told otherwise. */
const readWith = (text: string, line: number, said: string): RecipeLine | undefined =>
  readRecipe(text.split("\n").with(line, said).join("\n"), { materials: cabinet, hooks }).lines[line];

test("there are forty of them at least", () => expect(recipes.length).toBeGreaterThanOrEqual(40));

// One recipe after the other: a line that was scanned a moment ago need not be scanned again.
describe.each(recipes)("recipes as tiers tell them: $name", ({ name, text, expected }) => {
  test("is read so", () => expect(outcome(read(text))).toEqual(expected));

  test("no word is lost, each is part of a reading, kept, doubted, or carries nothing", () => {
    const lost = read(text).lines.flatMap((l) => {
      const figure = lostFigure(l);
      return figure === undefined ? [] : [`“${l.text}” loses ${figure}`];
    });
    expect(lost).toEqual([]);
  });

  test("what is said back reads to the same steps", () => {
    const { recipe } = read(text);
    const again = readRecipe(text, {
      materials: cabinet,
      hooks,
      was: recipe,
      stepsOfLine: (i) => recipe.told?.[i]?.steps ?? [],
    });
    expect(again.recipe.steps).toEqual(recipe.steps);
  });

  test("an answer that is offered, put in its place, leaves that question no more", () => {
    const stillAsked = read(text).lines.flatMap((line, i) =>
      line.asks.flatMap((ask) =>
        ask.answers
          .filter((a) => isToTry(name, ask, a.text))
          .map((a) => line.text.slice(0, ask.at[0]) + a.text + line.text.slice(ask.at[1]))
          .filter((said) => timesAsked(readWith(text, i, said), ask) >= timesAsked(line, ask)),
      ),
    );
    expect(stillAsked).toEqual([]);
  });
});

test("twenty kinds of answers at least were offered, and tried", () => expect(tried.size).toBeGreaterThan(20));
