import { nth } from "../numeric";
import { completionsOf, costOf, lowerBoundOf } from "./cost";
import { endsBefore, Floor, type Candidate, type Hold } from "./floor";
import type {
  Assignment,
  ScheduleJob,
  ScheduleOperation,
  ScheduleProblem,
  ScheduleResult,
  UnscheduledReason,
} from "./types";

type Left = { job: string; reason: UnscheduledReason };

/** Only so many jobs compete at once for a bench that is free: those that are due first, and those begun. */
const MOST_AT_ONCE = 400;
/** After so many rounds half of what is due last is left out too, so that the last round comes soon. */
const ROUNDS = 3;

/**
 * A first plan by a dispatch rule: whenever a bench could begin something, the work that can begin first is placed;
 * of several, the job that is due first, then the heavier, then the one whose change-over is shorter.
 * A pinned operation takes its place when its time has come. A job is not begun unless it could still be finished; one
 * that could not be after all, because others took the hours, is left out, and the plan is made again without all of
 * them: a few rounds at most, however many jobs do not fit.
 *
 * Deterministic. Cost: operations × the jobs that compete (400 at most) × a few binary searches.
 *
 * @returns every job either whole in `assignments`, or in `unscheduled` with its reason
 */
export function dispatch(problem: ScheduleProblem): ScheduleResult {
  const floor = new Floor(problem);
  const left: Left[] = [];
  let jobs: ScheduleJob[] = [];
  for (const job of problem.jobs) {
    const reason = impossible(floor, job);
    if (reason) left.push({ job: job.id, reason });
    else jobs.push(job);
  }
  let outcome = new Dispatcher(problem, jobs).run();
  for (let round = 1; ; round++) {
    left.push(...outcome.left);
    const gone = new Set(outcome.left.map((l) => l.job));
    jobs = jobs.filter((j) => !gone.has(j.id));
    if (!outcome.isBroken) break;
    if (round >= ROUNDS) jobs = withoutLastHalf(jobs, left);
    outcome = new Dispatcher(problem, jobs).run();
  }
  const { assignments } = outcome;
  const completions = completionsOf(problem, assignments);
  return {
    assignments,
    completions,
    cost: costOf(problem, assignments, completions),
    lowerBound: lowerBoundOf(problem, jobs),
    iterations: 0,
    unscheduled: left,
  };
}

function withoutLastHalf(jobs: ScheduleJob[], left: Left[]): ScheduleJob[] {
  const sorted = [...jobs].sort(soonest);
  const stay = sorted.slice(0, Math.floor(sorted.length / 2));
  for (const job of sorted.slice(stay.length))
    left.push({ job: job.id, reason: { code: "HOURS_USED_UP", details: { kind: job.operations[0]?.kind ?? "tie" } } });
  return stay;
}

const soonest = (a: ScheduleJob, b: ScheduleJob): number =>
  a.due - b.due || b.weight - a.weight || (a.id < b.id ? -1 : 1);

function impossible(floor: Floor, job: ScheduleJob): UnscheduledReason | undefined {
  for (const o of job.operations) {
    if (!o.choices.some((c) => floor.has(c.person))) return { code: "NOBODY_CAN", details: { kind: o.kind } };
    if (o.dry && floor.placesOf(o.dry.rack) < o.dry.places)
      return { code: "RACK_TOO_SMALL", details: { places: o.dry.places } };
  }
  return undefined;
}

/** A job under way: what is placed of it, and where its next operation could go with each of its people. */
interface Running {
  job: ScheduleJob;
  next: number;
  /** When each placed operation is over, its dry included. */
  over: Map<string, number>;
  hold?: Hold;
  by: Map<string, Candidate | undefined>;
  best?: Candidate;
}

interface Outcome {
  assignments: Assignment[];
  /** Jobs that found no place. */
  left: Left[];
  /** Whether some of them were begun: then the plan is not one. */
  isBroken: boolean;
}

class Dispatcher {
  private readonly floor: Floor;
  private readonly placed: Assignment[] = [];
  private readonly left: Left[] = [];
  /** Jobs that compete, and those that will: the soonest first. */
  private open: Running[] = [];
  private readonly waiting: ScheduleJob[];

  constructor(problem: ScheduleProblem, jobs: ScheduleJob[]) {
    this.floor = new Floor(problem);
    this.waiting = [...jobs].sort(soonest).reverse();
  }

  run(): Outcome {
    let isBroken = false;
    for (;;) {
      this.letIn();
      const running = this.first();
      if (running?.best) this.placeOrLeave(running, running.best);
      else if (this.open.length > 0) {
        // Nothing of what competes can be placed any more.
        isBroken ||= this.open.some((r) => r.next > 0);
        for (const r of this.open) this.left.push({ job: r.job.id, reason: this.reasonOf(r) });
        this.open = [];
      } else return { assignments: this.placed, left: this.left, isBroken };
    }
  }

  private letIn(): void {
    while (this.open.length < MOST_AT_ONCE) {
      const job = this.waiting.pop();
      if (!job) return;
      const running: Running = { job, next: 0, over: new Map(), by: new Map() };
      this.lookAgain(running);
      this.open.push(running);
    }
  }

  private first(): Running | undefined {
    let first: Running | undefined;
    for (const r of this.open)
      if (r.best && (!first?.best || this.before(r.best, r.job, first.best, first.job))) first = r;
    return first;
  }

  private before(a: Candidate, jobA: ScheduleJob, b: Candidate, jobB: ScheduleJob): boolean {
    if (a.setupStart !== b.setupStart) return a.setupStart < b.setupStart;
    if (jobA.due !== jobB.due) return jobA.due < jobB.due;
    if (jobA.weight !== jobB.weight) return jobA.weight > jobB.weight;
    if (a.setupMinutes !== b.setupMinutes) return a.setupMinutes < b.setupMinutes;
    return jobA.id < jobB.id;
  }

  /** Places a job's next operation; one that is not begun and could no longer be finished is left out instead. */
  private placeOrLeave(running: Running, at: Candidate): void {
    const stuckAt = running.next === 0 ? this.neverFits(running.job) : undefined;
    if (stuckAt) {
      this.left.push({ job: running.job.id, reason: this.reasonFor(stuckAt) });
      this.open = this.open.filter((r) => r !== running);
    } else this.place(running, at);
  }

  /** The first operation of a job that has no place before the horizon even if nothing else were placed from now on. */
  private neverFits(job: ScheduleJob): ScheduleOperation | undefined {
    const over = new Map<string, number>();
    for (const [i, operation] of job.operations.entries()) {
      const ready = readyAt(job, i, over);
      const ends = placesFor(operation, ready).map(
        ({ choice, from }) => this.floor.earliest(operation, choice, from)?.end,
      );
      const end = Math.min(...ends.map((e) => e ?? Infinity));
      // A rack that is full for now may be emptied by then.
      if (end === Infinity) return operation.dry && this.fitsWithoutRack(operation) ? undefined : operation;
      over.set(operation.id, end + (operation.dry?.minutes ?? 0));
    }
    return undefined;
  }

  private place(running: Running, at: Candidate): void {
    const operation = nth(running.job.operations, running.next);
    const { benchFree: _free, ...assignment } = at;
    this.placed.push(assignment);
    running.over.set(operation.id, at.dryUntil ?? at.end);
    running.next++;
    const isLast = running.next === running.job.operations.length;
    const wasOnRack = running.hold !== undefined;
    running.hold = this.floor.take(operation, at, running.hold, isLast);
    if (isLast) this.open = this.open.filter((r) => r !== running);
    else this.lookAgain(running);
    for (const other of this.open) {
      const { station, dry } = nth(other.job.operations, other.next);
      const isTouched = (operation.station && station === operation.station) || (dry && (wasOnRack || operation.dry));
      if (isTouched) this.lookAgain(other);
      else if (other.by.has(at.person)) this.lookAgain(other, at.person);
    }
  }

  /** Finds the places of a job's next operation anew: with one of its people, or with all. */
  private lookAgain(running: Running, person?: string): void {
    const operation = nth(running.job.operations, running.next);
    const ready = readyAt(running.job, running.next, running.over);
    if (person === undefined) running.by.clear();
    for (const { choice, from } of placesFor(operation, ready)) {
      if (person !== undefined && choice.person !== person) continue;
      const candidate = this.floor.earliest(operation, choice, from);
      const isThere = !operation.pinned || candidate?.start === operation.pinned.start;
      running.by.set(choice.person, isThere ? candidate : undefined);
    }
    running.best = undefined;
    for (const { person: by } of operation.choices) {
      const candidate = running.by.get(by);
      if (candidate && endsBefore(candidate, running.best)) running.best = candidate;
    }
  }

  private reasonOf = (running: Running): UnscheduledReason => this.reasonFor(nth(running.job.operations, running.next));

  private reasonFor(operation: ScheduleOperation): UnscheduledReason {
    if (operation.pinned) return { code: "PIN_IMPOSSIBLE", details: {} };
    if (operation.dry && this.fitsWithoutRack(operation)) return { code: "RACK_FULL", details: {} };
    return { code: "HOURS_USED_UP", details: { kind: operation.kind } };
  }

  private fitsWithoutRack(operation: ScheduleOperation): boolean {
    return operation.choices.some((c) => this.floor.earliest({ ...operation, dry: undefined }, c, 0) !== undefined);
  }
}

/** The minute from which an operation can begin: what it waits for is over. */
export function readyAt(job: ScheduleJob, index: number, over: ReadonlyMap<string, number>): number {
  const operation = nth(job.operations, index);
  const before = operation.after ?? job.operations.slice(Math.max(0, index - 1), index).map((o) => o.id);
  return Math.max(job.release, ...before.map((id) => over.get(id) ?? 0));
}

/** With whom, and from when, an operation may be placed: a pinned one with one person only. */
function placesFor(
  { choices, pinned }: ScheduleOperation,
  ready: number,
): { choice: ScheduleOperation["choices"][number]; from: number }[] {
  const own = pinned ? choices.filter((c) => c.person === pinned.person) : choices;
  return own.map((choice) => ({ choice, from: pinned ? Math.max(ready, pinned.start) : ready }));
}
