import {
  promise,
  rehearse,
  solveSchedule,
  type PlannedOperation,
  type Rehearsal,
  type ScheduleJob,
  type ScheduleProblem,
  type ScheduleResult,
  type SolveOptions,
} from "@kasten/core/schedule";
import type { Db } from "../database/rows";
import type { Planning } from "./build";
import { shareOf, type Effort } from "./effort";
import { planOrderEntity, type PlanOrderRow } from "./entities";
import { knowledgeOf } from "./knowledge";

/** Changes tried when new batches are put into a plan, in a room of so many operations that each takes its time. */
const PUT_IN = 3000;
const PUT_IN_WORK = 700_000;
const LEAST_PUT_IN = 200;
export const putInTries = ({ jobs }: ScheduleProblem, effort: Effort): number => {
  const operations = jobs.reduce((sum, j) => sum + j.operations.length, 0);
  const usual = Math.min(PUT_IN, Math.round(PUT_IN_WORK / Math.max(1, operations)));
  return shareOf(Math.max(LEAST_PUT_IN, usual), effort);
};

/** The same room has the same plan, whoever makes it. */
export const SEED = 1;
/** Changes near the last plan: as many as a page tries when somebody moves a batch. */
export const REPAIRS = 800;
const ITERATIONS = 1200;
/** The first plan has nothing to stay near to: it is looked for longer. */
const FIRST_ITERATIONS = 6000;
/** Another plan near the last one is worth the change when it costs so much less, */
const WORTH_REPAIR = 0.01;
/** and one that is made quite anew when it costs so much less. */
const WORTH_ANEW = 0.05;

/**
 * The draft: the last plan, timed anew, unless another is worth the change. People have begun to reckon with it, and a
 * plan that jumps at each small thing is not looked at.
 */
export function draftOf(planning: Planning, last: PlannedOperation[] | undefined): ScheduleResult {
  const { problem } = planning;
  const look = (usual: number, more: Partial<SolveOptions> = {}): ScheduleResult =>
    solveSchedule(problem, { seed: SEED, iterations: shareOf(usual, planning.effort), ...more });
  if (!last || last.length === 0) return settled(problem, look(FIRST_ITERATIONS).assignments);
  const kept = withNewBatches(planning, last);
  const repaired = look(REPAIRS, { start: kept.assignments, isRepair: true });
  const near = bearsAsMuch(planning, repaired, kept, WORTH_REPAIR) ?? kept;
  // With somebody more there is more to be found, and much is another anyway.
  const hasMore = idleIn(problem, kept).length > 0;
  const anew = look(hasMore ? FIRST_ITERATIONS : ITERATIONS, { start: near.assignments });
  return bearsAsMuch(planning, anew, near, hasMore ? WORTH_REPAIR : WORTH_ANEW) ?? near;
}

/** New batches that are as probably ready on their day as this are well where they cost least. */
const WELL_PLACED = 0.9;
/** Of more at once, as when a sheet of orders comes, each is put where it costs least. */
const MOST_NEW = 12;
/**
 * The last plan with the batches in it that are new since: where that costs least; or, as a promise does it, as soon as
 * nobody is late for them, when they would hardly be ready on their day otherwise.
 */
function withNewBatches(planning: Planning, last: PlannedOperation[]): ScheduleResult {
  const { problem } = planning;
  const cheapest = settled(problem, last);
  // Where there is more work than hours there are none to give a new batch before others.
  if (cheapest.unscheduled.length > 0) return cheapest;
  const known = new Set(last.map((w) => w.operation));
  const isNew = (j: ScheduleJob): boolean => !j.operations.some((o) => known.has(o.id));
  const news = problem.jobs.filter(isNew);
  if (news.length === 0 || news.length > MOST_NEW || news.length === problem.jobs.length) return cheapest;
  const odds = new Map(playedThrough(planning, cheapest).map((j) => [j.job, j.onTime]));
  if (news.every((j) => (odds.get(j.id) ?? 0) >= WELL_PLACED)) return cheapest;
  const before = { ...problem, jobs: problem.jobs.filter((j) => !isNew(j)) };
  const was = settled(before, last);
  const put = news.map((job) => ({ job, release0: job.release }));
  const effort = { seed: SEED, iterations: putInTries(problem, planning.effort) };
  const plans = (problem.jobs.length > FEW_JOBS ? [ONE_SHARE] : SHARES).map((share) => {
    const targets = new Map(news.map((j) => [j.id, j.release + (j.due - j.release) * share]));
    const { plan } = promise(before, was, put, { ...effort, targets });
    return settled(problem, plan.assignments);
  });
  const judged = [cheapest, ...plans]
    .filter((p) => p.unscheduled.length === 0)
    .map((p) => ({ plan: p, late: lateAsThingsGo(planning, p) }));
  return judged.reduce((a, b) => (b.late < a.late ? b : a)).plan;
}
/** Of the time until they are due, new batches are put so early. */
const SHARES = [0.7, 0.4, 0];
/** In a room of more batches each plan takes its time: less is tried, of a draft and of a promise. */
export const FEW_JOBS = 100;
const ONE_SHARE = 0.4;

/** Of a batch late on average, more than this is not worth what a plan costs less. */
const MORE_LATE = 0.3;
/** A batch of which the odds were so good is relied on: no other plan may leave it worse than even. */
const RELIED_ON = 0.8;
const BROKEN = 0.5;
/** Another plan that is worth the change and in which hardly more is late as things go; undefined where it is not. */
function bearsAsMuch(
  planning: Planning,
  other: ScheduleResult,
  kept: ScheduleResult,
  share: number,
): ScheduleResult | undefined {
  // Whoever comes back to a plan made without them gets work as soon as that is any better.
  const takesIn = idleIn(planning.problem, other).length < idleIn(planning.problem, kept).length;
  if (!isWorth(other, kept, takesIn ? 0 : share)) return undefined;
  const plan = settled(planning.problem, other.assignments);
  if (plan.unscheduled.length < kept.unscheduled.length) return plan;
  const now = playedThrough(planning, kept);
  const then = new Map(playedThrough(planning, plan).map((j) => [j.job, j.onTime]));
  const isBroken = now.some((j) => j.onTime >= RELIED_ON && (then.get(j.job) ?? 1) < BROKEN);
  const more = now.reduce((sum, j) => sum + j.onTime - (then.get(j.job) ?? j.onTime), 0);
  return !isBroken && more <= MORE_LATE ? plan : undefined;
}

/** People who have hours and could do some of the work, and have none of it. */
function idleIn({ people, jobs }: ScheduleProblem, { assignments }: ScheduleResult): string[] {
  const busy = new Set(assignments.map((a) => a.person));
  const able = new Set(jobs.flatMap((j) => j.operations.flatMap((o) => o.choices.map((c) => c.person))));
  return people.filter((p) => p.windows.length > 0 && able.has(p.id) && !busy.has(p.id)).map((p) => p.id);
}

/** Plans are played through so often, under the same luck, to be compared. */
const COMPARING_RUNS = 400;
/** How many batches are late on average when a plan is played through. */
export const lateAsThingsGo = (planning: Planning, plan: ScheduleResult): number =>
  playedThrough(planning, plan).reduce((sum, j) => sum + 1 - j.onTime, 0);
function playedThrough(planning: Planning, plan: ScheduleResult): Rehearsal["jobs"] {
  const before = played.get(planning)?.get(plan);
  if (before) return before;
  const knowledge = knowledgeOf(planning, plan);
  const options = { seed: SEED, runs: shareOf(COMPARING_RUNS, planning.effort), goesAhead: true };
  const { jobs } = rehearse(planning.problem, plan, knowledge, options);
  played.set(planning, (played.get(planning) ?? new WeakMap()).set(plan, jobs));
  return jobs;
}
/** The plan to beat is compared with several. */
const played = new WeakMap<Planning, WeakMap<ScheduleResult, Rehearsal["jobs"]>>();

const MOST_REPLAYS = 2;

/**
 * A plan in an order that makes itself again when it is timed anew: work that was done in a gap comes earlier in the
 * order by time than in the list of the search, and may let more begin.
 */
export function settled(problem: ScheduleProblem, start: PlannedOperation[]): ScheduleResult {
  let plan = solveSchedule(problem, { seed: SEED, iterations: 0, start });
  for (let i = 0; i < MOST_REPLAYS; i++) {
    const again = solveSchedule(problem, { seed: SEED, iterations: 0, start: plan.assignments });
    if (sequence(again.assignments) === sequence(plan.assignments)) return again;
    plan = again;
  }
  return plan;
}

function isWorth(other: ScheduleResult, kept: ScheduleResult, share: number): boolean {
  if (other.unscheduled.length !== kept.unscheduled.length) return other.unscheduled.length < kept.unscheduled.length;
  return other.cost.total < kept.cost.total * (1 - share);
}

/** The order of work of the last plan. */
export const readPlanOrder = (db: Db): Promise<PlanOrderRow | null> =>
  db.getRepository(planOrderEntity).findOneBy({ one: true });

/** Keeps the order of a plan for the next one. @returns its revision: counted on where the order is another */
export async function keepPlanOrder(db: Db, before: PlanOrderRow | null, result: ScheduleResult): Promise<number> {
  const work = result.assignments.map(({ operation, person, start, end }) => ({ operation, person, start, end }));
  const isSame = before !== null && sequence(before.work) === sequence(work);
  const revision = before === null ? 1 : isSame ? before.revision : before.revision + 1;
  await db.getRepository(planOrderEntity).upsert({ one: true, revision, work }, ["one"]);
  return revision;
}

/** Who does what after what, as text: plans of which this is the same differ in their minutes only. */
const sequence = (work: PlannedOperation[]): string =>
  [...work]
    .sort((a, b) => a.person.localeCompare(b.person) || a.start - b.start || a.operation.localeCompare(b.operation))
    .map((w) => `${w.person} ${w.operation}`)
    .join("\n");
