import {
  rehearse,
  solveSchedule,
  type PlannedOperation,
  type ScheduleProblem,
  type ScheduleResult,
} from "@kasten/core/schedule";
import type { Db } from "../database/rows";
import type { Planning } from "./build";
import { planOrderEntity, type PlanOrderRow } from "./entities";
import { knowledgeOf } from "./knowledge";

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
  const options = { seed: SEED, iterations: ITERATIONS };
  if (!last || last.length === 0)
    return settled(problem, solveSchedule(problem, { ...options, iterations: FIRST_ITERATIONS }).assignments);
  const kept = settled(problem, last);
  const repaired = solveSchedule(problem, { ...options, iterations: REPAIRS, start: kept.assignments, isRepair: true });
  const near = bearsAsMuch(planning, repaired, kept, WORTH_REPAIR) ?? kept;
  const anew = solveSchedule(problem, { ...options, start: near.assignments });
  return bearsAsMuch(planning, anew, near, WORTH_ANEW) ?? near;
}

/** Of a batch late on average, more than this is not worth what a plan costs less. */
const MORE_LATE = 0.3;
/** Another plan that is worth the change and in which hardly more is late as things go; undefined where it is not. */
function bearsAsMuch(
  planning: Planning,
  other: ScheduleResult,
  kept: ScheduleResult,
  share: number,
): ScheduleResult | undefined {
  if (!isWorth(other, kept, share)) return undefined;
  const plan = settled(planning.problem, other.assignments);
  if (plan.unscheduled.length < kept.unscheduled.length) return plan;
  return lateAsThingsGo(planning, plan) <= lateAsThingsGo(planning, kept) + MORE_LATE ? plan : undefined;
}

/** Plans are played through so often, under the same luck, to be compared. */
const COMPARING_RUNS = 400;
/** How many batches are late on average when a plan is played through. */
export const lateAsThingsGo = (planning: Planning, plan: ScheduleResult): number =>
  rehearse(planning.problem, plan, knowledgeOf(planning, plan), { seed: SEED, runs: COMPARING_RUNS }).jobs.reduce(
    (sum, j) => sum + 1 - j.onTime,
    0,
  );

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
