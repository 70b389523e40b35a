import { Calendar } from "./calendar";
import { earliestEnd } from "./cost";
import { dispatch } from "./dispatch";
import type { ScheduleJob, ScheduleProblem, ScheduleResult } from "./types";

export interface Promised {
  /** Minute at which it would be ready; undefined when no plan holds it. */
  at?: number;
  holds: "material" | "skill" | "hours" | "drying";
}

const TRIES = 80;
const DAY = 1440;

/** What a plan leaves free: hours nobody uses, and the finishing places and racks that it does not take. */
function residual(problem: ScheduleProblem, plan: ScheduleResult): ScheduleProblem {
  const busy = new Map(problem.people.map((p): [string, [number, number][]] => [p.id, []]));
  for (const a of plan.assignments) busy.get(a.person)?.push([a.setupStart, a.end]);
  const people = problem.people.map((p) => ({ id: p.id, windows: without(p.windows, busy.get(p.id) ?? []) }));
  const at = new Map(plan.assignments.map((a) => [a.operation, a]));
  const ghosts: ScheduleJob[] = [];
  for (const job of problem.jobs)
    job.operations.forEach((o, i) => {
      const a = at.get(o.id);
      if (!a || !(o.station || o.dry)) return;
      const person = `ghost:${o.id}`;
      const next = job.operations[i + 1];
      const until = next ? (at.get(next.id)?.start ?? a.end) : (a.dryUntil ?? a.end);
      people.push({ id: person, windows: [[a.start, a.end]] });
      ghosts.push({
        id: person,
        release: a.start,
        due: a.end,
        weight: 0,
        operations: [
          {
            id: person,
            kind: o.kind,
            choices: [{ person, minutes: a.end - a.start }],
            station: o.station,
            pinned: { person, start: a.start },
            ...(o.dry && { dry: { ...o.dry, minutes: until - a.end } }),
          },
        ],
      });
    });
  return { ...problem, people, jobs: ghosts };
}

/** Windows with the busy stretches cut out. */
export function without(windows: readonly (readonly [number, number])[], busy: [number, number][]): [number, number][] {
  const cuts = [...busy].sort((a, b) => a[0] - b[0]);
  return windows.flatMap(([start, end]) => {
    const free: [number, number][] = [];
    let at = start;
    for (const [a, b] of cuts) {
      if (b <= at || a >= end) continue;
      if (a > at) free.push([at, a]);
      at = Math.max(at, b);
    }
    if (at < end) free.push([at, end]);
    return free;
  });
}

/**
 * The earliest minute at which a new job could be ready without moving anything that is planned.
 * It is worked into the hours that the plan leaves free, with a full change-over before it and another after it
 * counted into its own minutes, so that what follows on that bench is not delayed.
 *
 * @param job its release already includes the wait for materials; `release0` is the release without that wait
 */
export function promise(problem: ScheduleProblem, plan: ScheduleResult, job: ScheduleJob, release0: number): Promised {
  if (job.operations.some((o) => o.choices.length === 0)) return { holds: "skill" };
  const changeBack = problem.setup.pattern + problem.setup.thread + problem.setup.hook;
  const padded: ScheduleJob = {
    ...job,
    operations: job.operations.map((o) =>
      o.setupState ? { ...o, choices: o.choices.map((c) => ({ ...c, minutes: c.minutes + changeBack })) } : o,
    ),
  };
  const free = residual(problem, plan);
  for (let tries = 0, release = job.release; tries < TRIES && release < problem.horizon; tries++, release += DAY) {
    const result = dispatch({ ...free, jobs: [...free.jobs, { ...padded, release, due: problem.horizon, weight: 0 }] });
    const done = result.completions.find((c) => c.job === job.id);
    if (!done || result.unscheduled.length > 0) continue;
    return { at: done.at, holds: whatHolds(problem, job, release0, done.at) };
  }
  return { holds: "hours" };
}

/** Which wait is the longest: for material, for people who are busy, or for lacquer to dry. */
function whatHolds(problem: ScheduleProblem, job: ScheduleJob, release0: number, at: number): Promised["holds"] {
  const calendars = new Map(problem.people.map((p) => [p.id, new Calendar(p.windows)]));
  const alone = earliestEnd({ ...job, release: release0 }, calendars);
  const withMaterial = earliestEnd(job, calendars);
  const dry = job.operations.reduce((sum, o) => sum + (o.dry?.minutes ?? 0), 0);
  if (withMaterial - alone > at - withMaterial && withMaterial > alone) return "material";
  if (at - withMaterial <= DAY && dry > DAY / 2) return "drying";
  return "hours";
}
