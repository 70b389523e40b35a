import { DomainError } from "../../errors";
import { nth, valueAt } from "../../numeric";
import { DAY_MINUTES } from "../calendar";
import { refuseAbsurd } from "../solver/screen";
import type { ScheduleProblem, ScheduleResult } from "../types";
import { Chance } from "./chance";
import { Diary } from "./diary";
import { Play } from "./play";
import { stageOf, type Stage } from "./stage";
import {
  causes,
  type Cause,
  type Group,
  type Knowledge,
  type RehearsedJob,
  type Rehearsal,
  type RehearseOptions,
} from "./types";

const MOST_RUNS = 100_000;
const LOOK_EVERY = 50;
/** Days after the planned end of all work up to which people’s hours are looked at; then they work without end. */
const DAYS_AFTER = 30;

/**
 * Plays a plan through many times: the order of work is kept, and what is uncertain is drawn anew each time. Work
 * begins as early as order, hours, stations and racks allow.
 *
 * @param problem the problem that the plan was made of
 * @param result the plan: who does what after what. Jobs that are left out of it are not played
 * @param knowledge how uncertain each thing is; what is not named is certain
 * @returns for each job the odds that it is over when it is due, the minutes by which it is over in half and in nine
 *   of ten runs, and what made it late; for each person the load
 * @throws DomainError REHEARSAL_INVALID for no runs, or more than 100,000, spreads and probabilities that are none
 */
export function rehearse(
  problem: ScheduleProblem,
  result: ScheduleResult,
  knowledge: Knowledge,
  { seed, runs, level = 0.9, groups = [], goesAhead = false, onProgress, shouldStop }: RehearseOptions,
): Rehearsal {
  refuseAbsurd(problem);
  refuseUnknowable(knowledge, runs, level);
  const stage = stageOf(problem, result, knowledge);
  const ends = Math.max(0, ...result.assignments.map((a) => a.dryUntil ?? a.end)) + DAYS_AFTER * DAY_MINUTES;
  const diaries = problem.people.map((p) => new Diary(p, ends));
  const away = absences(stage, diaries);
  const chance = new Chance(seed, [...stage.things, ...away.things]);
  const play = new Play(stage, diaries, goesAhead);
  const tally = new Tally(stage, runs, level, groups);
  let run = 0;
  for (; run < runs; run++) {
    if (run % LOOK_EVERY === 0) {
      if (run >= 2 && shouldStop?.()) break;
      onProgress?.(run / runs);
    }
    chance.draw(run);
    away.draw(chance);
    play.run(chance);
    tally.count(play);
  }
  onProgress?.(1);
  return tally.sum(run);
}

function refuseUnknowable(knowledge: Knowledge, runs: number, level: number): void {
  const fail = (reason: string): never => {
    throw new DomainError("REHEARSAL_INVALID", { reason });
  };
  if (!Number.isInteger(runs) || runs < 1 || runs > MOST_RUNS)
    fail(`A plan is played through from 1 to ${MOST_RUNS} times, not ${runs}.`);
  if (!(level > 0 && level < 1)) fail(`How probable a day is to be lies between 0 and 1: not ${level}.`);
  const spread = (sd: number, name: string): void => {
    if (!(sd >= 0 && sd <= 3)) fail(`The spread of ${name} must be from 0 to 3, not ${sd}.`);
  };
  const probable = (p: number, name: string): void => {
    if (!(p >= 0 && p <= 1)) fail(`How probable ${name} is must be from 0 to 1, not ${p}.`);
  };
  for (const [id, m] of Object.entries(knowledge.minutes)) {
    spread(m.own, id);
    for (const s of m.shares ?? []) spread(s.sd, `${id}, ${s.name}`);
  }
  for (const [id, p] of Object.entries(knowledge.absence)) probable(p, `that ${id} is away`);
  for (const [id, f] of Object.entries(knowledge.flies)) {
    for (const p of f.missing) probable(p, `that flies of ${id} are missing`);
    if (!(f.minutesPerFly >= 0 && f.minutesPerFly < Infinity)) fail(`A fly of ${id} takes ${f.minutesPerFly} minutes.`);
  }
  for (const [id, a] of Object.entries(knowledge.arrivals)) {
    if (!Number.isFinite(a.at)) fail(`The day on which ${id} is expected is no day.`);
    if (a.daysLate.length === 0) fail(`How late ${id} may be is not said.`);
    if (!a.daysLate.every((d) => d >= 0 && d <= 1000)) fail(`Deliveries are late by 0 to 1000 days: ${id}.`);
  }
}

/** The days on which each person is away, drawn after everything else. */
function absences(stage: Stage, diaries: Diary[]): { things: string[]; draw: (chance: Chance) => void } {
  const things: string[] = [];
  const first = diaries.map((d, p) => {
    const from = stage.things.length + things.length;
    const { id, absence } = nth(stage.people, p);
    if (absence > 0) things.push(...d.days.map((day) => `away ${id} ${day}`));
    return from;
  });
  const draw = (chance: Chance): void =>
    diaries.forEach((diary, p) => {
      const probable = stage.people[p]?.absence ?? 0;
      let isAny = false;
      if (probable > 0)
        for (let d = 0; d < diary.days.length; d++) {
          const isAway = chance.at(valueAt(first, p) + d) < probable;
          diary.isAway[d] = isAway ? 1 : 0;
          isAny ||= isAway;
        }
      diary.open(isAny);
    });
  return { things, draw };
}

/** What is counted over all runs. */
class Tally {
  private readonly overs: Float64Array[];
  private readonly late: Map<Cause, number>[];
  private readonly actsOf: number[][];
  private readonly idle: Float64Array;
  private readonly beyond: Float64Array;
  private readonly plannedLast: Float64Array;
  private readonly groups: { group: string; jobs: number[]; by?: number; overs: Float64Array; onTime: number }[];
  private run = 0;

  constructor(
    private readonly stage: Stage,
    runs: number,
    private readonly level: number,
    groups: Group[],
  ) {
    const at = new Map(stage.jobs.map((j, i) => [j.id, i]));
    this.groups = groups
      .map(({ group, jobs, by }) => ({
        group,
        by,
        jobs: jobs.flatMap((id) => at.get(id) ?? []),
        overs: new Float64Array(runs),
        onTime: 0,
      }))
      .filter((g) => g.jobs.length > 0);
    this.overs = stage.jobs.map(() => new Float64Array(runs));
    this.late = stage.jobs.map(() => new Map());
    this.actsOf = stage.jobs.map((_, j) => stage.acts.flatMap((a, i) => (a.job === j ? [i] : [])));
    this.idle = new Float64Array(stage.people.length);
    this.beyond = new Float64Array(stage.people.length);
    this.plannedLast = new Float64Array(stage.people.length);
    for (const a of stage.acts)
      this.plannedLast[a.person] = Math.max(valueAt(this.plannedLast, a.person), a.plannedEnd);
  }

  count(play: Play): void {
    const { stage, run } = this;
    stage.jobs.forEach((job, j) => {
      const over = valueAt(play.over, j);
      nth(this.overs, j)[run] = over;
      if (over <= job.due) return;
      const cause = play.causeOf(j, nth(this.actsOf, j));
      const late = nth(this.late, j);
      late.set(cause, (late.get(cause) ?? 0) + 1);
    });
    for (const g of this.groups) {
      g.overs[run] = Math.max(...g.jobs.map((j) => valueAt(play.over, j)));
      if (g.jobs.every((j) => valueAt(play.over, j) <= (g.by ?? nth(stage.jobs, j).due))) g.onTime++;
    }
    stage.people.forEach((_, p) => {
      this.idle[p] = valueAt(this.idle, p) + play.idleOf(p);
      this.beyond[p] = valueAt(this.beyond, p) + Math.max(0, valueAt(play.lastOf, p) - valueAt(this.plannedLast, p));
    });
    this.run++;
  }

  /** The minutes by which it is over in half, in nine of ten, and in as many of the runs as was asked for. */
  private days(overs: Float64Array): Pick<RehearsedJob, "day50" | "day90" | "dayAtLevel"> {
    const made = overs.slice(0, this.run).sort();
    const at = (q: number) => valueAt(made, Math.max(0, Math.ceil(q * this.run - 1e-9) - 1));
    return { day50: at(0.5), day90: at(0.9), dayAtLevel: at(this.level) };
  }

  sum(runs: number): Rehearsal {
    const jobs = this.stage.jobs.map(({ id }, j): RehearsedJob => {
      const overs = nth(this.overs, j);
      const late = nth(this.late, j);
      const all = [...late.values()].reduce((sum, n) => sum + n, 0);
      return {
        job: id,
        onTime: 1 - all / runs,
        ...this.days(overs),
        breaks: causes
          .flatMap((cause) => (late.has(cause) ? [{ cause, share: (late.get(cause) ?? 0) / all }] : []))
          .sort((a, b) => b.share - a.share),
      };
    });
    const groups = this.groups.map(({ group, overs, onTime }) => ({
      group,
      onTime: onTime / runs,
      ...this.days(overs),
    }));
    const load = this.stage.people.map(({ id }, p) => ({
      person: id,
      idle: valueAt(this.idle, p) / runs,
      over: valueAt(this.beyond, p) / runs,
    }));
    return { runs, jobs, groups, load };
  }
}
