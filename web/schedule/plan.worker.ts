import { expose } from "comlink";
import { DomainError } from "@kasten/core/errors";
import { sentenceOf } from "@kasten/core/sentences";
import {
  checkSchedule,
  completionsOf,
  costOf,
  differenceOf,
  rehearse,
  waysOut,
  whatIf,
  type Assignment,
  type Change,
  type Knowledge,
  type PlanDifference,
  type ScheduleProblem,
  type ScheduleResult,
  type WayOut,
} from "@kasten/core/schedule";

/** As many changes as the server tries when it takes a pin over: so that it comes to the same plan. */
const REPAIRS = 800;
const SEED = 1;
/** Both plans are played through alike: what differs is the plans, so that some hundred times are enough. */
const RUNS = 400;

/** The draft as it comes over the wire. */
export interface Given {
  problem: ScheduleProblem;
  assignments: Assignment[];
  knowledge: Knowledge;
}
interface Loaded {
  problem: ScheduleProblem;
  plan: ScheduleResult;
  knowledge: Knowledge;
}

/** The plan, whole again: when each job is over, and what it costs. */
function planOf({ problem, assignments }: Given): ScheduleResult {
  const completions = completionsOf(problem, assignments);
  const planned = new Set(completions.map((c) => c.job));
  return {
    assignments,
    completions,
    cost: costOf(problem, assignments, completions),
    lowerBound: 0,
    iterations: 0,
    unscheduled: problem.jobs
      .filter((j) => !planned.has(j.id))
      .map((j) => ({ job: j.id, reason: { code: "ORDER_IMPOSSIBLE", details: {} } })),
  };
}
/** What came of some changes. */
export interface Trial {
  plan: ScheduleResult;
  difference: PlanDifference;
  /** How probable it is that each job is ready on its day, before and after. */
  odds: Record<string, { before: number; after: number }>;
  broken: string[];
}

let loaded: Loaded | undefined;
let before: Map<string, number> | undefined;

const oddsIn = (problem: ScheduleProblem, plan: ScheduleResult, knowledge: Knowledge): Map<string, number> =>
  new Map(
    rehearse(problem, plan, knowledge, { seed: SEED, runs: RUNS, goesAhead: true }).jobs.map((j) => [j.job, j.onTime]),
  );

const api = {
  load(given: Given): void {
    loaded = { problem: given.problem, plan: planOf(given), knowledge: given.knowledge };
    before = undefined;
  },
  /** What came of some changes; or why they cannot be, in a sentence: an error does not keep its class on the way. */
  tryOut(changes: Change[]): Trial | { refused: string } {
    if (!loaded) throw new Error("No plan has been given to try changes on.");
    const { problem, plan, knowledge } = loaded;
    before ??= oddsIn(problem, plan, knowledge);
    let tried: ReturnType<typeof whatIf>;
    try {
      tried = whatIf(problem, plan, changes, { seed: SEED, iterations: REPAIRS });
    } catch (error) {
      if (error instanceof DomainError) return { refused: sentenceOf(error) };
      throw error;
    }
    const after = oddsIn(tried.problem, tried.plan, knowledge);
    return {
      plan: tried.plan,
      difference: differenceOf(plan, tried.plan),
      odds: Object.fromEntries(
        problem.jobs.map(({ id }) => [id, { before: before?.get(id) ?? 0, after: after.get(id) ?? 0 }]),
      ),
      broken: checkSchedule(tried.problem, tried.plan),
    };
  },
  waysOut(job: string): WayOut[] {
    if (!loaded) throw new Error("No plan has been given to try changes on.");
    return waysOut(loaded.problem, loaded.plan, job, { seed: SEED, iterations: REPAIRS / 2 });
  },
};
export type PlanWorker = typeof api;
expose(api);
