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

/** How a promise is looked for. */
export interface PromiseOptions extends Omit<SolveOptions, "start" | "isRepair"> {
  /**
   * Minutes by which new jobs are early enough: none presses for less, so that the others keep more of their time. As
   * early as can be where nothing is said.
   */
  targets?: ReadonlyMap<string, number>;
}
/** What a minute of a new job beyond its target weighs, where one by which a promised one is late weighs 1 or more. */
const URGENCY = 20;
/** So often a plan that makes somebody late is repaired, */
const ROUNDS = 6;
/** each time with so much more weight on whoever is late, */
const HEAVIER = 8;
/** and after the first time with so much of the effort. */
const OF_EFFORT = 0.5;

/**
 * The earliest minutes at which new jobs could be ready, together, without making any job late that is on time, or
 * another day later: they are put into the plan, and the plan is repaired about them. Whoever would be late for them
 * weighs more in the next repair, until nobody is.
 *
 * @param plan of `problem`
 * @param options iterations, some thousand, or a budget
 * @returns the new jobs in their order; those that nobody can do, or that fit nowhere, have no minute
 */
export function promise(
  problem: ScheduleProblem,
  plan: ScheduleResult,
  news: readonly NewJob[],
  options: PromiseOptions,
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
  options: PromiseOptions,
): Pick<Promised, "problem" | "plan"> {
  if (news.length === 0) return { problem, plan };
  const whole = withNews(problem, news, URGENCY, options.targets);
  const harmed = harmedBy(plan);
  const early = putEarly(whole, plan, harmed, options);
  if (early) return { problem: whole, plan: early };
  // Behind everything else, where it is in nobody's way; and then as much sooner as can be.
  const start = [...plan.assignments, ...behind(news, problem.horizon)];
  const patient = withNews(problem, news, 0);
  const last = solveSchedule(patient, { ...options, iterations: 0, start, isRepair: true });
  if (harmed(last).length === 0)
    return soonerThan(last, problem, plan, news, options) ?? { problem: patient, plan: last };
  // One less may fit: the last is given up, as whoever asked for it did so last.
  return news.length > 1 ? putIn(problem, plan, news.slice(0, -1), options) : { problem, plan };
}

/** New jobs somewhere between at once and behind everything; undefined where somebody is late for them there too. */
function soonerThan(
  last: ScheduleResult,
  problem: ScheduleProblem,
  plan: ScheduleResult,
  news: readonly NewJob[],
  options: PromiseOptions,
): Pick<Promised, "problem" | "plan"> | undefined {
  const at = new Map(last.completions.map((c) => [c.job, c.at]));
  if (!news.every((n) => at.has(n.job.id))) return undefined;
  for (const share of SHARES) {
    const targets = new Map(
      news.map(({ job }) => [job.id, Math.max(options.targets?.get(job.id) ?? 0, (at.get(job.id) ?? 0) * share)]),
    );
    const whole = withNews(problem, news, URGENCY, targets);
    const between = putEarly(whole, plan, harmedBy(plan), options, FEW_ROUNDS);
    if (between) return { problem: whole, plan: between };
  }
  return undefined;
}
/** Of the time that new jobs wait behind everything else. */
const SHARES = [0.3, 0.6];
const FEW_ROUNDS = 3;

/** The jobs that another plan makes late, or later by a day. */
const harmedBy = (plan: ScheduleResult): ((other: ScheduleResult) => string[]) => {
  const before = plan.completions.map((c) => [c.job, lateDays(c.lateBy)] as const);
  return ({ completions }) => {
    const after = new Map(completions.map((c) => [c.job, lateDays(c.lateBy)]));
    return before.flatMap(([job, days]) => ((after.get(job) ?? Infinity) > days ? [job] : []));
  };
};

/** The plan with the new jobs in it as soon as they can be; undefined where somebody is late for them every time. */
function putEarly(
  whole: ScheduleProblem,
  plan: ScheduleResult,
  harmed: ReturnType<typeof harmedBy>,
  { iterations, targets: _targets, ...options }: PromiseOptions,
  rounds = ROUNDS,
): ScheduleResult | undefined {
  const times = new Map<string, number>();
  let start: PlannedOperation[] = plan.assignments;
  for (let round = 0; round < rounds; round++) {
    const weighed = whole.jobs.map((j) => ({ ...j, weight: j.weight * (times.get(j.id) ?? 1) }));
    const effort =
      iterations === undefined ? {} : { iterations: Math.ceil(round === 0 ? iterations : iterations * OF_EFFORT) };
    const tried = solveSchedule({ ...whole, jobs: weighed }, { ...options, ...effort, start, isRepair: true });
    const late = harmed(tried);
    if (late.length === 0)
      return solveSchedule(whole, { ...options, iterations: 0, start: tried.assignments, isRepair: true });
    // What fits nowhere is not made to fit by more weight on the others.
    if (round > 0 && tried.unscheduled.length > 0) return undefined;
    for (const job of late) times.set(job, (times.get(job) ?? 1) * HEAVIER);
    start = tried.assignments;
  }
  return undefined;
}

const withNews = (
  problem: ScheduleProblem,
  news: readonly NewJob[],
  urgency: number,
  targets?: PromiseOptions["targets"],
): ScheduleProblem => ({
  ...problem,
  jobs: [
    ...problem.jobs,
    ...news.map(({ job, presses = 1 }) => ({
      ...job,
      due: Math.max(job.release, Math.round(targets?.get(job.id) ?? 0)),
      weight: urgency * presses,
    })),
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
