import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { performance } from "node:perf_hooks";
import { readRecipe } from "@kasten/core/words";
import { demoCabinet } from "../testing/demo";

/** How long a recipe takes to be read: whole, as when it is pasted, and with each key, when one line of it changes. */
const folder = join(process.cwd(), "core/words/corpus");
/** Every so many of the corpus: all of them would take a quarter of an hour. */
const EVERY = 12;
const texts = readdirSync(folder)
  .filter((f) => f.endsWith(".txt"))
  .sort()
  .filter((_, n) => n % EVERY === 0)
  .map((f) => readFileSync(join(folder, f), "utf8").split("\n===")[0] ?? "");
const lines = texts.reduce((sum, t) => sum + t.split("\n").length, 0);
const { materials } = demoCabinet();
const LINES = 20;
const ROUNDS = 5;

/** A map that nothing was read with yet: no line of it is known. */
const fresh = () => new Map(materials);
/** @param isKnown whether the text was read before the change was made to it, as one that is typed was */
const timed = (room: () => ReturnType<typeof fresh>, change: (text: string) => string, isKnown = false): number => {
  const times: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    let sum = 0;
    for (const text of texts) {
      const cabinet = room();
      const typed = change(text);
      // The cabinet is put in order once, when it is loaded.
      readRecipe(isKnown ? text : "", { materials: cabinet, hooks: [] });
      const began = performance.now();
      readRecipe(typed, { materials: cabinet, hooks: [] });
      sum += performance.now() - began;
    }
    times.push(sum);
  }
  return (Math.min(...times) / lines) * LINES;
};
const pasted = timed(fresh, (t) => t);
let key = 0;
const typed = timed(
  () => materials,
  (t) => `${t} ${"x".repeat((key++ % 7) + 1)}`,
  true,
);
console.log(
  `A recipe of ${LINES} lines, over ${texts.length} recipes and ${materials.size} materials: pasted ${pasted.toFixed(1)} ms, a key ${typed.toFixed(1)} ms (${(typed / pasted).toFixed(2)} of it)`,
);
