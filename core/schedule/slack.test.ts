import { describe, expect, test } from "vitest";
import { checkSchedule, rehearse, solveSchedule, withSlack, type Knowledge, type ScheduleProblem } from ".";
import { tyingRoom } from "./testing/rooms";

/** Everything varies by a fifth from batch to batch, and by a fifth more from pattern to pattern. */
const known = ({ jobs, people }: ScheduleProblem): Knowledge => ({
  minutes: Object.fromEntries(
    jobs.flatMap((j) =>
      j.operations.map((o) => [o.id, { own: 0.2, shares: [{ name: o.setupState?.pattern ?? "other", sd: 0.2 }] }]),
    ),
  ),
  flies: {},
  arrivals: {},
  waits: {},
  absence: Object.fromEntries(people.map((p) => [p.id, 0.02])),
});

describe("a problem with slack", () => {
  test("has longer work, in whole minutes, and is otherwise the same", () => {
    const problem = tyingRoom(1, { jobs: 3, people: 2, days: 20, rack: 100 });
    const loose = withSlack(problem, 0.15);
    const minutes = (p: ScheduleProblem) =>
      p.jobs.flatMap((j) => j.operations.flatMap((o) => o.choices.map((c) => c.minutes)));
    expect(minutes(loose)).toEqual(minutes(problem).map((m) => Math.ceil(m * 1.15)));
    expect(withSlack(problem, 0)).toEqual(problem);
  });
  test("has plans of which fewer batches are late as things go", () => {
    let [tight, loose] = [0, 0];
    for (let seed = 1; seed <= 8; seed++) {
      const problem = tyingRoom(seed, { jobs: 20, people: 4, days: 40, rack: 200, within: 0.3 });
      const lateOf = (of: ScheduleProblem): number => {
        const start = solveSchedule(of, { seed: 1, iterations: 1500 }).assignments;
        const plan = solveSchedule(problem, { seed: 1, iterations: 0, start });
        expect(checkSchedule(problem, plan)).toEqual([]);
        const { jobs } = rehearse(problem, plan, known(problem), { seed: 1, runs: 200 });
        return jobs.reduce((sum, j) => sum + 1 - j.onTime, 0);
      };
      tight += lateOf(problem);
      loose += lateOf(withSlack(problem, 0.15));
    }
    expect(loose).toBeLessThan(tight * 0.95);
  });
});
