import { performance } from "node:perf_hooks";
import { drawFly, pathsOf } from "@kasten/core/drawing";
import { methodDifferences } from "@kasten/core/needs";
import { sayStep, readStep } from "@kasten/core/words";
import { composeFly } from "@kasten/core/fly";
import { demoCabinet, demoFlies } from "../testing/demo";

/** One pattern at one size: all steps over 250 stations; then its drawing, its methods, and its words. */
const cabinet = demoCabinet();
const flies = demoFlies(cabinet);
const ROUNDS = 40;

function timed(name: string, work: (f: (typeof flies)[number]) => unknown): void {
  for (const f of flies) work(f); // warm
  const times: number[] = [];
  for (let i = 0; i < ROUNDS; i++)
    for (const f of flies) {
      const began = performance.now();
      work(f);
      times.push(performance.now() - began);
    }
  times.sort((a, b) => a - b);
  const at = (share: number) => (times[Math.floor(times.length * share)] ?? 0).toFixed(3);
  console.log(
    `${name}: median ${at(0.5)} ms, 90 % ${at(0.9)} ms, most ${at(0.9999)} ms, over ${flies.length} flies × ${ROUNDS}`,
  );
}

timed("one fly, every step", (f) => composeFly(f.recipe, f.choice, f.model, cabinet.materials));
const tied = new Map(
  flies.map((f) => [f, composeFly(f.recipe, f.choice, f.model, cabinet.materials, { keepProfiles: true })]),
);
timed("its drawing as paths", (f) =>
  pathsOf(drawFly(tied.get(f) as NonNullable<ReturnType<typeof tied.get>>, { seed: f.name })),
);
timed("every other method, for 10 dozen", (f) =>
  methodDifferences({ recipe: f.recipe, choice: f.choice, model: f.model, materials: cabinet.materials }, 120),
);
timed("all its steps said and read again", (f) =>
  f.recipe.steps.map((s) =>
    readStep(sayStep(s), {
      id: s.id,
      was: s,
      component: s.component,
      role: f.recipe.components.find((c) => c.id === s.component)?.role,
    }),
  ),
);
