import { Hours } from "./hours";
import { setupMinutes } from "../cost";
import type { ScheduleJob, ScheduleProblem, SetupState } from "../types";

/** Nobody, nothing, nowhere: where there is no index to give. */
export const NONE = -1;

/**
 * A problem in flat arrays, for the inner loops of the search. Operations are numbered job by job, in their order, so
 * that the one after an operation in its job is the next number. Indices are bounded by how the arrays are made, which
 * is why this folder reads them with `!`.
 */
export class Model {
  readonly hours: Hours;
  readonly ops: number;
  readonly jobs: number;
  readonly people: number;
  // Of each job.
  readonly release: Int32Array;
  /** As it is given: time in the room counts from there, also from before the beginning. */
  readonly given0: Float64Array;
  readonly due: Float64Array;
  readonly weight: Float64Array;
  readonly firstOp: Int32Array;
  /** Whether each operation follows the one before it and nothing else. */
  readonly isChain: Uint8Array;
  // Of each operation.
  readonly jobOf: Int32Array;
  readonly isFirst: Uint8Array;
  readonly isLast: Uint8Array;
  /** Whether it waits for the one before it in its job. */
  readonly follows: Uint8Array;
  readonly station: Int32Array;
  readonly rack: Int32Array;
  readonly places: Int32Array;
  readonly dry: Int32Array;
  readonly setup: Int32Array;
  readonly pinnedTo: Int32Array;
  readonly pinnedAt: Int32Array;
  /** Operations that must be over before: from `predsFrom[o]` to `predsFrom[o + 1]`, exclusive. */
  readonly predsFrom: Int32Array;
  readonly preds: Int32Array;
  /** Who may do it: people from `choicesFrom[o]` to `choicesFrom[o + 1]`, exclusive. */
  readonly choicesFrom: Int32Array;
  readonly choices: Int32Array;
  /** Minutes of operation o by person p at `o × people + p`; 0 where they may not. */
  readonly minutes: Int32Array;
  // Of the room.
  readonly capacity: Int32Array;
  readonly rackPlaces: Int32Array;
  /** What is set up at first; NONE for nothing. */
  readonly initial: Int32Array;
  private readonly states: SetupState[] = [];
  /** Change-over minutes from state a (NONE: row 0) to state b, at `(a + 1) × states + b`. */
  private readonly changeOver: Int32Array;
  private readonly stateCount: number;
  /** Pinned operations of each person, the earliest first. */
  readonly pins: Int32Array[];
  /** Whether any rack could ever be full. */
  readonly mindsRacks: boolean;
  readonly hasPins: boolean;
  /** Whether an operation waits for one that its job names later. */
  readonly isTangled: boolean;

  constructor(
    readonly problem: ScheduleProblem,
    readonly given: ScheduleJob[],
    /** Those of another model of the same people, where there is one: they take long to tabulate. */
    hours?: Hours,
  ) {
    const personAt = new Map(problem.people.map((p, i) => [p.id, i]));
    const stationAt = new Map(problem.stations.map((s, i) => [s.id, i]));
    const rackAt = new Map(problem.racks.map((r, i) => [r.id, i]));
    const all = given.flatMap((j) => j.operations);
    const opAt = new Map(all.map((o, i) => [o.id, i]));
    this.hours =
      hours ??
      new Hours(
        problem.people.map((p) => p.windows),
        problem.horizon,
      );
    this.jobs = given.length;
    this.ops = all.length;
    this.people = problem.people.length;
    this.release = Int32Array.from(given, (j) => Math.max(0, j.release));
    this.given0 = Float64Array.from(given, (j) => j.release);
    this.due = Float64Array.from(given, (j) => j.due);
    this.weight = Float64Array.from(given, (j) => j.weight);
    this.firstOp = new Int32Array(this.jobs + 1);
    this.jobOf = new Int32Array(this.ops);
    this.isFirst = new Uint8Array(this.ops);
    this.isLast = new Uint8Array(this.ops);
    this.isChain = new Uint8Array(this.jobs).fill(1);
    given.forEach((j, i) => {
      const first = this.firstOp[i]!;
      this.firstOp[i + 1] = first + j.operations.length;
      this.jobOf.fill(i, first, first + j.operations.length);
      if (j.operations.length > 0) {
        this.isFirst[first] = 1;
        this.isLast[first + j.operations.length - 1] = 1;
      }
      if (
        j.operations.some(
          (o, k) => o.after && !(k > 0 && o.after.length === 1 && opAt.get(o.after[0] ?? "") === first + k - 1),
        )
      )
        this.isChain[i] = 0;
    });
    this.station = Int32Array.from(all, (o) => (o.station === undefined ? NONE : (stationAt.get(o.station) ?? NONE)));
    this.rack = Int32Array.from(all, (o) => (o.dry ? (rackAt.get(o.dry.rack) ?? NONE) : NONE));
    this.places = Int32Array.from(all, (o) => o.dry?.places ?? 0);
    this.dry = Int32Array.from(all, (o) => o.dry?.minutes ?? 0);
    this.pinnedTo = Int32Array.from(all, (o) => (o.pinned ? (personAt.get(o.pinned.person) ?? NONE) : NONE));
    this.pinnedAt = Int32Array.from(all, (o) => o.pinned?.start ?? NONE);
    const stateAt = new Map<string, number>();
    const stateOf = (s: SetupState | undefined): number => {
      if (!s) return NONE;
      const key = JSON.stringify([s.pattern, s.thread, s.hook]);
      const known = stateAt.get(key);
      if (known !== undefined) return known;
      this.states.push(s);
      stateAt.set(key, this.states.length - 1);
      return this.states.length - 1;
    };
    this.setup = Int32Array.from(all, (o) => stateOf(o.setupState));
    this.initial = Int32Array.from(problem.people, (p) => stateOf(p.setupState));
    this.stateCount = this.states.length;
    this.changeOver = this.changeOvers(problem);
    const preds = given.map((j, i) =>
      j.operations.map((o, k) =>
        o.after ? o.after.map((id) => opAt.get(id)!) : k > 0 ? [this.firstOp[i]! + k - 1] : [],
      ),
    );
    [this.predsFrom, this.preds] = flat(preds.flat());
    this.follows = Uint8Array.from(all, (_, o) => (o > 0 && this.predsOf(o).includes(o - 1) ? 1 : 0));
    this.isTangled = all.some((_, o) => this.predsOf(o).some((before) => before > o));
    const own = all.map((o, i) => {
      const who = o.choices.flatMap((c) => personAt.get(c.person) ?? []);
      return this.pinnedAt[i] === NONE ? [...new Set(who)] : who.filter((p) => p === this.pinnedTo[i]).slice(0, 1);
    });
    [this.choicesFrom, this.choices] = flat(own);
    this.minutes = new Int32Array(this.ops * this.people);
    all.forEach((o, i) => {
      for (const c of o.choices) {
        const p = personAt.get(c.person);
        const isOwn = p !== undefined && (this.pinnedAt[i] === NONE || this.pinnedTo[i] === p);
        // Of one who is named twice the first counts, as for `checkSchedule`.
        if (isOwn && !this.minutes[i * this.people + p]) this.minutes[i * this.people + p] = c.minutes;
      }
    });
    this.capacity = Int32Array.from(problem.stations, (s) => s.capacity);
    this.rackPlaces = Int32Array.from(problem.racks, (r) => r.places);
    this.pins = problem.people.map((_, p) =>
      Int32Array.from(all.flatMap((_o, i) => (this.pinnedAt[i] !== NONE && this.pinnedTo[i] === p ? [i] : []))).sort(
        (a, b) => this.pinnedAt[a]! - this.pinnedAt[b]!,
      ),
    );
    this.hasPins = this.pins.some((p) => p.length > 0);
    const wanted = new Float64Array(problem.racks.length);
    for (let o = 0; o < this.ops; o++) if (this.rack[o]! >= 0) wanted[this.rack[o]!]! += this.places[o]!;
    this.mindsRacks = wanted.some((w, r) => w > this.rackPlaces[r]!);
  }

  /** Change-over minutes before each operation of a list, by the order in which each person does them. */
  changeOversOf(list: Int32Array, who: Int32Array, index: Int32Array): Int32Array {
    const minutes = new Int32Array(this.ops);
    const state = this.initial.slice();
    for (const o of list.slice().sort((a, b) => index[a]! - index[b]!)) {
      const p = who[o]!;
      minutes[o] = this.changeOverTo(state[p]!, this.setup[o]!);
      if (this.setup[o]! >= 0) state[p] = this.setup[o]!;
    }
    return minutes;
  }

  /** Minutes that an operation takes whoever is quickest; 0 where nobody may do it. */
  leastMinutes(o: number): number {
    let least = Infinity;
    for (let c = this.choicesFrom[o]!; c < this.choicesFrom[o + 1]!; c++)
      least = Math.min(least, this.minutes[o * this.people + this.choices[c]!]!);
    return least === Infinity ? 0 : least;
  }

  predsOf(o: number): Int32Array {
    return this.preds.subarray(this.predsFrom[o], this.predsFrom[o + 1]);
  }

  private changeOvers(problem: Pick<ScheduleProblem, "setup" | "readyThreads">): Int32Array {
    const n = this.stateCount;
    const minutes = new Int32Array((n + 1) * n);
    this.states.forEach((to, b) => {
      minutes[b] = setupMinutes(problem, undefined, to);
      this.states.forEach((from, a) => {
        minutes[(a + 1) * n + b] = setupMinutes(problem, from, to);
      });
    });
    return minutes;
  }

  /** Change-over minutes from one state to another; NONE is nothing set up, or an operation that needs nothing. */
  changeOverTo(from: number, to: number): number {
    return to < 0 ? 0 : this.changeOver[(from + 1) * this.stateCount + to]!;
  }
}

/** Lists of numbers as one array, and where each of them begins. */
function flat(lists: number[][]): [from: Int32Array, all: Int32Array] {
  const from = new Int32Array(lists.length + 1);
  lists.forEach((l, i) => (from[i + 1] = from[i]! + l.length));
  return [from, Int32Array.from(lists.flat())];
}
