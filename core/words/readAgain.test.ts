import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, it } from "vitest";
import { readRecipe } from ".";
import { cabinet, hooks } from "./corpus/cabinet";

const folder = join(import.meta.dirname, "corpus");
const EVERY = 20;
const texts = readdirSync(folder)
  .filter((f) => f.endsWith(".txt"))
  .sort()
  .filter((_, n) => n % EVERY === 0)
  .map((f) => readFileSync(join(folder, f), "utf8").split("\n===")[0]?.trimEnd() ?? "");

it("reads a recipe as before when it is read again, and when a key was struck meanwhile", () => {
  expect(texts.length).toBeGreaterThan(50);
  const context = { materials: cabinet, hooks };
  for (const text of texts) {
    const first = structuredClone(readRecipe(text, context));
    readRecipe(`${text} x`, context);
    expect(readRecipe(text, context)).toEqual(first);
  }
});
