import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { performance } from "node:perf_hooks";
import { readRecipe } from "@kasten/core/words";
import { demoCabinet } from "../testing/demo";

/** How long a recipe takes to be read: whole, as when it is pasted, and with each key, when one line of it changes. */
const folder = join(process.cwd(), "core/words/corpus");
/** The long ones of the corpus: of a short one a key makes a larger share new. */
const FEWEST_LINES = 14;
const texts = readdirSync(folder)
  .filter((f) => f.endsWith(".txt"))
  .sort()
  .map((f) => readFileSync(join(folder, f), "utf8").split("\n===")[0] ?? "")
  .filter((t) => t.split("\n").length >= FEWEST_LINES);
const lines = texts.reduce((sum, t) => sum + t.split("\n").length, 0);
const { materials } = demoCabinet();
const LINES = 20;
const ROUNDS = 20;

/** A map that nothing was read with yet: no line of it is known. */
const fresh = () => new Map(materials);
/** @param isKnown whether the text was read before the change was made to it, as one that is typed was */
const timed = (
  room: () => ReturnType<typeof fresh>,
  change: (text: string) => string,
  isKnown = false,
): [number, number] => {
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
  const each = (sum: number): number => (sum / lines) * LINES;
  return [each(Math.min(...times)), each(times[0] ?? 0)];
};
const [pasted, pastedFirst] = timed(fresh, (t) => t);
let key = 0;
const [typed, typedFirst] = timed(
  () => materials,
  (t) => `${t} ${"x".repeat((key++ % 7) + 1)}`,
  true,
);
console.log(
  `A recipe of ${LINES} lines, over ${texts.length} recipes and ${materials.size} materials: pasted ${pasted.toFixed(1)} ms, a key ${typed.toFixed(1)} ms (${(typed / pasted).toFixed(2)} of it); with a program that has just begun ${pastedFirst.toFixed(1)} and ${typedFirst.toFixed(1)} ms`,
);
