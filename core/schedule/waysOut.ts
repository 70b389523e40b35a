import { DAY_MINUTES } from "./calendar";
import type { ScheduleJob, ScheduleProblem, ScheduleResult } from "./types";
import { whatIf, type Change } from "./whatIf";

/** A morning on a day off: from nine to one. */
const MORNING = [540, 780] as const;
/** Hours that somebody may add at the end of a working day. */
const EVENING = 120;
const MOST_DAYS = 3;
/** Materials that come sooner by so many days at most are asked for. */
const MOST_DAYS_SOONER = 10;

/** Something that could be done about a late job, and what came of it when it was tried. */
export interface WayOut {
  changes: Change[];
  /** By how many minutes the job is late after all; 0 is on time. */
  lateBy: number;
  at: number;
  /** Jobs that were on time and would be late. */
  harmed: string[];
}

/**
 * What could be done so that a late job is on time, each way tried: its materials come sooner, somebody else takes it
 * or half of it, somebody stays longer, or works a morning on a day off, alone or two together.
 *
 * @param plan in which the job is late
 * @returns the ways that help and leave nobody else late, the least effort first; those that help most otherwise
 */
export function waysOut(
  problem: ScheduleProblem,
  plan: ScheduleResult,
  job: string,
  options: { seed: number; iterations: number; shouldStop?: () => boolean },
): WayOut[] {
  const wanted = problem.jobs.find((j) => j.id === job);
  const late = plan.completions.find((c) => c.job === job);
  if (!wanted || !late || late.lateBy === 0) return [];
  const before = new Map(plan.completions.map((c) => [c.job, c.lateBy]));
  const tryOut = (changes: Change[]): WayOut | undefined => {
    const { plan: other } = whatIf(problem, plan, changes, options);
    const over = other.completions.find((c) => c.job === job);
    if (!over || over.lateBy >= late.lateBy || other.unscheduled.length > plan.unscheduled.length) return undefined;
    const harmed = other.completions.filter((c) => c.lateBy > 0 && before.get(c.job) === 0).map((c) => c.job);
    return { changes, lateBy: over.lateBy, at: over.at, harmed };
  };
  const tried: WayOut[] = [];
  for (let d = 1; d <= MOST_DAYS_SOONER && wanted.release - d * DAY_MINUTES >= 0; d++) {
    const sooner = tryOut([{ do: "deliver", job, at: wanted.release - d * DAY_MINUTES }]);
    if (sooner?.lateBy !== 0 || sooner.harmed.length > 0) continue;
    tried.push(sooner);
    break;
  }
  for (const changes of candidates(problem, plan, wanted, late.at)) {
    if (options.shouldStop?.()) break;
    const way = tryOut(changes);
    if (way) tried.push(way);
  }
  const helps = (w: WayOut) => w.lateBy === 0 && w.harmed.length === 0;
  const good = tried.filter(helps);
  return good.length > 0
    ? good
    : tried.sort((a, b) => a.harmed.length - b.harmed.length || a.lateBy - b.lateBy).slice(0, 3);
}

/** What is worth trying: the least effort first. */
function candidates(problem: ScheduleProblem, plan: ScheduleResult, job: ScheduleJob, at: number): Change[][] {
  const main = job.operations.reduce((most, o) => (longest(o) > longest(most) ? o : most));
  const now = plan.assignments.find((a) => a.operation === main.id);
  const who = main.choices.map((c) => c.person);
  const others = main.pinned ? [] : who.filter((p) => p !== now?.person);
  const people = now ? [now.person, ...others] : who;
  const until = Math.max(job.due, at - DAY_MINUTES);
  const evenings = people.flatMap((person) =>
    lastHours(problem, person, until)
      .slice(0, MOST_DAYS)
      .map((end): Change[] => [{ do: "work", person, from: end, to: end + EVENING }]),
  );
  const mornings = people.flatMap((person) =>
    freeDays(problem, person, until)
      .slice(0, MOST_DAYS)
      .map((day): Change[] => [{ do: "work", person, from: day + MORNING[0], to: day + MORNING[1] }]),
  );
  const [first, second] = people;
  const together =
    first && second
      ? freeDays(problem, first, until)
          .filter((d) => freeDays(problem, second, until).includes(d))
          .slice(0, MOST_DAYS)
          .map((day) =>
            [first, second].map((person): Change => ({
              do: "work",
              person,
              from: day + MORNING[0],
              to: day + MORNING[1],
            })),
          )
      : [];
  const halves = (person: string): Change[] => [
    {
      do: "split",
      operation: main.id,
      shares: [now?.person ?? person, person].map((p) => ({ person: p, share: 0.5 })),
    },
  ];
  return [
    ...others.map((person): Change[] => [{ do: "give", operation: main.id, person }]),
    ...(now && main.kind === "tie" ? others.map(halves) : []),
    ...evenings,
    ...mornings,
    ...together,
  ];
}

const longest = (o: ScheduleJob["operations"][number]): number => Math.max(0, ...o.choices.map((c) => c.minutes));

const windowsOf = (problem: ScheduleProblem, person: string): [number, number][] =>
  problem.people.find((p) => p.id === person)?.windows ?? [];

/** When a person’s working days end, those before a minute. */
function lastHours(problem: ScheduleProblem, person: string, until: number): number[] {
  const ends = new Map<number, number>();
  for (const [start, end] of windowsOf(problem, person))
    if (end <= until)
      ends.set(Math.floor(start / DAY_MINUTES), Math.max(end, ends.get(Math.floor(start / DAY_MINUTES)) ?? 0));
  return [...ends.values()];
}

/** Days before a minute, from the first on which anybody works, on which this person does not work. */
function freeDays(problem: ScheduleProblem, person: string, until: number): number[] {
  const worked = new Set(windowsOf(problem, person).map(([start]) => Math.floor(start / DAY_MINUTES)));
  const begins = Math.min(
    ...problem.people.flatMap((p) => p.windows.map(([start]) => Math.floor(start / DAY_MINUTES))),
  );
  const days: number[] = [];
  for (let d = begins + 1; d * DAY_MINUTES < until; d++) if (!worked.has(d)) days.push(d * DAY_MINUTES);
  return days;
}
