import { expect, test } from "vitest";
import { typedOtherwise } from "../testing/typedOtherwise";
import { cabinet, hooks } from "./corpus/cabinet";
import { recipes } from "./corpus/recipes";
import { readRecipe, sayStep } from "./index";

/** Ways to type the same, of which none may change what is read. */
const ways: [string, (line: string) => string][] = [
  ["a stop at the end of a line", (l) => (/[.!?:,]$/.test(l) ? l : `${l}.`)],
  ["no stop at the end of a line", (l) => l.replace(/\.$/, "")],
  ["capitals", (l) => l.toUpperCase()],
  ["wide blanks", (l) => l.replace(/, /g, ",  ")],
  ["blanks that do not break", (l) => l.replace(/(\d) (mm|cm|turns|fibres)/g, "$1\u00a0$2")],
  ["bullets", (l) => (/^\s*(?:[-*•\d(]|step)/i.test(l) ? l : `• ${l}`)],
  ["gap", (l) => l.replace(/\bgape\b/g, "gap")],
  ["American spelling", (l) => l.replace(/\bfibre/g, "fiber").replace(/\bgrey\b/g, "gray")],
  ["the hook's own bend and eye", (l) => l.replace(/(?<!hook )\bthe (bend|eye)\b/g, "the hook $1")],
  ["the bend and the eye of the hook", (l) => l.replace(/(?<!hook )\bthe (bend|eye)\b(?! of)/g, "the $1 of the hook")],
  ["one's own thread and hackle", (l) => l.replace(/\bthe (?=(?:thread|hackle|wire|rib|bead)\b)/g, "your ")],
  [
    "what one is going to do",
    (l) => l.replace(/^(Tie|Wind|Wrap|Bind|Dub) /, (v) => `Now I'm going to ${v.toLowerCase()}`),
  ],
  [
    "what one does",
    (l) => l.replace(/^Wind (?=(?:the|it|an?)\b)/, "Winding ").replace(/^Tie (?=(?:in|it)\b)/, "Tying "),
  ],
  ["no blank before mm", (l) => l.replace(/(\d) mm\b/g, "$1mm")],
  ["millimetres", (l) => l.replace(/(\d) ?mm\b/g, "$1 millimetres")],
  ...typedOtherwise
    .filter(({ of }) => of("What's Within") !== "What's Within")
    .map(({ how, of }): [string, (line: string) => string] => [how, of]),
];

/** Every so many recipes of the corpus: all of them would take a minute. */
const EVERY = 25;
const some = recipes.filter((_, i) => i % EVERY === 0).map(({ text }) => text);

/** What is read of each line; a line that is asked about is no reading. */
function readingOf(text: string): (string | undefined)[] {
  const { lines, recipe } = readRecipe(text, { materials: cabinet, hooks });
  return lines.map((line) =>
    line.asks.length > 0
      ? undefined
      : line.steps
          .map((id) => {
            const step = recipe.steps.find((s) => s.id === id);
            const part = recipe.components.find((c) => c.id === step?.component);
            return `${part?.role ?? ""}: ${step ? sayStep(step) : ""}`;
          })
          .join(" / "),
  );
}
const usual = some.map(readingOf);

test.each(ways)("%s", (_label, way) => {
  let changed = 0;
  const otherwise = some.flatMap((text, n) => {
    const lines = text.split("\n");
    // The first line is a name.
    const typed = lines.map((l, i) => (i === 0 ? l : way(l)));
    if (typed.join("\n") === text) return [];
    const now = readingOf(typed.join("\n"));
    return now.flatMap((reading, i) => {
      if (typed[i] === lines[i]) return [];
      changed++;
      const was = usual[n]?.[i];
      return was === undefined || reading === undefined || was === reading ? [] : [`${typed[i]} → ${reading}`];
    });
  });
  expect(changed).toBeGreaterThan(2);
  expect(otherwise).toEqual([]);
});
