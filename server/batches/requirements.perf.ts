import { startsFor } from "@kasten/core/learning";
import { hookRequirement, requirementsOf } from "@kasten/core/needs";
import { composeFly } from "@kasten/core/fly";
import { demoCabinet, demoFlies } from "../testing/demo";

/** Requirements of 1,000 order lines over all demo patterns, in one thread, nothing kept from line to line. */
const LINES = 1000;
const cabinet = demoCabinet();
const flies = demoFlies(cabinet);
let rows = 0;

function once(): number {
  const from = performance.now();
  for (let i = 0; i < LINES; i++) {
    const f = flies[i % flies.length];
    if (!f) throw new Error("no flies");
    const starts = startsFor(12 * (1 + (i % 10)));
    const fly = composeFly(f.recipe, f.choice, f.model, cabinet.materials);
    rows += requirementsOf(fly, starts).length + (hookRequirement(f.model, f.choice.size, starts).issue > 0 ? 1 : 0);
  }
  return performance.now() - from;
}
for (let i = 0; i < 3; i++) once();
const times = Array.from({ length: 9 }, once).sort((a, b) => a - b);
const median = times[4] ?? 0;
console.log(
  `requirements: ${LINES} order lines over ${flies.length} flies, median ${median.toFixed(0)} ms (${times[0]?.toFixed(0)}–${times[8]?.toFixed(0)}), ${((1000 * LINES) / median).toFixed(0)} lines per second, ${(rows / 12 / LINES).toFixed(1)} rows a line`,
);
