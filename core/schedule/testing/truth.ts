import { nth } from "../../numeric";
import { Random } from "../../numeric";
import type { Knowledge } from "../rehearsal";
import type { ScheduleProblem, ScheduleResult } from "../types";

const DAY = 1440;

/**
 * What really becomes of a plan, once: drawn from the same knowledge as a rehearsal, but written apart from it. Times
 * are pushed back until nothing is broken any more, minute by minute through the windows. Racks are taken to be large
 * enough, stations to have one place.
 *
 * @param goesAhead whether whoever waits takes the first of their work that can be begun, whatever stands before it
 */
export function truthOf(
  problem: ScheduleProblem,
  plan: ScheduleResult,
  known: Knowledge,
  seed: number,
  goesAhead = false,
): Map<string, number> {
  const random = new Random(seed);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random.next())) * Math.cos(2 * Math.PI * random.next());
  const names = Object.values(known.minutes).flatMap((m) => (m.shares ?? []).map((s) => s.name));
  const shared = new Map([...new Set(names)].map((name) => [name, normal()]));
  const arrives = new Map(
    Object.entries(known.arrivals).map(([name, a]) => [
      name,
      a.at + nth(a.daysLate, random.below(a.daysLate.length)) * DAY,
    ]),
  );
  const windows = new Map(
    problem.people.map((p) => {
      const days = [...new Set(p.windows.map(([a]) => Math.floor(a / DAY)))];
      const away = new Set(days.filter(() => random.next() < (known.absence[p.id] ?? 0)));
      return [p.id, p.windows.filter(([a]) => !away.has(Math.floor(a / DAY)))] as const;
    }),
  );
  const operations = problem.jobs.flatMap((job) =>
    job.operations.map((o, k) => ({ job, o, before: job.operations[k - 1]?.id })),
  );
  const at = new Map(plan.assignments.map((a) => [a.operation, a]));
  const work = operations
    .flatMap((x) => {
      const a = at.get(x.o.id);
      if (!a) return [];
      const m = known.minutes[x.o.id];
      const common = (m?.shares ?? []).reduce((sum, s) => sum + s.sd * (shared.get(s.name) ?? 0), 0);
      const error = (m?.own ?? 0) * normal() + common;
      const planned = x.o.choices.find((c) => c.person === a.person)?.minutes ?? 0;
      const flies = known.flies[x.job.id];
      const u = random.next();
      const again = flies?.operation === x.o.id ? flies.missing.filter((p) => u < p).length * flies.minutesPerFly : 0;
      return [{ ...x, a, minutes: Math.max(1, Math.round((planned + again) * Math.exp(error))), start: 0, end: 0 }];
    })
    .sort((x, y) => x.a.start - y.a.start);
  const byId = new Map(work.map((w) => [w.o.id, w]));
  if (goesAhead)
    asTheyCan(work, windows, (w) => [w.job.release, ...(known.waits[w.job.id] ?? []).map((n) => arrives.get(n) ?? 0)]);
  for (let isMoved = !goesAhead; isMoved;) {
    isMoved = false;
    const benches = new Map<string, number>();
    const stations = new Map<string, number>();
    for (const w of work) {
      const own = windows.get(w.a.person) ?? [];
      const before = w.before === undefined ? undefined : byId.get(w.before);
      const waits = (known.waits[w.job.id] ?? []).map((name) => arrives.get(name) ?? 0);
      const ready = Math.max(
        w.job.release,
        ...waits,
        before ? before.end + (before.o.dry?.minutes ?? 0) : 0,
        w.o.station === undefined ? 0 : (stations.get(w.o.station) ?? 0),
      );
      const free = after(own, benches.get(w.a.person) ?? 0, w.a.setupMinutes);
      const start = after(own, Math.max(ready, free), 0);
      const end = after(own, start, w.minutes - 1) + 1;
      if (start !== w.start || end !== w.end) isMoved = true;
      w.start = start;
      w.end = end;
      benches.set(w.a.person, end);
      if (w.o.station !== undefined) stations.set(w.o.station, end);
    }
  }
  const over = new Map<string, number>();
  for (const w of work) over.set(w.job.id, Math.max(over.get(w.job.id) ?? 0, w.end + (w.o.dry?.minutes ?? 0)));
  return over;
}

interface Work {
  job: ScheduleProblem["jobs"][number];
  o: ScheduleProblem["jobs"][number]["operations"][number];
  before: string | undefined;
  a: ScheduleResult["assignments"][number];
  minutes: number;
  start: number;
  end: number;
}
type Windows = ReadonlyMap<string, readonly (readonly [number, number])[]>;

/** One after the other, whatever can be begun first; of what can be begun at the same time, what stands first. */
function asTheyCan(work: Work[], windows: Windows, releases: (w: Work) => number[]): void {
  const left = new Set(work);
  const done = new Map<string, Work>();
  const benches = new Map<string, number>();
  const stations = new Map<string, number>();
  while (left.size > 0) {
    let next: Work | undefined;
    let soonest = Infinity;
    for (const w of left) {
      const before = w.before === undefined ? undefined : done.get(w.before);
      if (w.before !== undefined && !before) continue;
      const own = windows.get(w.a.person) ?? [];
      const ready = Math.max(
        ...releases(w),
        before ? before.end + (before.o.dry?.minutes ?? 0) : 0,
        w.o.station === undefined ? 0 : (stations.get(w.o.station) ?? 0),
      );
      const start = after(own, Math.max(ready, after(own, benches.get(w.a.person) ?? 0, w.a.setupMinutes)), 0);
      if (start >= soonest) continue;
      soonest = start;
      next = w;
    }
    if (!next) throw new Error("Work is left that waits for itself.");
    next.start = soonest;
    next.end = after(windows.get(next.a.person) ?? [], soonest, next.minutes - 1) + 1;
    benches.set(next.a.person, next.end);
    if (next.o.station !== undefined) stations.set(next.o.station, next.end);
    done.set(next.o.id, next);
    left.delete(next);
  }
}

/** The minute of work that comes so many working minutes after the first one at or after `from`. */
function after(windows: readonly (readonly [number, number])[], from: number, minutes: number): number {
  let left = minutes;
  for (const [start, end] of windows) {
    if (end <= from) continue;
    const begins = Math.max(start, from);
    if (begins + left < end) return begins + left;
    left -= end - begins;
  }
  return (windows.at(-1)?.[1] ?? 0) + 90 * DAY + left;
}
