import { DomainError } from "../../errors";
import { valueAt } from "../../numeric";
import { refuseAbsurd } from "../solver/screen";
import type { ScheduleProblem, ScheduleResult } from "../types";
import { Chance } from "./chance";
import { Diary } from "./diary";
import { Play } from "./play";
import { stageOf, type Stage } from "./stage";
import { causes, type Cause, type Knowledge, type Rehearsal, type RehearseOptions } from "./types";

const MOST_RUNS = 100_000;
const LOOK_EVERY = 50;
/** Days after the planned end of all work up to which people’s hours are looked at; then they work without end. */
const DAYS_AFTER = 30;
const DAY = 1440;

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
  { seed, runs, onProgress, shouldStop }: RehearseOptions,
): Rehearsal {
  refuseAbsurd(problem);
  refuseUnknowable(knowledge, runs);
  const stage = stageOf(problem, result, knowledge);
  const ends = Math.max(0, ...result.assignments.map((a) => a.dryUntil ?? a.end)) + DAYS_AFTER * DAY;
  const diaries = problem.people.map((p) => new Diary(p, ends));
  const away = absences(stage, diaries);
  const chance = new Chance(seed, stage.things + away.things);
  const play = new Play(stage, diaries);
  const tally = new Tally(stage, runs);
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

function refuseUnknowable(knowledge: Knowledge, runs: number): void {
  const fail = (reason: string): never => {
    throw new DomainError("REHEARSAL_INVALID", { reason });
  };
  if (!Number.isInteger(runs) || runs < 1 || runs > MOST_RUNS)
    fail(`A plan is played through from 1 to ${MOST_RUNS} times, not ${runs}.`);
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
function absences(stage: Stage, diaries: Diary[]): { things: number; draw: (chance: Chance) => void } {
  let next = stage.things;
  const first = diaries.map((d, p) => {
    const from = next;
    if ((stage.people[p]?.absence ?? 0) > 0) next += d.days;
    return from;
  });
  const draw = (chance: Chance): void =>
    diaries.forEach((diary, p) => {
      const probable = stage.people[p]?.absence ?? 0;
      let isAny = false;
      if (probable > 0)
        for (let d = 0; d < diary.days; d++) {
          const isAway = chance.at(valueAt(first, p) + d) < probable;
          diary.isAway[d] = isAway ? 1 : 0;
          isAny ||= isAway;
        }
      diary.open(isAny);
    });
  return { things: next - stage.things, draw };
}

/** What is counted over all runs. */
class Tally {
  private readonly overs: Float64Array[];
  private readonly late: Map<Cause, number>[];
  private readonly actsOf: number[][];
  private readonly idle: Float64Array;
  private readonly beyond: Float64Array;
  private readonly plannedLast: Float64Array;
  private readonly made: number[];

  constructor(
    private readonly stage: Stage,
    runs: number,
  ) {
    this.overs = stage.jobs.map(() => new Float64Array(runs));
    this.late = stage.jobs.map(() => new Map());
    this.actsOf = stage.jobs.map((_, j) => stage.acts.flatMap((a, i) => (a.job === j ? [i] : [])));
    this.idle = new Float64Array(stage.people.length);
    this.beyond = new Float64Array(stage.people.length);
    this.plannedLast = new Float64Array(stage.people.length);
    for (const a of stage.acts)
      this.plannedLast[a.person] = Math.max(valueAt(this.plannedLast, a.person), a.plannedEnd);
    this.made = stage.jobs.map(() => 0);
  }

  count(play: Play): void {
    this.stage.jobs.forEach((job, j) => {
      const over = valueAt(play.over, j);
      const overs = this.overs[j];
      if (overs) overs[this.made[j] ?? 0] = over;
      this.made[j] = (this.made[j] ?? 0) + 1;
      if (over <= job.due) return;
      const cause = play.causeOf(j, this.actsOf[j] ?? []);
      this.late[j]?.set(cause, (this.late[j]?.get(cause) ?? 0) + 1);
    });
    this.stage.people.forEach((_, p) => {
      this.idle[p] = valueAt(this.idle, p) + play.idleOf(p);
      this.beyond[p] = valueAt(this.beyond, p) + Math.max(0, valueAt(play.lastOf, p) - valueAt(this.plannedLast, p));
    });
  }

  sum(runs: number): Rehearsal {
    const jobs = this.stage.jobs.map(({ id, due }, j) => {
      const overs = (this.overs[j] ?? new Float64Array()).slice(0, runs).sort();
      const at = (q: number) => valueAt(overs, Math.max(0, Math.ceil(q * runs - 1e-9) - 1));
      const late = this.late[j] ?? new Map<Cause, number>();
      const all = [...late.values()].reduce((sum, n) => sum + n, 0);
      return {
        job: id,
        onTime: overs.filter((o) => o <= due).length / runs,
        day50: at(0.5),
        day90: at(0.9),
        breaks: causes
          .flatMap((cause) => (late.has(cause) ? [{ cause, share: (late.get(cause) ?? 0) / all }] : []))
          .sort((a, b) => b.share - a.share),
      };
    });
    const load = this.stage.people.map(({ id }, p) => ({
      person: id,
      idle: valueAt(this.idle, p) / runs,
      over: valueAt(this.beyond, p) / runs,
    }));
    return { runs, jobs, load };
  }
}
