import { solveSchedule, type PlannedOperation, type ScheduleProblem, type ScheduleResult } from "@kasten/core/schedule";
import type { Db } from "../database/rows";
import { planOrderEntity, type PlanOrderRow } from "./entities";

/** The same room has the same plan, whoever makes it. */
export const SEED = 1;
/** Changes near the last plan: as many as a page tries when somebody moves a batch. */
export const REPAIRS = 800;
const ITERATIONS = 3000;
/** Another plan near the last one is worth the change when it costs so much less, */
const WORTH_REPAIR = 0.002;
/** and one that is made quite anew when it costs so much less. */
const WORTH_ANEW = 0.01;

/**
 * The draft: the last plan, timed anew, unless another is worth the change. People have begun to reckon with it, and a
 * plan that jumps at each small thing is not looked at.
 */
export function draftOf(problem: ScheduleProblem, last: PlannedOperation[] | undefined): ScheduleResult {
  const options = { seed: SEED, iterations: ITERATIONS };
  if (!last || last.length === 0) return solveSchedule(problem, options);
  const kept = solveSchedule(problem, { ...options, iterations: 0, start: last });
  const repaired = solveSchedule(problem, { ...options, iterations: REPAIRS, start: kept.assignments, isRepair: true });
  const near = isWorth(repaired, kept, WORTH_REPAIR) ? repaired : kept;
  const anew = solveSchedule(problem, { ...options, start: near.assignments });
  return isWorth(anew, near, WORTH_ANEW) ? anew : near;
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
