import type { Assignment, ScheduleJob, ScheduleProblem, ScheduleResult, SolveOptions } from "../types";
import { anneal } from "./anneal";
import { lowerBound } from "./bound";
import { construct, rules, type Rule } from "./construct";
import { Model } from "./model";
import { mainOperations, OutlineSearch } from "./outline";
import { Plan } from "./plan";
import { Random } from "../../numeric";
import { refuseAbsurd, whyImpossible } from "./screen";
import { withoutLeftOut, type Rest } from "./settle";
import { planFrom } from "./warm";

const ITERATIONS = 50_000;
/** Of the budget, first plans take no more than this, */
const FOR_RULES = 0.15;
/** and what is then decided by the outline. */
const FOR_OUTLINE = 0.6;
/** Of so many iterations one round of the outline is made, where iterations are counted. */
const PER_OUTLINE = 4000;
const MOST_OUTLINES = 24;
/** Fewer jobs than this are put in order one operation at a time. */
const FEW_JOBS = 12;
/** Changes tried in each outline, for each job. */
const OUTLINE_CHANGES = 250;
/** And no more than so many jobs are looked at, of one person's each time. */
const OUTLINE_WORK = 4_000_000;

export type Searched = Pick<ScheduleResult, "assignments" | "lowerBound" | "iterations" | "unscheduled">;

/** How much of the effort that is given has been spent. */
class Effort {
  private readonly began: number;
  private readonly most: number;

  constructor(private readonly options: SolveOptions) {
    this.began = this.now();
    this.most = options.iterations ?? (options.timeBudgetMs === undefined ? ITERATIONS : Infinity);
  }

  get isCounted(): boolean {
    return this.options.timeBudgetMs === undefined;
  }

  get iterations(): number {
    return this.most;
  }

  /** From 0 to 1, at which it ends. */
  spent(iterations: number): number {
    if (this.options.shouldStop?.()) return 1;
    const { timeBudgetMs } = this.options;
    const counted = this.most === 0 ? 1 : iterations / this.most;
    return timeBudgetMs === undefined
      ? counted
      : Math.max(counted, (this.now() - this.began) / Math.max(1, timeBudgetMs));
  }

  private now(): number {
    return (this.options.now ?? (() => performance.now()))();
  }
}

export function search(problem: ScheduleProblem, options: SolveOptions): Searched {
  refuseAbsurd(problem);
  const why = whyImpossible(problem);
  const unscheduled: ScheduleResult["unscheduled"] = [];
  const jobs: ScheduleJob[] = [];
  for (const job of problem.jobs) {
    const reason = why(job);
    if (reason) unscheduled.push({ job: job.id, reason });
    else jobs.push(job);
  }
  const effort = new Effort(options);
  const random = new Random(options.seed);
  const m = new Model(problem, jobs);
  const bound = jobs.length > 0 ? lowerBound(m, options.isRepair) : 0;
  const plan = options.start ? planFrom(m, options.start) : firstPlan(m, effort);
  if (options.start && effort.iterations > 0 && !options.isRepair) bettered(m, plan, effort);
  const told = (iterations: number, cost: number): void =>
    options.onProgress?.({ iterations, spent: effort.spent(iterations), cost, lowerBound: bound });
  if (!options.isRepair) outlined(m, plan, random, effort, told);
  plan.straighten();
  const { iterations } =
    m.ops > 1 && effort.spent(0) < 1
      ? anneal(m, plan, random, {
          bound,
          expected: effort.isCounted ? effort.iterations : undefined,
          isShort: options.isRepair,
          spent: (i) => effort.spent(i),
          told,
        })
      : { iterations: 0 };
  const rest = withoutLeftOut(m, plan);
  unscheduled.push(...rest.left.map(({ job, reason }) => ({ job: jobs[job]!.id, reason })));
  return {
    assignments: assignmentsOf(m, plan, rest),
    // Of the jobs that were planned: those left out cost nothing.
    lowerBound: rest.left.length === 0 ? bound : boundOfRest(m, rest),
    iterations,
    unscheduled,
  };
}

function boundOfRest(m: Model, rest: Rest): number {
  const left = new Set(rest.left.map((l) => l.job));
  const planned = m.given.filter((_, j) => !left.has(j));
  return planned.length > 0 ? lowerBound(new Model(m.problem, planned, m.hours)) : 0;
}

/** The best of what the dispatch rules make. */
function firstPlan(m: Model, effort: Effort): Plan {
  const plan = new Plan(m);
  let best: Rule | undefined;
  let least = Infinity;
  for (const rule of rules) {
    if (best && !effort.isCounted && effort.spent(0) > FOR_RULES) break;
    construct(m, plan.decoder, rule);
    const cost = plan.decoder.total();
    if (cost >= least) continue;
    least = cost;
    best = rule;
    plan.first.set(plan.decoder.order);
    plan.firstWho.set(plan.decoder.who);
  }
  plan.set(plan.first, plan.firstWho);
  return plan;
}

/** Takes what the dispatch rules make where that costs less than the plan that was begun with. */
function bettered(m: Model, plan: Plan, effort: Effort): void {
  const begun = { list: plan.list.slice(), who: plan.who.slice(), cost: plan.cost };
  const byRules = firstPlan(m, effort);
  if (byRules.cost < begun.cost) plan.set(byRules.list.slice(), byRules.who.slice());
}

/** Improves the order of the main work, in rounds of which each begins at the best plan of those before. */
function outlined(
  m: Model,
  plan: Plan,
  random: Random,
  effort: Effort,
  told: (iterations: number, cost: number) => void,
): void {
  if (m.jobs < FEW_JOBS || m.hasPins || plan.tails) return;
  const main = mainOperations(m);
  const best = { list: plan.list.slice(), who: plan.who.slice(), cost: plan.cost };
  const rounds = effort.isCounted
    ? Math.min(MOST_OUTLINES, Math.ceil(effort.iterations / PER_OUTLINE))
    : Number.POSITIVE_INFINITY;
  const changes = Math.floor(Math.min(OUTLINE_CHANGES * m.jobs, (OUTLINE_WORK * m.people) / m.jobs));
  const isOver = () => !effort.isCounted && effort.spent(0) > FOR_OUTLINE;
  for (let k = 0; k < rounds && !isOver() && effort.spent(0) < 1; k++) {
    const lean = [1, 0.7, 0.4][k % 3]!;
    const outline = new OutlineSearch(m, plan, main, lean).run(random, changes, isOver, warmth(k));
    construct(m, plan.decoder, { name: "due first", isEager: true }, outline);
    plan.set(plan.decoder.order.slice(), plan.decoder.who.slice());
    if (plan.cost < best.cost) {
      best.cost = plan.cost;
      best.list.set(plan.list);
      best.who.set(plan.who);
    } else plan.set(best.list, best.who);
    told(0, best.cost);
  }
}

/** Each round of the outline begins less hot than the one before it, down to a floor. */
const warmth = (round: number): number => Math.max(0.06, 0.3 * 0.75 ** round);

function assignmentsOf(m: Model, plan: Plan, rest: Rest): Assignment[] {
  const { who } = plan.decoder;
  const operations = m.given.flatMap((j) => j.operations);
  const changeOvers = m.changeOversOf(rest.list, who, plan.decoder.index);
  return [...rest.list].map((o) => {
    const p = who[o]!;
    const operation = operations[o]!;
    const index = plan.decoder.index[o]!;
    const setupMinutes = changeOvers[o]!;
    return {
      operation: operation.id,
      person: m.problem.people[p]!.id,
      setupStart: m.hours.clockAt(p, index - setupMinutes),
      start: m.hours.clockAt(p, index),
      end: plan.decoder.end[o]!,
      setupMinutes,
      ...(operation.dry && { dryUntil: plan.decoder.end[o]! + operation.dry.minutes }),
    };
  });
}
