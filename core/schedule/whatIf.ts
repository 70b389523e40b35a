import { DomainError } from "../errors";
import { Calendar, cutOut, joined } from "./calendar";
import { solveSchedule } from "./solve";
import type { ScheduleJob, ScheduleOperation, ScheduleProblem, ScheduleResult, SolveOptions } from "./types";

/** What somebody would do otherwise, to see what it costs. Minutes are those of the problem. */
export type Change =
  /** Does an operation at that minute, or as soon after it as can be. */
  | { do: "move"; operation: string; person: string; start: number }
  /** Gives an operation to somebody, whenever it fits. */
  | { do: "give"; operation: string; person: string }
  /** Several do it at the same time, each a share of it: their shares add up to 1. */
  | { do: "split"; operation: string; shares: { person: string; share: number }[] }
  /** Is not there in that time. */
  | { do: "away"; person: string; from: number; to: number }
  /** Works in that time as well. */
  | { do: "work"; person: string; from: number; to: number }
  | { do: "places"; station: string; places: number }
  | { do: "rack"; rack: string; places: number }
  /** The materials of a job are there at that minute. */
  | { do: "deliver"; job: string; at: number };

/**
 * A problem with changes made to it, one after another. Not changed itself.
 * @throws DomainError SCHEDULE_INVALID for somebody or something that is not in the problem, or may not do the work
 */
export const withChanges = (problem: ScheduleProblem, changes: readonly Change[]): ScheduleProblem =>
  changes.reduce(changed, problem);

function changed(problem: ScheduleProblem, change: Change): ScheduleProblem {
  switch (change.do) {
    case "move":
      return withOperation(problem, change.operation, (o, job) => {
        mayDo(o, change.person);
        return { ...o, pinned: { person: change.person, start: pinnedMinute(problem, job, o, change) } };
      });
    case "give":
      return withOperation(problem, change.operation, (o) => {
        mayDo(o, change.person);
        const { pinned: _pinned, ...rest } = o;
        return { ...rest, choices: o.choices.filter((c) => c.person === change.person) };
      });
    case "split":
      return withSplit(problem, change.operation, change.shares);
    case "away":
      return withPerson(problem, change.person, (windows) => cutOut(windows, change.from, change.to));
    case "work":
      return withPerson(problem, change.person, (windows) => joined([...windows, [change.from, change.to]]));
    case "places":
      refuseMissing(problem.stations, change.station);
      return {
        ...problem,
        stations: problem.stations.map((s) => (s.id === change.station ? { ...s, capacity: change.places } : s)),
      };
    case "rack":
      refuseMissing(problem.racks, change.rack);
      return {
        ...problem,
        racks: problem.racks.map((r) => (r.id === change.rack ? { ...r, places: change.places } : r)),
      };
    case "deliver":
      refuseMissing(problem.jobs, change.job);
      return { ...problem, jobs: problem.jobs.map((j) => (j.id === change.job ? { ...j, release: change.at } : j)) };
  }
}

const invalid = (reason: string): DomainError => new DomainError("SCHEDULE_INVALID", { reason });

function refuseMissing(list: readonly { id: string }[], id: string): void {
  if (!list.some((x) => x.id === id)) throw invalid(`The plan knows no ${id}.`);
}

function mayDo(o: ScheduleOperation, person: string): void {
  if (!o.choices.some((c) => c.person === person)) throw invalid(`${person} cannot do ${o.id}.`);
}

function withOperation(
  problem: ScheduleProblem,
  id: string,
  of: (o: ScheduleOperation, job: ScheduleJob) => ScheduleOperation,
): ScheduleProblem {
  refuseMissing(
    problem.jobs.flatMap((j) => j.operations),
    id,
  );
  return {
    ...problem,
    jobs: problem.jobs.map((job) =>
      job.operations.some((o) => o.id === id)
        ? { ...job, operations: job.operations.map((o) => (o.id === id ? of(o, job) : o)) }
        : job,
    ),
  };
}

/** An operation as several that may be done at the same time; what waited for it waits for all of them. */
function withSplit(
  problem: ScheduleProblem,
  id: string,
  shares: readonly { person: string; share: number }[],
): ScheduleProblem {
  const job = problem.jobs.find((j) => j.operations.some((o) => o.id === id));
  if (!job) throw invalid(`The plan knows no ${id}.`);
  const total = shares.reduce((sum, s) => sum + s.share, 0);
  if (shares.length < 2 || shares.some((s) => !(s.share > 0)) || Math.abs(total - 1) > 1e-6)
    throw invalid("A split is between two at least, and their shares add up to all of it.");
  const at = job.operations.findIndex((o) => o.id === id);
  const before = job.operations[at - 1];
  const operations = job.operations.flatMap((o, i): ScheduleOperation[] => {
    if (o.id === id)
      return shares.map(({ person, share }, k) => {
        mayDo(o, person);
        const minutes = o.choices.find((c) => c.person === person)?.minutes ?? 1;
        const { pinned: _pinned, ...rest } = o;
        return {
          ...rest,
          id: k === 0 ? id : `${id}${k + 1}`,
          choices: [{ person, minutes: Math.max(1, Math.ceil(minutes * share)) }],
          after: o.after ?? (before ? [before.id] : []),
        };
      });
    const waits = o.after ?? (i === at + 1 ? [id] : undefined);
    return waits?.includes(id)
      ? [
          {
            ...o,
            after: waits.flatMap((w) => (w === id ? shares.map((_, k) => (k === 0 ? id : `${id}${k + 1}`)) : [w])),
          },
        ]
      : [o];
  });
  return { ...problem, jobs: problem.jobs.map((j) => (j === job ? { ...job, operations } : j)) };
}

function withPerson(
  problem: ScheduleProblem,
  id: string,
  of: (windows: [number, number][]) => [number, number][],
): ScheduleProblem {
  refuseMissing(problem.people, id);
  return { ...problem, people: problem.people.map((p) => (p.id === id ? { ...p, windows: of(p.windows) } : p)) };
}

/** The first minute in which an operation can begin where it is put: a working one, after what must come before it. */
function pinnedMinute(
  problem: ScheduleProblem,
  job: ScheduleJob,
  operation: ScheduleOperation,
  { person, start }: { person: string; start: number },
): number {
  const calendar = new Calendar(problem.people.find((p) => p.id === person)?.windows ?? []);
  const minute = calendar.clockAt(calendar.indexAt(Math.max(start, soonest(problem, job, operation))));
  if (minute === undefined) throw invalid("There is no hour of work left after that: choose an earlier time.");
  return minute;
}

/** The minute before which an operation cannot begin: its job’s release, and what comes before it at its quickest. */
function soonest(problem: ScheduleProblem, job: ScheduleJob, operation: ScheduleOperation): number {
  const calendars = new Map(problem.people.map((p) => [p.id, new Calendar(p.windows)]));
  let ready = Math.max(0, job.release);
  for (const o of job.operations) {
    if (o.id === operation.id) return ready;
    const ends = o.choices.flatMap(({ person, minutes }) => {
      const calendar = calendars.get(person);
      const end = calendar?.clockAt(calendar.indexAt(ready) + minutes - 1);
      return end === undefined ? [] : [end + 1];
    });
    ready = Math.max(ready, ends.length > 0 ? Math.min(...ends) : ready) + (o.dry?.minutes ?? 0);
  }
  return ready;
}

/**
 * The plan as it would be with some changes: repaired about them, everything else left as near to where it is as the
 * search finds worth while.
 *
 * @param options iterations or a budget: some thousand, or half a second, are enough for a plan of 1,000 operations
 */
export function whatIf(
  problem: ScheduleProblem,
  plan: ScheduleResult,
  changes: readonly Change[],
  options: Omit<SolveOptions, "start" | "isRepair">,
): { problem: ScheduleProblem; plan: ScheduleResult } {
  const other = withChanges(problem, changes);
  return { problem: other, plan: solveSchedule(other, { ...options, start: plan.assignments, isRepair: true }) };
}

export interface PlanDifference {
  /** Jobs that are over at another minute, or late by another time, or have or lose their place; in their order. */
  jobs: { job: string; before?: Over; after?: Over }[];
  /** Change-over minutes and cost that are added; negative where there is less. */
  setupMinutes: number;
  cost: number;
}
interface Over {
  at: number;
  lateBy: number;
}

/** What another plan makes otherwise. */
export function differenceOf(before: ScheduleResult, after: ScheduleResult): PlanDifference {
  const [was, is] = [before, after].map(
    (r) => new Map(r.completions.map((c) => [c.job, { at: c.at, lateBy: c.lateBy }])),
  ) as [Map<string, Over>, Map<string, Over>];
  const jobs = [...new Set([...was.keys(), ...is.keys()])].flatMap((job) => {
    const [a, b] = [was.get(job), is.get(job)];
    return a?.at === b?.at && a?.lateBy === b?.lateBy ? [] : [{ job, before: a, after: b }];
  });
  const setup = (r: ScheduleResult) => r.assignments.reduce((sum, a) => sum + a.setupMinutes, 0);
  return { jobs, setupMinutes: setup(after) - setup(before), cost: after.cost.total - before.cost.total };
}
