import { Calendar, DAY_MINUTES, lateDays } from "./calendar";
import { earliestEnd } from "./cost";
import { solveSchedule } from "./solve";
import type { PlannedOperation, ScheduleJob, ScheduleProblem, ScheduleResult, SolveOptions } from "./types";

/** What a promise waits for most. */
export type Holds = "material" | "skill" | "hours" | "drying";

/** A job that is not in the plan yet. */
export interface NewJob {
  /** Its release already includes the wait for materials; its operations have names of their own. */
  job: ScheduleJob;
  /** The release without that wait. */
  release0: number;
  /** How much it presses against the other new ones, above 0: 1 unless said. */
  presses?: number;
}

export interface PromisedJob {
  job: string;
  /** Minute at which it would be ready; undefined when no plan holds it. */
  at?: number;
  holds: Holds;
}

export interface Promised {
  jobs: PromisedJob[];
  /** The jobs that have a place, and the plan, with those of the new ones in it that can be planned. */
  problem: ScheduleProblem;
  plan: ScheduleResult;
}

/**
 * What a minute of a new job weighs, against at least 1 for a minute by which a promised one is late: the more, the
 * sooner it is ready, and the more often somebody else is late for it. Then it is tried with less.
 */
const URGENCIES = [0.5, 0.02];

/**
 * The earliest minutes at which new jobs could be ready, together, without making any job late that is on time: they
 * are put into the plan, and the plan is repaired about them.
 *
 * @param plan of `problem`
 * @param options iterations, some hundred, or a budget
 * @returns the new jobs in their order; those that nobody can do, or that fit nowhere, have no minute
 */
export function promise(
  problem: ScheduleProblem,
  plan: ScheduleResult,
  news: readonly NewJob[],
  options: Omit<SolveOptions, "start" | "isRepair">,
): Promised {
  const able = news.filter(({ job }) => job.operations.every((o) => o.choices.length > 0));
  const { problem: whole, plan: repaired } = putIn(planned(problem, plan), plan, able, options);
  const over = new Map(repaired.completions.map((c) => [c.job, c.at]));
  const jobs = news.map((n): PromisedJob => {
    const { id } = n.job;
    if (!able.includes(n)) return { job: id, holds: "skill" };
    const at = over.get(id);
    return at === undefined ? { job: id, holds: "hours" } : { job: id, at, holds: whatHolds(problem, n, at) };
  });
  return { jobs, problem: whole, plan: repaired };
}

/** Without the jobs that have no place in the plan: they have none for new ones to make room for either. */
function planned(problem: ScheduleProblem, plan: ScheduleResult): ScheduleProblem {
  if (plan.unscheduled.length === 0) return problem;
  const left = new Set(plan.unscheduled.map((u) => u.job));
  return { ...problem, jobs: problem.jobs.filter((j) => !left.has(j.id)) };
}

function putIn(
  problem: ScheduleProblem,
  plan: ScheduleResult,
  news: readonly NewJob[],
  options: Omit<SolveOptions, "start" | "isRepair">,
): Pick<Promised, "problem" | "plan"> {
  if (news.length === 0) return { problem, plan };
  const lateBefore = new Map(plan.completions.map((c) => [c.job, lateDays(c.lateBy)]));
  const isHarmed = ({ completions }: ScheduleResult): boolean => {
    const after = new Map(completions.map((c) => [c.job, lateDays(c.lateBy)]));
    return [...lateBefore].some(([job, days]) => (after.get(job) ?? Infinity) > days);
  };
  for (const urgency of URGENCIES) {
    const whole = withNews(problem, news, urgency);
    const repaired = solveSchedule(whole, { ...options, start: plan.assignments, isRepair: true });
    if (!isHarmed(repaired)) return { problem: whole, plan: repaired };
  }
  // Behind everything else, where it is in nobody's way.
  const whole = withNews(problem, news, 0);
  const start = [...plan.assignments, ...behind(news, problem.horizon)];
  const last = solveSchedule(whole, { ...options, iterations: 0, start, isRepair: true });
  if (!isHarmed(last)) return { problem: whole, plan: last };
  // One less may fit: the last is given up, as whoever asked for it did so last.
  return news.length > 1 ? putIn(problem, plan, news.slice(0, -1), options) : { problem, plan };
}

const withNews = (problem: ScheduleProblem, news: readonly NewJob[], urgency: number): ScheduleProblem => ({
  ...problem,
  jobs: [
    ...problem.jobs,
    ...news.map(({ job, presses = 1 }) => ({ ...job, due: job.release, weight: urgency * presses })),
  ],
});

/** New jobs one behind the other after everything else, each operation with whoever is quickest. */
const behind = (news: readonly NewJob[], horizon: number): PlannedOperation[] =>
  news.flatMap(({ job }, i) =>
    job.operations.map((o, k) => {
      const quickest = o.choices.reduce((best, c) => (c.minutes < best.minutes ? c : best));
      const start = horizon + i * MOST_OPERATIONS + k;
      return { operation: o.id, person: quickest.person, start, end: start };
    }),
  );
const MOST_OPERATIONS = 1000;

/** Which wait is the longest: for material, for people who are busy, or for lacquer to dry. */
function whatHolds({ people }: ScheduleProblem, { job, release0 }: NewJob, at: number): Holds {
  const calendars = new Map(people.map((p) => [p.id, new Calendar(p.windows)]));
  const alone = earliestEnd({ ...job, release: release0 }, calendars);
  const withMaterial = earliestEnd(job, calendars);
  const dry = job.operations.reduce((sum, o) => sum + (o.dry?.minutes ?? 0), 0);
  if (withMaterial - alone > at - withMaterial && withMaterial > alone) return "material";
  if (at - withMaterial <= DAY_MINUTES && dry > DAY_MINUTES / 2) return "drying";
  return "hours";
}
