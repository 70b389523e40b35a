import { nth } from "../numeric";
import { Calendar } from "./calendar";
import { setupMinutes } from "./cost";
import type { Assignment, ScheduleJob, ScheduleOperation, SchedulePerson, ScheduleProblem, SetupState } from "./types";

interface Bench {
  calendar: Calendar;
  /** Index of the first working minute not yet given away. */
  free: number;
  state?: SetupState;
}

/** Flies on a rack: from the end of an operation until the next one of the job takes them off. */
export interface Hold {
  from: number;
  until: number;
  places: number;
}

/** A place that an operation could take. */
export interface Candidate extends Assignment {
  benchFree: number;
}

/** What is taken already: places at stations, and on racks, by their ids. */
export interface Taken {
  stations: Record<string, [number, number][]>;
  racks: Record<string, Hold[]>;
}

/** The benches, stations and racks of a room while work is placed on them, one operation after another. */
export class Floor {
  private readonly benches: Map<string, Bench>;
  private readonly stations: Map<string, { capacity: number; busy: [number, number][] }>;
  private readonly racks: Map<string, { places: number; holds: Hold[] }>;
  private readonly setup: ScheduleProblem["setup"];
  private readonly horizon: number;

  constructor(problem: Omit<ScheduleProblem, "jobs" | "objective">, taken: Taken = { stations: {}, racks: {} }) {
    this.benches = new Map(problem.people.map((p) => [p.id, benchOf(p)]));
    this.stations = new Map(
      problem.stations.map((s) => [s.id, { capacity: s.capacity, busy: [...(taken.stations[s.id] ?? [])] }]),
    );
    this.racks = new Map(problem.racks.map((r) => [r.id, { places: r.places, holds: [...(taken.racks[r.id] ?? [])] }]));
    this.setup = problem.setup;
    this.horizon = problem.horizon;
  }

  has(person: string): boolean {
    return this.benches.has(person);
  }

  placesOf(rack: string): number {
    return this.racks.get(rack)?.places ?? 0;
  }

  /** The earliest place of an operation with one of its people; undefined where none ends before the horizon. */
  earliest(
    operation: ScheduleOperation,
    choice: { person: string; minutes: number },
    ready: number,
  ): Candidate | undefined {
    const bench = this.benches.get(choice.person);
    if (!bench) return undefined;
    const setup = setupMinutes(this.setup, bench.state, operation.setupState);
    let startIndex = Math.max(bench.free + setup, bench.calendar.indexAt(ready));
    for (;;) {
      const start = bench.calendar.clockAt(startIndex);
      const last = bench.calendar.clockAt(startIndex + choice.minutes - 1);
      const setupStart = bench.calendar.clockAt(startIndex - setup);
      if (start === undefined || last === undefined || setupStart === undefined || last + 1 > this.horizon)
        return undefined;
      const end = last + 1;
      const later = this.stationFree(operation, start, end) ?? this.rackFree(operation, end);
      if (later === Infinity) return undefined;
      if (later === undefined)
        return {
          operation: operation.id,
          person: choice.person,
          setupStart,
          start,
          end,
          setupMinutes: setup,
          ...(operation.dry && { dryUntil: end + operation.dry.minutes }),
          benchFree: startIndex + choice.minutes,
        };
      // At least a minute further each time: the horizon ends it.
      startIndex = Math.max(
        startIndex + 1,
        later > end ? bench.calendar.indexAt(later) - choice.minutes + 1 : bench.calendar.indexAt(later),
      );
    }
  }

  /** Undefined when the station has a place all the while; else the minute at which one more becomes free. */
  private stationFree(operation: ScheduleOperation, start: number, end: number): number | undefined {
    const station = operation.station ? this.stations.get(operation.station) : undefined;
    if (!station) return undefined;
    let clashes = 0;
    let freed = Infinity;
    for (const [a, b] of station.busy)
      if (a < end && b > start) {
        clashes++;
        freed = Math.min(freed, b);
      }
    return clashes < station.capacity ? undefined : freed;
  }

  /**
   * Undefined when the flies find places from `end` on; else when enough come free, later than `end`.
   * Flies whose next operation is not placed yet stay for good as far as is known: Infinity, until it is.
   */
  private rackFree(operation: ScheduleOperation, end: number): number | undefined {
    const rack = operation.dry ? this.racks.get(operation.dry.rack) : undefined;
    if (!rack || !operation.dry) return undefined;
    const holds = rack.holds.filter((h) => h.until > end);
    let used = holds.reduce((sum, h) => sum + h.places, 0);
    if (used + operation.dry.places <= rack.places) return undefined;
    for (const h of holds.sort((a, b) => a.until - b.until)) {
      used -= h.places;
      if (used + operation.dry.places <= rack.places) return h.until;
    }
    return Infinity;
  }

  /**
   * Takes a place. @param from the hold of the flies until then, which ends as this begins
   * @param isLast whether nothing comes after: then the flies leave the rack when they are dry
   * @returns the hold of the flies from now on, while they wait for what comes next
   */
  take(operation: ScheduleOperation, at: Candidate, from: Hold | undefined, isLast: boolean): Hold | undefined {
    const bench = this.benches.get(at.person);
    if (bench) {
      bench.free = at.benchFree;
      bench.state = operation.setupState ?? bench.state;
    }
    if (operation.station) this.stations.get(operation.station)?.busy.push([at.start, at.end]);
    if (from) from.until = at.start;
    if (!operation.dry) return undefined;
    const { rack, minutes, places } = operation.dry;
    const hold = { from: at.end, until: isLast ? at.end + minutes : Infinity, places };
    this.racks.get(rack)?.holds.push(hold);
    return isLast ? undefined : hold;
  }
}

const benchOf = ({ windows, setupState }: SchedulePerson): Bench => ({
  calendar: new Calendar(windows),
  free: 0,
  state: setupState,
});

/** Whether one place is better than another for the same operation: it ends first, or its change-over is shorter. */
export const endsBefore = (a: Candidate, b: Candidate | undefined): boolean =>
  !b || a.end < b.end || (a.end === b.end && a.setupMinutes < b.setupMinutes);

/** The minute from which an operation can begin: what it waits for is over. */
export function readyAt(job: ScheduleJob, index: number, over: ReadonlyMap<string, number>): number {
  const operation = nth(job.operations, index);
  const before = operation.after ?? job.operations.slice(Math.max(0, index - 1), index).map((o) => o.id);
  return Math.max(job.release, ...before.map((id) => over.get(id) ?? 0));
}
