import { nth } from "../numeric";
import { Calendar } from "./calendar";
import { completionsOf, costOf, lowerBoundOf, setupMinutes } from "./cost";
import type {
  Assignment,
  ScheduleJob,
  ScheduleOperation,
  ScheduleProblem,
  ScheduleResult,
  SetupState,
  UnscheduledReason,
} from "./types";

interface Bench {
  calendar: Calendar;
  /** Index of the first working minute not yet given away. */
  free: number;
  state?: SetupState;
}

/** Flies on a rack: from the end of an operation until the next one of the job takes them off. */
interface Hold {
  from: number;
  until: number;
  places: number;
}

interface Running {
  job: ScheduleJob;
  next: number;
  /** When each placed operation is over, its dry included. */
  over: Map<string, number>;
  hold?: Hold;
}

interface Candidate extends Assignment {
  benchFree: number;
}

/**
 * A first plan by a dispatch rule: whenever a bench could begin something, the work that can begin first is placed;
 * of several, the job that is due first, then the heavier, then the one whose change-over is shorter.
 * A pinned operation takes its place when its time has come.
 *
 * Deterministic. Cost: operations × open jobs × choices, each with a few binary searches.
 *
 * @returns every job either whole in `assignments`, or in `unscheduled` with its reason
 */
export function dispatch(problem: ScheduleProblem): ScheduleResult {
  const unscheduled: { job: string; reason: UnscheduledReason }[] = [];
  let assignments: Assignment[] | undefined;
  while (!assignments) {
    const left = new Set(unscheduled.map((u) => u.job));
    const outcome = new Dispatcher(
      problem,
      problem.jobs.filter((j) => !left.has(j.id)),
    ).run();
    // A job that cannot be finished may have changed set-ups and held places: the plan is begun again without it.
    if ("stuck" in outcome) unscheduled.push(outcome.stuck);
    else assignments = outcome.assignments;
  }
  const left = new Set(unscheduled.map((u) => u.job));
  const completions = completionsOf(problem, assignments);
  return {
    assignments,
    completions,
    cost: costOf(problem, assignments, completions),
    lowerBound: lowerBoundOf(
      problem,
      problem.jobs.filter((j) => !left.has(j.id)),
    ),
    iterations: 0,
    unscheduled,
  };
}

type Outcome = { assignments: Assignment[] } | { stuck: { job: string; reason: UnscheduledReason } };

class Dispatcher {
  private readonly benches: Map<string, Bench>;
  private readonly stations: Map<string, { capacity: number; busy: [number, number][] }>;
  private readonly racks: Map<string, { places: number; holds: Hold[] }>;
  private readonly placed = new Map<string, Assignment>();

  constructor(
    private readonly problem: ScheduleProblem,
    private readonly jobs: ScheduleJob[],
  ) {
    this.benches = new Map(
      problem.people.map((p) => [p.id, { calendar: new Calendar(p.windows), free: 0, state: p.setupState }]),
    );
    this.stations = new Map(problem.stations.map((s) => [s.id, { capacity: s.capacity, busy: [] }]));
    this.racks = new Map(problem.racks.map((r) => [r.id, { places: r.places, holds: [] }]));
  }

  run(): Outcome {
    let open: Running[] = this.jobs.map((job) => ({ job, next: 0, over: new Map() }));
    for (const { job } of open) {
      const reason = this.impossible(job);
      if (reason) return { stuck: { job: job.id, reason } };
    }
    while (open.length > 0) {
      const best = this.choose(open);
      if (!best) return { stuck: this.stuckJob(open) };
      this.place(best.running, best.candidate);
      open = open.filter((r) => r.next < r.job.operations.length);
    }
    return { assignments: [...this.placed.values()] };
  }

  private impossible(job: ScheduleJob): UnscheduledReason | undefined {
    for (const o of job.operations) {
      if (!o.choices.some((c) => this.benches.has(c.person))) return { code: "NOBODY_CAN", details: { kind: o.kind } };
      if (o.dry && (this.racks.get(o.dry.rack)?.places ?? 0) < o.dry.places)
        return { code: "RACK_TOO_SMALL", details: { places: o.dry.places } };
    }
    return undefined;
  }

  private choose(open: Running[]): { running: Running; candidate: Candidate } | undefined {
    let best: { running: Running; candidate: Candidate } | undefined;
    for (const running of open) {
      const candidate = this.bestFor(running);
      if (candidate && (!best || this.before(candidate, running.job, best.candidate, best.running.job)))
        best = { running, candidate };
    }
    return best;
  }

  private before(a: Candidate, jobA: ScheduleJob, b: Candidate, jobB: ScheduleJob): boolean {
    if (a.setupStart !== b.setupStart) return a.setupStart < b.setupStart;
    if (jobA.due !== jobB.due) return jobA.due < jobB.due;
    if (jobA.weight !== jobB.weight) return jobA.weight > jobB.weight;
    if (a.setupMinutes !== b.setupMinutes) return a.setupMinutes < b.setupMinutes;
    return jobA.id < jobB.id;
  }

  /** The choice that ends first for a job's next operation, if any fits before the horizon now. */
  private bestFor(running: Running): Candidate | undefined {
    const operation = nth(running.job.operations, running.next);
    const ready = this.readyAt(running, operation);
    let best: Candidate | undefined;
    for (const choice of operation.choices) {
      if (operation.pinned && operation.pinned.person !== choice.person) continue;
      const candidate = this.earliest(
        operation,
        choice,
        operation.pinned ? Math.max(ready, operation.pinned.start) : ready,
      );
      if (!candidate || (operation.pinned && candidate.start !== operation.pinned.start)) continue;
      if (
        !best ||
        candidate.end < best.end ||
        (candidate.end === best.end && candidate.setupMinutes < best.setupMinutes)
      )
        best = candidate;
    }
    return best;
  }

  private readyAt(running: Running, operation: ScheduleOperation): number {
    const before =
      operation.after ?? running.job.operations.slice(Math.max(0, running.next - 1), running.next).map((o) => o.id);
    return Math.max(running.job.release, ...before.map((id) => running.over.get(id) ?? 0));
  }

  private earliest(
    operation: ScheduleOperation,
    choice: { person: string; minutes: number },
    ready: number,
  ): Candidate | undefined {
    const bench = this.benches.get(choice.person);
    if (!bench) return undefined;
    const setup = setupMinutes(this.problem.setup, bench.state, operation.setupState);
    let startIndex = Math.max(bench.free + setup, bench.calendar.indexAt(ready));
    for (;;) {
      const start = bench.calendar.clockAt(startIndex);
      const last = bench.calendar.clockAt(startIndex + choice.minutes - 1);
      const setupStart = bench.calendar.clockAt(startIndex - setup);
      if (start === undefined || last === undefined || setupStart === undefined || last + 1 > this.problem.horizon)
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
    const clash = station.busy.filter(([a, b]) => a < end && b > start);
    return clash.length < station.capacity ? undefined : Math.min(...clash.map(([, b]) => b));
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
    for (const h of [...holds].sort((a, b) => a.until - b.until)) {
      used -= h.places;
      if (used + operation.dry.places <= rack.places) return h.until;
    }
    return Infinity;
  }

  private place(running: Running, candidate: Candidate): void {
    const operation = nth(running.job.operations, running.next);
    const bench = this.benches.get(candidate.person) as Bench;
    const { benchFree, ...assignment } = candidate;
    bench.free = benchFree;
    if (operation.setupState) bench.state = operation.setupState;
    this.placed.set(operation.id, assignment);
    running.over.set(operation.id, assignment.dryUntil ?? assignment.end);
    if (operation.station) this.stations.get(operation.station)?.busy.push([assignment.start, assignment.end]);
    if (running.hold) running.hold.until = assignment.start;
    running.hold = undefined;
    running.next++;
    if (operation.dry) {
      const isLast = running.next === running.job.operations.length;
      const hold = {
        from: assignment.end,
        until: isLast ? assignment.end + operation.dry.minutes : Infinity,
        places: operation.dry.places,
      };
      this.racks.get(operation.dry.rack)?.holds.push(hold);
      if (!isLast) running.hold = hold;
    }
  }

  /** Nothing can be placed any more: the job that is due last comes out of the plan, with its reason. */
  private stuckJob(open: Running[]): { job: string; reason: UnscheduledReason } {
    const worst = open.reduce((a, b) => (b.job.due > a.job.due ? b : a));
    const operation = nth(worst.job.operations, worst.next);
    const reason: UnscheduledReason = operation.pinned
      ? { code: "PIN_IMPOSSIBLE", details: {} }
      : operation.dry && this.choicesFitWithoutRack(operation)
        ? { code: "RACK_FULL", details: {} }
        : { code: "HOURS_USED_UP", details: { kind: operation.kind } };
    return { job: worst.job.id, reason };
  }

  private choicesFitWithoutRack(operation: ScheduleOperation): boolean {
    return operation.choices.some((c) => this.earliest({ ...operation, dry: undefined }, c, 0) !== undefined);
  }
}
