import { checkSchedule, promise, rehearse, solveSchedule, whatIf, type Knowledge, type ScheduleProblem } from ".";
import { tyingRoom } from "./testing/rooms";

/** What a change of a plan costs in time: one move, new lines put in, the plan played through. */
const timed = <T>(of: () => T): [T, number] => {
  const began = performance.now();
  const found = of();
  return [found, performance.now() - began];
};
const median = (xs: number[]): number => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)] ?? 0;

function knowledgeOf({ jobs, people }: ScheduleProblem): Knowledge {
  const known: Knowledge = { minutes: {}, flies: {}, arrivals: {}, waits: {}, absence: {} };
  for (const p of people) known.absence[p.id] = 0.02;
  for (const job of jobs)
    for (const o of job.operations) {
      const pattern = o.setupState?.pattern;
      known.minutes[o.id] = { own: 0.2, ...(pattern && { shares: [{ name: pattern, sd: 0.25 }] }) };
      if (o.kind === "tie") known.flies[job.id] = { operation: o.id, missing: [0.1, 0.03], minutesPerFly: 6 };
    }
  return known;
}

for (const [jobs, people, days] of [
  [35, 5, 60],
  [200, 8, 60],
] as const) {
  const problem = tyingRoom(1, { jobs, people, days, rack: jobs * 4 });
  const plan = solveSchedule(problem, { seed: 1, iterations: 8000 });
  const room = `${jobs} batches, ${people} people, ${jobs * 5} operations, seed 1`;
  const moves = [3, 11, 19, 27, 31].map((j) => {
    const tie = problem.jobs[j]?.operations[1];
    const [choice] = tie?.choices ?? [];
    if (!tie || !choice) throw new Error("nobody ties it");
    const start = (problem.jobs[j]?.release ?? 0) + 6 * 1440 + 540;
    const change = { do: "move", operation: tie.id, person: choice.person, start } as const;
    const [tried, ms] = timed(() => whatIf(problem, plan, [change], { seed: 1, iterations: 800 }));
    const faults = checkSchedule(tried.problem, tried.plan);
    if (faults.length > 0) throw new Error(faults.join("\n"));
    return ms;
  });
  console.log(`${room}: one move repaired in ${median(moves).toFixed(0)} ms (most ${Math.max(...moves).toFixed(0)})`);
  const news = tyingRoom(2, { jobs: 3, people, days, rack: jobs * 4 }).jobs.map((job, i) => ({
    job: {
      ...job,
      id: `new ${i}`,
      operations: job.operations.map((o) => ({ ...o, id: `new ${i} ${o.kind}` })),
    },
    release0: 0,
  }));
  const iterations = Math.min(3000, Math.round(700_000 / (jobs * 5)));
  const [promised, put] = timed(() => promise(problem, plan, news, { seed: 1, iterations }));
  const later = news.map((n) => (promised.jobs.find((j) => j.job === n.job.id)?.at ?? NaN) / 1440);
  const known = knowledgeOf(problem);
  const [, short] = timed(() => rehearse(promised.problem, promised.plan, known, { seed: 1, runs: 600 }));
  console.log(
    `  three new lines put in ${put.toFixed(0)} ms, ready on day ${later.map((d) => d.toFixed(1)).join(", ")}, rehearsed 600 times in ${short.toFixed(0)} ms`,
  );
  const [, long] = timed(() => rehearse(problem, plan, known, { seed: 1, runs: 2000 }));
  console.log(`  rehearsed 2,000 times in ${long.toFixed(0)} ms`);
}
