import { checkSchedule, solveSchedule, type ScheduleProblem } from ".";
import { Decoder } from "./solver/decoder";
import { construct, rules } from "./solver/construct";
import { Model } from "./solver/model";
import { leastCost } from "./testing/exact";
import { only, tyingRoom } from "./testing/rooms";
import { flowShops, jobShops, type Benchmark } from "./testing/shops";

/**
 * How good plans are and how long they take: small rooms, public flow and job shops, a large room. Each is given ten
 * seconds.
 */
const seconds = 10;
const percent = (x: number): string => `${(100 * x).toFixed(2)} %`;
const mean = (xs: number[]): number => xs.reduce((sum, x) => sum + x, 0) / xs.length;
const sound = (problem: ScheduleProblem, result: ReturnType<typeof solveSchedule>): void => {
  const faults = checkSchedule(problem, result);
  if (faults.length > 0) throw new Error(faults.join("\n"));
};

const small = Array.from({ length: 8 }, (_, i) => tyingRoom(i + 1, { jobs: 6, people: 3, days: 12, rack: 160 }));
const gaps = small.map((problem) => {
  const costs = [1, 2, 3].map((seed) => {
    const result = solveSchedule(problem, { seed, timeBudgetMs: 200 * seconds });
    sound(problem, result);
    return result;
  });
  const least = Math.min(...costs.map((r) => r.cost.total));
  return {
    gap: Math.max(...costs.map((r) => r.cost.total)) / least - 1,
    bound: (costs[0]?.lowerBound ?? 0) / least,
    left: Math.max(...costs.map((r) => r.unscheduled.length)),
  };
});
console.log(`8 rooms of 6 batches and 3 people, seeds 1 to 3, ${seconds / 5} s each`);
console.log(`  worst of three seeds above the best of them, on average ${percent(mean(gaps.map((g) => g.gap)))}`);
console.log(`  lower bound, of the best ${percent(mean(gaps.map((g) => g.bound)))}`);
console.log(`  left out ${gaps.map((g) => g.left).join(", ")}`);

const proven = Array.from({ length: 8 }, (_, i) => {
  const problem = only(tyingRoom(i + 1, { jobs: 6, people: 3, days: 12, rack: 2000 }), ["tie", "coat"]);
  const result = solveSchedule(problem, { seed: 1, timeBudgetMs: 200 * seconds });
  sound(problem, result);
  return {
    gap: result.cost.total / leastCost(problem, result.cost.total + 1e-6) - 1,
    bound: result.lowerBound / result.cost.total,
    left: result.unscheduled.length,
  };
});
console.log(`8 rooms of 6 batches (tied, coated, dried) and 3 people, ${seconds / 5} s each, against all orders`);
console.log(
  `  above the optimum ${proven.map((g) => percent(g.gap)).join(", ")}; bound, of the optimum ` +
    `${percent(mean(proven.map((g) => g.bound)))}; left out ${proven.map((g) => g.left).join(", ")}`,
);

const shops = (name: string, problems: Benchmark[]): void => {
  const above = problems.map(({ problem, best }) => {
    const result = solveSchedule(problem, { seed: 1, timeBudgetMs: 1000 * seconds });
    sound(problem, result);
    return result.cost.total / best - 1;
  });
  console.log(`${name}, seed 1, ${seconds} s each, above the best known: ${above.map(percent).join(", ")}`);
  console.log(`  on average ${percent(mean(above))}`);
};
shops("10 flow shops 20 × 5", flowShops());
shops("6 job shops 15 × 15", jobShops());

for (const seed of [1, 2, 3]) {
  const problem = tyingRoom(seed, { jobs: 200, people: 8, days: 60, rack: 600 });
  const m = new Model(problem, problem.jobs);
  const began = performance.now();
  const costs = rules.map((rule, i) => {
    const decoder = new Decoder(m);
    construct(m, decoder, rule);
    if (i === 0)
      console.log(`200 batches, seed ${seed}: first plan after ${(performance.now() - began).toFixed(0)} ms`);
    return decoder.total();
  });
  const result = solveSchedule(problem, { seed: 1, timeBudgetMs: 1000 * seconds });
  sound(problem, result);
  const best = Math.min(...costs);
  console.log(
    `  best of ${rules.length} dispatch rules ${best.toFixed(0)}, plan ${result.cost.total.toFixed(0)}: ` +
      `${percent(1 - result.cost.total / best)} less; bound ${result.lowerBound.toFixed(0)}`,
  );
}
for (const jobs of [50, 100, 200, 400]) {
  // A room that grows alike: twice as many batches in twice as many days.
  const problem = tyingRoom(1, { jobs, people: 8, days: Math.round(jobs * 0.3), rack: jobs * 4 });
  const result = (iterations: number): number => {
    const began = performance.now();
    solveSchedule(problem, { seed: 1, iterations });
    return performance.now() - began;
  };
  const [few, many] = [result(4000), result(12_000)];
  console.log(`${jobs} batches, ${jobs * 5} operations: ${(((many - few) / 8000) * 1000).toFixed(0)} µs an iteration`);
}
for (const jobs of [200, 400, 800]) {
  // Far more work than hours: most of it is left out, and the plan is timed anew in its order.
  const problem = tyingRoom(1, { jobs, people: 5, days: 60, rack: 600 });
  const began = performance.now();
  const first = solveSchedule(problem, { seed: 1, iterations: 0 });
  const made = performance.now() - began;
  const again = solveSchedule(problem, { seed: 1, iterations: 0, start: first.assignments });
  console.log(
    `${jobs} batches, ${first.unscheduled.length} without a place: made in ${made.toFixed(0)} ms, ` +
      `timed anew in ${(performance.now() - began - made).toFixed(0)} ms, ${again.unscheduled.length} then`,
  );
}
