import { rehearse, solveSchedule, withSlack, type ScheduleProblem, type ScheduleResult } from "@kasten/core/schedule";
import type { PlanSearch, PlanWorth } from "@kasten/contract/schedule";
import type { DataSource } from "typeorm";
import { readPlanning, type Planning } from "./build";
import { draftOf, keepPlanOrder, readPlanOrder, SEED, settled } from "./draft";
import { knowledgeOf } from "./knowledge";
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

/** Half of the time is spent on a plan with so much time between. */
const SLACK = 0.15;
/** Plans are played through so often, under the same luck. */
const RUNS = 400;
/** So much of a batch late on average is within what the runs tell apart. */
const ALIKE = 0.15;

/**
 * Looks for a better plan of the room as it is now, from the draft on, and keeps what it finds as the order that the
 * next draft begins with. What changes in the room meanwhile is put into it then.
 *
 * Two are looked for, one that costs little and one that leaves time between; both are played through as things go,
 * and the one in which fewer batches are late is taken, of such as are alike the one that costs less.
 */
export async function searchOn(
  source: DataSource,
  seconds: number,
  control: SearchControl,
  now: Date = new Date(),
): Promise<SearchOutcome> {
  const planning = await source.transaction("REPEATABLE READ", (db) => readPlanning(db, now));
  const { problem } = planning;
  const last = await readPlanOrder(source.manager);
  const kept = last ? settled(problem, last.work) : draftOf(problem, undefined);
  const costBefore = kept.cost.total;
  let least = costBefore;
  control.tell({ spent: 0, cost: least, costBefore, lowerBound: kept.lowerBound });
  const lookIn = (other: ScheduleProblem, half: 0 | 1): ScheduleResult =>
    solveSchedule(other, {
      seed: last?.revision ?? 1,
      timeBudgetMs: (seconds * 1000) / 2,
      start: kept.assignments,
      onProgress: ({ spent, cost, lowerBound }) => {
        if (half === 0) least = Math.min(least, cost);
        const bound = half === 0 ? lowerBound : control.progress.lowerBound;
        control.tell({ spent: (half + spent) / 2, cost: least, costBefore, lowerBound: bound });
      },
      shouldStop: () => control.isStopped,
    });
  const cheap = lookIn(problem, 0);
  const loose = lookIn(withSlack(problem, SLACK), 1);
  const before = judged(planning, kept);
  const [after] = [before, ...[cheap, loose].map((r) => judged(planning, settled(problem, r.assignments)))].sort(
    inOrder,
  );
  const better = after ?? before;
  if (better !== before)
    await source.transaction(async (db) => {
      await aloneWithPlan(db);
      await keepPlanOrder(db, await readPlanOrder(db), better.plan);
    });
  return { isTaken: better !== before, before: before.worth, after: better.worth };
}

interface Judged {
  plan: ScheduleResult;
  worth: PlanWorth;
}

function judged(planning: Planning, plan: ScheduleResult): Judged {
  const { jobs } = rehearse(planning.problem, plan, knowledgeOf(planning, plan), { seed: SEED, runs: RUNS });
  return {
    plan,
    worth: {
      cost: plan.cost.total,
      late: plan.completions.filter((c) => c.lateBy > 0).length,
      lateAsThingsGo: jobs.reduce((sum, j) => sum + 1 - j.onTime, 0),
      left: plan.unscheduled.length,
      changeOverMinutes: plan.assignments.reduce((sum, a) => sum + a.setupMinutes, 0),
    },
  };
}

/** The better before the worse; what is as good as another stays where it is. */
function inOrder({ worth: a }: Judged, { worth: b }: Judged): number {
  if (a.left !== b.left) return a.left - b.left;
  const [x, y] = [a, b].map((w) => Math.round(w.lateAsThingsGo / ALIKE)) as [number, number];
  return x - y || a.cost - b.cost;
}
