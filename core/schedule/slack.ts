import type { ScheduleProblem } from "./types";

/**
 * The same problem with longer work: a plan of it leaves time between, and keeps more of its days where work takes
 * longer than was thought. Pins keep their minutes.
 *
 * @param share by which every operation is longer; 0.15 is about what varies from batch to batch
 */
export const withSlack = (problem: ScheduleProblem, share: number): ScheduleProblem => ({
  ...problem,
  jobs: problem.jobs.map((job) => ({
    ...job,
    operations: job.operations.map((o) => ({
      ...o,
      choices: o.choices.map((c) => ({ ...c, minutes: Math.ceil(c.minutes * (1 + share)) })),
    })),
  })),
});
