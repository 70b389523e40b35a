import { solveSchedule, type ScheduleResult } from "@kasten/core/schedule";
import type { PlanSearch, PlanWorth } from "@kasten/contract/schedule";
import type { DataSource } from "typeorm";
import { readPlanning } from "./build";
import { draftOf, isWorth, keepPlanOrder, readPlanOrder, settled } from "./draft";
import { aloneWithPlan } from "./queries";

export type SearchOutcome = NonNullable<PlanSearch["outcome"]>;

/**
 * What the thread of a search and whoever waits for it tell each other while it runs, in memory that both have: how far
 * it is, and that it is to end.
 */
export class SearchControl {
  private readonly figures: Float64Array;
  private readonly wish: Int32Array;

  constructor(readonly memory = new SharedArrayBuffer(FIGURES * 8 + 8)) {
    this.figures = new Float64Array(memory, 0, FIGURES);
    this.wish = new Int32Array(memory, FIGURES * 8, 1);
  }

  tell(progress: SearchProgress): void {
    this.figures.set([progress.spent, progress.cost, progress.costBefore, progress.lowerBound]);
  }

  get progress(): SearchProgress {
    const [spent = 0, cost = 0, costBefore = 0, lowerBound = 0] = this.figures;
    return { spent, cost, costBefore, lowerBound };
  }

  stop(): void {
    Atomics.store(this.wish, 0, 1);
  }

  get isStopped(): boolean {
    return Atomics.load(this.wish, 0) === 1;
  }
}
const FIGURES = 4;

export interface SearchProgress {
  spent: number;
  cost: number;
  costBefore: number;
  lowerBound: number;
}

/**
 * Looks for a better plan of the room as it is now, from the draft on, and keeps what it finds as the order that the
 * next draft begins with. What changes in the room meanwhile is put into it then.
 */
export async function searchOn(
  source: DataSource,
  seconds: number,
  control: SearchControl,
  now: Date = new Date(),
): Promise<SearchOutcome> {
  const { problem } = await source.transaction("REPEATABLE READ", (db) => readPlanning(db, now));
  const last = await readPlanOrder(source.manager);
  const kept = last ? settled(problem, last.work) : draftOf(problem, undefined);
  const costBefore = kept.cost.total;
  control.tell({ spent: 0, cost: costBefore, costBefore, lowerBound: kept.lowerBound });
  const found = solveSchedule(problem, {
    seed: last?.revision ?? 1,
    timeBudgetMs: seconds * 1000,
    start: kept.assignments,
    onProgress: ({ spent, cost, lowerBound }) =>
      control.tell({ spent, cost: Math.min(cost, costBefore), costBefore, lowerBound }),
    shouldStop: () => control.isStopped,
  });
  const better = settled(problem, found.assignments);
  const isTaken = isWorth(better, kept, 0);
  if (isTaken)
    await source.transaction(async (db) => {
      await aloneWithPlan(db);
      await keepPlanOrder(db, await readPlanOrder(db), better);
    });
  return { isTaken, before: worthOf(kept), after: worthOf(better) };
}

const worthOf = ({ cost, completions, assignments, unscheduled }: ScheduleResult): PlanWorth => ({
  cost: cost.total,
  late: completions.filter((c) => c.lateBy > 0).length,
  left: unscheduled.length,
  changeOverMinutes: assignments.reduce((sum, a) => sum + a.setupMinutes, 0),
});
