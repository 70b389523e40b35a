import { nth } from "../../numeric";
import { Random } from "../../numeric";
import type { Knowledge } from "../rehearsal";
import type { ScheduleProblem, ScheduleResult } from "../types";

const DAY = 1440;

/**
 * What really becomes of a plan, once: drawn from the same knowledge as a rehearsal, but written apart from it. Times
 * are pushed back until nothing is broken any more, minute by minute through the windows. Racks are taken to be large
 * enough, stations to have one place.
 */
export function truthOf(
  problem: ScheduleProblem,
  plan: ScheduleResult,
  known: Knowledge,
  seed: number,
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
  for (let isMoved = true; isMoved;) {
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
