import { nth } from "../numeric";
import { Calendar } from "./calendar";
import { earliestEnd } from "./cost";
import { endsBefore, Floor, readyAt, type Candidate, type Hold, type Taken } from "./floor";
import type { ScheduleJob, ScheduleProblem, ScheduleResult } from "./types";

export interface Promised {
  /** Minute at which it would be ready; undefined when no plan holds it. */
  at?: number;
  holds: "material" | "skill" | "hours" | "drying";
}

const DAY = 1440;

/** What a plan leaves free: hours nobody uses, and the places at stations and on racks that it takes. As data. */
export interface Free extends Omit<ScheduleProblem, "jobs" | "objective"> {
  taken: Taken;
  /** The people's hours before anything was planned. */
  hours: ScheduleProblem["people"];
}

/** What a plan leaves free. Made once for a plan; each promise is then a matter of one job. */
export function freeOf(problem: ScheduleProblem, plan: ScheduleResult): Free {
  const busy = new Map(problem.people.map((p): [string, [number, number][]] => [p.id, []]));
  for (const a of plan.assignments) busy.get(a.person)?.push([a.setupStart, a.end]);
  const { horizon, stations, racks, setup, people } = problem;
  return {
    horizon,
    stations,
    racks,
    setup,
    people: people.map((p) => ({ id: p.id, windows: without(p.windows, busy.get(p.id) ?? []) })),
    taken: takenBy(problem, plan),
    hours: people,
  };
}

function takenBy(problem: ScheduleProblem, plan: ScheduleResult): Taken {
  const at = new Map(plan.assignments.map((a) => [a.operation, a]));
  const taken: Taken = { stations: {}, racks: {} };
  for (const job of problem.jobs)
    job.operations.forEach((o, i) => {
      const a = at.get(o.id);
      if (!a) return;
      if (o.station) (taken.stations[o.station] ??= []).push([a.start, a.end]);
      if (!o.dry) return;
      const next = job.operations[i + 1];
      const until = next ? (at.get(next.id)?.start ?? a.end) : (a.dryUntil ?? a.end);
      (taken.racks[o.dry.rack] ??= []).push({ from: a.end, until, places: o.dry.places });
    });
  return taken;
}

/** Windows with the busy stretches cut out. */
export function without(windows: readonly (readonly [number, number])[], busy: [number, number][]): [number, number][] {
  const cuts = [...busy].sort((a, b) => a[0] - b[0]);
  let first = 0;
  return windows.flatMap(([start, end]) => {
    const free: [number, number][] = [];
    let at = start;
    while (first < cuts.length && nth(cuts, first)[1] <= start) first++;
    for (let i = first; i < cuts.length && nth(cuts, i)[0] < end; i++) {
      const [a, b] = nth(cuts, i);
      if (b <= at) continue;
      if (a > at) free.push([at, a]);
      at = Math.max(at, b);
    }
    if (at < end) free.push([at, end]);
    return free;
  });
}

/**
 * Promises made together: each new job is put where the plan and the promises before it leave room, so that two lines
 * of one order do not share the same hours.
 */
export class Promises {
  private floor: Floor;
  private readonly kept: ScheduleJob[] = [];

  constructor(private readonly free: Free) {
    this.floor = new Floor(free, free.taken);
  }

  /**
   * The earliest minute at which a new job could be ready without moving anything that is planned or promised. It is
   * worked into the hours that are left, with a full change-over before it and another after it counted into its own
   * minutes, so that what follows on that bench is not delayed.
   *
   * @param job its release already includes the wait for materials; its operations have names of their own
   * @param release0 the release without that wait
   */
  add(job: ScheduleJob, release0: number): Promised {
    if (job.operations.some((o) => o.choices.length === 0)) return { holds: "skill" };
    const at = placedAlone(this.floor, this.free.setup, job);
    if (at === undefined) {
      // What did fit of it is taken back: everything before it is put down anew.
      this.floor = new Floor(this.free, this.free.taken);
      for (const before of this.kept) placedAlone(this.floor, this.free.setup, before);
      return { holds: "hours" };
    }
    this.kept.push(job);
    return { at, holds: whatHolds(this.free, job, release0, at) };
  }
}

/** The promise of one job alone. */
export const promise = (free: Free, job: ScheduleJob, release0: number): Promised =>
  new Promises(free).add(job, release0);

/** When a job is over that is placed where nothing else is; undefined where it does not fit. */
function placedAlone(floor: Floor, setup: Free["setup"], job: ScheduleJob): number | undefined {
  const changeBack = setup.pattern + setup.thread + setup.hook;
  const over = new Map<string, number>();
  let hold: Hold | undefined;
  for (const [i, operation] of job.operations.entries()) {
    const ready = readyAt(job, i, over);
    let best: Candidate | undefined;
    for (const choice of operation.choices) {
      const minutes = choice.minutes + (operation.setupState ? changeBack : 0);
      const candidate = floor.earliest(operation, { ...choice, minutes }, ready);
      if (candidate && endsBefore(candidate, best)) best = candidate;
    }
    if (!best) return undefined;
    hold = floor.take(operation, best, hold, i === job.operations.length - 1);
    over.set(operation.id, best.dryUntil ?? best.end);
  }
  return Math.max(0, ...over.values());
}

/** Which wait is the longest: for material, for people who are busy, or for lacquer to dry. */
function whatHolds({ hours }: Free, job: ScheduleJob, release0: number, at: number): Promised["holds"] {
  const calendars = new Map(hours.map((p) => [p.id, new Calendar(p.windows)]));
  const alone = earliestEnd({ ...job, release: release0 }, calendars);
  const withMaterial = earliestEnd(job, calendars);
  const dry = job.operations.reduce((sum, o) => sum + (o.dry?.minutes ?? 0), 0);
  if (withMaterial - alone > at - withMaterial && withMaterial > alone) return "material";
  if (at - withMaterial <= DAY && dry > DAY / 2) return "drying";
  return "hours";
}
