import type { Assignment, ScheduleProblem, ScheduleResult, SetupState } from "./types";

/**
 * Every violation of the rules in a result. Written apart from any solver: it walks through the windows and knows only
 * the rules.
 * @returns sentences; an empty list means that the plan can be worked
 */
export function checkSchedule(problem: ScheduleProblem, result: ScheduleResult): string[] {
  const at = new Map(result.assignments.map((a) => [a.operation, a]));
  return [
    ...checkJobs(problem, result, at),
    ...checkPeople(problem, at),
    ...checkStations(problem, at),
    ...checkRacks(problem, at),
    ...checkNumbers(problem, result),
  ];
}

type At = Map<string, Assignment>;

function checkJobs(problem: ScheduleProblem, result: ScheduleResult, at: At): string[] {
  const left = new Set(result.unscheduled.map((u) => u.job));
  return problem.jobs.flatMap((job) => {
    const placed = job.operations.filter((o) => at.has(o.id)).length;
    if (left.has(job.id)) return placed > 0 ? [`${job.id} is left out, but some of it is planned`] : [];
    if (placed < job.operations.length) return [`${job.id} is neither planned nor left out`];
    return job.operations.flatMap((o, i) => {
      const a = at.get(o.id);
      if (!a) return [`${o.id} is not planned`];
      const faults: string[] = [];
      const before = o.after ?? job.operations.slice(Math.max(0, i - 1), i).map((p) => p.id);
      if (a.start < job.release) faults.push(`${o.id} starts before its release`);
      for (const id of before)
        if (a.start < (at.get(id)?.dryUntil ?? at.get(id)?.end ?? 0))
          faults.push(`${o.id} starts before ${id} is over`);
      const choice = o.choices.find((c) => c.person === a.person);
      if (!choice) faults.push(`${o.id} is given to ${a.person}, who is no choice for it`);
      if (a.end > problem.horizon) faults.push(`${o.id} ends after the horizon`);
      if (o.pinned && (o.pinned.person !== a.person || o.pinned.start !== a.start))
        faults.push(`${o.id} is not where it is pinned`);
      if (a.dryUntil !== (o.dry ? a.end + o.dry.minutes : undefined)) faults.push(`${o.id} dries until a wrong minute`);
      return faults;
    });
  });
}

function checkPeople(problem: ScheduleProblem, at: At): string[] {
  const operations = new Map(problem.jobs.flatMap((j) => j.operations.map((o) => [o.id, o] as const)));
  return problem.people.flatMap((person) => {
    const faults: string[] = [];
    const index = (minute: number) => workedBefore(person.windows, minute);
    const own = [...at.values()].filter((a) => a.person === person.id).sort((a, b) => a.start - b.start);
    let state: SetupState | undefined = person.setupState;
    let free = 0;
    for (const a of own) {
      const o = operations.get(a.operation);
      const needed = o?.choices.find((c) => c.person === person.id)?.minutes ?? 0;
      const differs = (key: keyof SetupState) =>
        o?.setupState && state?.[key] !== o.setupState[key] ? problem.setup[key] : 0;
      const isReady = problem.readyThreads?.includes(o?.setupState?.thread ?? "") ?? false;
      const setup = differs("pattern") + (isReady ? 0 : differs("thread")) + differs("hook");
      const [first, start, last] = [index(a.setupStart), index(a.start), index(a.end - 1)];
      if (first === undefined || start === undefined || last === undefined)
        faults.push(`${a.operation} lies outside the hours of ${person.id}`);
      else {
        if (a.setupMinutes !== setup || start - first !== setup)
          faults.push(`${a.operation} has a wrong change-over: ${a.setupMinutes}, not ${setup}`);
        if (last - start + 1 !== needed) faults.push(`${a.operation} takes ${last - start + 1} minutes, not ${needed}`);
        if (first < free) faults.push(`${a.operation} overlaps other work of ${person.id}`);
        free = last + 1;
      }
      if (o?.setupState) state = o.setupState;
    }
    return faults;
  });
}

/** How many minutes a person has worked before one in which they work; undefined for a minute in which they do not. */
function workedBefore(windows: [number, number][], minute: number): number | undefined {
  let worked = 0;
  for (const [start, end] of windows) {
    if (minute < start) return undefined;
    if (minute < end) return worked + minute - start;
    worked += end - start;
  }
  return undefined;
}

/** The most that is held at any one time, of intervals with weights. */
function peak(intervals: { from: number; to: number; weight: number }[]): number {
  return Math.max(
    0,
    ...intervals.map((i) =>
      intervals.filter((j) => j.from <= i.from && i.from < j.to).reduce((sum, j) => sum + j.weight, 0),
    ),
  );
}

function checkStations(problem: ScheduleProblem, at: At): string[] {
  return problem.stations.flatMap((station) => {
    const held = problem.jobs.flatMap((j) => j.operations).filter((o) => o.station === station.id && at.has(o.id));
    const most = peak(held.map((o) => ({ from: at.get(o.id)?.start ?? 0, to: at.get(o.id)?.end ?? 0, weight: 1 })));
    return most > station.capacity ? [`${station.id} is used by ${most} at once`] : [];
  });
}

function checkRacks(problem: ScheduleProblem, at: At): string[] {
  return problem.racks.flatMap((rack) => {
    const held = problem.jobs.flatMap((job) =>
      job.operations.flatMap((o, i) => {
        const a = at.get(o.id);
        if (o.dry?.rack !== rack.id || !a) return [];
        const next = job.operations[i + 1];
        return [
          { from: a.end, to: next ? (at.get(next.id)?.start ?? 0) : (a.dryUntil ?? a.end), weight: o.dry.places },
        ];
      }),
    );
    const most = peak(held);
    return most > rack.places ? [`${rack.id} holds ${most} of ${rack.places}`] : [];
  });
}

function checkNumbers(problem: ScheduleProblem, result: ScheduleResult): string[] {
  const faults: string[] = [];
  let tardiness = 0;
  let flow = 0;
  let latest = 0;
  for (const job of problem.jobs) {
    const own = result.assignments.filter((a) => job.operations.some((o) => o.id === a.operation));
    if (own.length === 0) continue;
    const end = Math.max(...own.map((a) => a.dryUntil ?? a.end));
    const said = result.completions.find((c) => c.job === job.id);
    if (said?.at !== end || said.lateBy !== Math.max(0, end - job.due))
      faults.push(`${job.id} is said to be over at ${said?.at ?? "no time"}, not ${end}`);
    tardiness += job.weight * Math.max(0, end - job.due);
    flow += end - job.release;
    latest = Math.max(latest, end);
  }
  const setup = result.assignments.reduce((sum, a) => sum + a.setupMinutes, 0);
  const w = problem.objective;
  const total = w.tardiness * tardiness + w.setup * setup + w.flow * flow + w.makespan * latest;
  if (Math.abs(total - result.cost.total) > 1e-6) faults.push(`the cost is ${total}, not ${result.cost.total}`);
  if (result.lowerBound > total + 1e-6) faults.push(`the lower bound ${result.lowerBound} is above the cost ${total}`);
  return faults;
}
