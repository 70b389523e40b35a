import { solveSchedule, withSlack, type ScheduleResult } from "@kasten/core/schedule";
import type { PlanSearch, PlanWorth } from "@kasten/contract/schedule";
import type { DataSource } from "typeorm";
import { readPlanning, type Planning } from "./build";
import { draftOf, keepPlanOrder, lateAsThingsGo, readPlanOrder, settled } from "./draft";
import { FULL_EFFORT, type Effort } from "./effort";
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
    const { spent, late, lateBefore, lowerBound } = progress;
    this.figures.set([spent, late, lateBefore, lowerBound]);
  }

  get progress(): SearchProgress {
    const [spent = 0, late = 0, lateBefore = 0, lowerBound = 0] = this.figures;
    return { spent, late, lateBefore, lowerBound };
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
  /** Batches late on average as things go, in the best plan so far and in the draft. */
  late: number;
  lateBefore: number;
  lowerBound: number;
}

/** Plans are looked for with so much time between: the more, the more they bear, and the more they cost. */
const SLACKS = [0, 0.15, 0.3, 0.6];
/** Changes tried for each plan, and more after each time that all have been through. */
const CHANGES = 6000;
/** Each slack comes by turns from the best plan so far and from nothing. */
const isNear = (round: number): boolean => (round + Math.floor(round / SLACKS.length)) % 2 === 0;
/** So much of a batch late on average is within what the runs tell apart. */
const ALIKE = 0.15;

/**
 * Looks for a better plan of the room as it is now, and keeps what it finds as the order that the next draft begins
 * with. What changes in the room meanwhile is put into it then.
 *
 * One plan after another is made, from the best so far and from nothing, with more and less time between; each is
 * played through as things go. Of all that were, the one is taken in which the fewest batches are late, of such as are
 * alike the one that costs least.
 */
export async function searchOn(
  source: DataSource,
  seconds: number,
  control: SearchControl,
  { now = new Date(), effort = FULL_EFFORT }: { now?: Date; effort?: Effort } = {},
): Promise<SearchOutcome> {
  const began = performance.now();
  const spent = (): number => Math.min(1, (performance.now() - began) / (seconds * 1000));
  const isOver = (): boolean => control.isStopped || spent() >= 1;
  const planning = await source.transaction("REPEATABLE READ", (db) => readPlanning(db, now, effort));
  const { problem } = planning;
  const last = await readPlanOrder(source.manager);
  const before = judged(planning, last ? settled(problem, last.work) : draftOf(planning, undefined));
  let best = before;
  const lowerBound = before.plan.lowerBound;
  const tell = (): void =>
    control.tell({
      spent: spent(),
      late: best.worth.lateAsThingsGo,
      lateBefore: before.worth.lateAsThingsGo,
      lowerBound,
    });
  for (let round = 0; !isOver(); round++) {
    tell();
    const found = solveSchedule(withSlack(problem, SLACKS[round % SLACKS.length] ?? 0), {
      seed: round + 1,
      iterations: CHANGES * (1 + Math.floor(round / SLACKS.length / 2)),
      ...(isNear(round) && { start: best.plan.assignments }),
      onProgress: tell,
      shouldStop: isOver,
    });
    const other = judged(planning, settled(problem, found.assignments));
    if (inOrder(other, best) < 0) best = other;
  }
  tell();
  if (best !== before)
    await source.transaction(async (db) => {
      await aloneWithPlan(db);
      await keepPlanOrder(db, await readPlanOrder(db), best.plan);
    });
  return { isTaken: best !== before, before: before.worth, after: best.worth };
}

interface Judged {
  plan: ScheduleResult;
  worth: PlanWorth;
}

function judged(planning: Planning, plan: ScheduleResult): Judged {
  return {
    plan,
    worth: {
      cost: plan.cost.total,
      late: plan.completions.filter((c) => c.lateBy > 0).length,
      lateAsThingsGo: lateAsThingsGo(planning, plan),
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
