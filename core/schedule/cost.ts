import { Calendar } from "./calendar";
import type { Assignment, ScheduleJob, ScheduleProblem, ScheduleResult, SetupState } from "./types";

/**
 * Change-over minutes from one set-up to another; from nothing, all three parts. A thread on a loaded bobbin is taken
 * up as it is.
 */
export function setupMinutes(
  { setup, readyThreads = [] }: Pick<ScheduleProblem, "setup" | "readyThreads">,
  from: SetupState | undefined,
  to: SetupState | undefined,
): number {
  if (!to) return 0;
  return (
    (from?.pattern === to.pattern ? 0 : setup.pattern) +
    (from?.thread === to.thread || readyThreads.includes(to.thread) ? 0 : setup.thread) +
    (from?.hook === to.hook ? 0 : setup.hook)
  );
}

/** When each scheduled job is over: its last operation with its dry. */
export function completionsOf(problem: ScheduleProblem, assignments: Assignment[]): ScheduleResult["completions"] {
  const byOperation = new Map(assignments.map((a) => [a.operation, a]));
  return problem.jobs.flatMap((job) => {
    const own = job.operations.flatMap((o) => byOperation.get(o.id) ?? []);
    if (own.length < job.operations.length) return [];
    const at = Math.max(...own.map((a) => a.dryUntil ?? a.end));
    return [{ job: job.id, at, lateBy: Math.max(0, at - job.due) }];
  });
}

/** Weighted cost of a plan: lateness, change-overs, time in the room, and the end of all work. */
export function costOf(
  problem: ScheduleProblem,
  assignments: Assignment[],
  completions: ScheduleResult["completions"],
): ScheduleResult["cost"] {
  const jobs = new Map(problem.jobs.map((j) => [j.id, j]));
  const o = problem.objective;
  const tardiness = o.tardiness * completions.reduce((sum, c) => sum + (jobs.get(c.job)?.weight ?? 0) * c.lateBy, 0);
  const setup = o.setup * assignments.reduce((sum, a) => sum + a.setupMinutes, 0);
  const flow = o.flow * completions.reduce((sum, c) => sum + c.at - (jobs.get(c.job)?.release ?? 0), 0);
  const makespan = o.makespan * completions.reduce((most, c) => Math.max(most, c.at), 0);
  return { total: tardiness + setup + flow + makespan, tardiness, setup, flow, makespan };
}

/**
 * The earliest that a job could be over if it had every person to itself: operations in order, each by whoever ends
 * first. With parallel operations only the longest single chain is counted, so the bound stays true.
 */
export function earliestEnd(job: ScheduleJob, calendars: Map<string, Calendar>): number {
  const over = new Map<string, number>();
  let previous: string[] = [];
  let last = job.release;
  for (const operation of job.operations) {
    const ready = Math.max(job.release, ...(operation.after ?? previous).map((id) => over.get(id) ?? job.release));
    const ends = operation.choices.flatMap(({ person, minutes }) => {
      const calendar = calendars.get(person);
      if (!calendar) return [];
      if (minutes === 0) return [ready];
      const end = calendar.clockAt(calendar.indexAt(ready) + minutes - 1);
      return end === undefined ? [] : [end + 1];
    });
    const end = ends.length > 0 ? Math.min(...ends) : ready;
    over.set(operation.id, end + (operation.dry?.minutes ?? 0));
    last = Math.max(last, over.get(operation.id) ?? end);
    previous = [operation.id];
  }
  return last;
}
