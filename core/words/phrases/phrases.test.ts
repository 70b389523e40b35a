import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { readRecipe, sayStep } from "..";
import { cabinet, hooks } from "../corpus/cabinet";

/**
 * Words of the trade, each in a line of its own on a small fly: what is read of it, line by line below it, and a “?”
 * where it asks. Lines of one fly stand beside each other, with “ | ” between.
 */
const folder = new URL("./", import.meta.url);
const files = readdirSync(folder).filter((f) => f.endsWith(".txt"));
const AHEAD = ["Test", "hook N1 10", "thread black 8/0"];

interface Phrase {
  text: string;
  expected: string[];
}
function phrasesIn(file: string): Phrase[] {
  const out: Phrase[] = [];
  for (const line of readFileSync(new URL(file, folder), "utf8").split("\n"))
    if (line.startsWith("  ")) out.at(-1)?.expected.push(line.trim());
    else if (line.trim() !== "") out.push({ text: line, expected: [] });
  return out;
}

function readingOf(text: string): string[] {
  const lines = text.split(" | ");
  const {
    lines: read,
    recipe,
    newMaterials,
  } = readRecipe([...AHEAD, ...lines].join("\n"), { materials: cabinet, hooks });
  const named = new Map([...cabinet, ...newMaterials.map((m) => [m.code, m] as const)]);
  const own = read.slice(AHEAD.length);
  const steps = own.flatMap((l) => l.steps).flatMap((id) => recipe.steps.find((s) => s.id === id) ?? []);
  const said = steps.map((step) => {
    const part = recipe.components.find((c) => c.id === step.component);
    const material = named.get(part?.material[0]?.value ?? "")?.name;
    const of = [part?.role, material].filter((w) => w !== undefined).join(", ");
    return `${of}${of && ": "}${sayStep(step)}`;
  });
  const { state } = recipe.finish;
  return [
    ...own.flatMap((l) => l.asks.map(() => "?")).slice(0, 1),
    ...said,
    ...(state === "given" ? ["finish given"] : []),
  ];
}

describe.each(files)("%s", (file) => {
  const phrases = phrasesIn(file);
  test("holds thirty phrases at least", () => expect(phrases.length).toBeGreaterThanOrEqual(30));
  test.each(phrases)("$text", ({ text, expected }) => expect(readingOf(text)).toEqual(expected));
});
