import type { Coded } from "../errors";

/**
 * A schedule as data. All times are integer minutes from the start of the horizon; see docs/scheduling.md for the
 * rules.
 */
export interface SetupState {
  pattern: string;
  thread: string;
  hook: string;
}

export interface SchedulePerson {
  id: string;
  /** Working windows [start, end): sorted, disjoint, rests already taken off. */
  windows: [number, number][];
  /** What is set up on the bench at 0. */
  setupState?: SetupState;
}

export interface ScheduleOperation {
  id: string;
  kind: "prep" | "tie" | "coat" | "inspect" | "pack";
  /** Who may do it, and how many minutes it takes them. */
  choices: { person: string; minutes: number }[];
  /** These instead of the operation before it. */
  after?: string[];
  /** Also held while the work is being done. */
  station?: string;
  setupState?: SetupState;
  /** After it: passive, in clock minutes, holding rack places. */
  dry?: { minutes: number; rack: string; places: number };
  /** Must stay exactly there. */
  pinned?: { person: string; start: number };
}

export interface ScheduleJob {
  id: string;
  release: number;
  due: number;
  weight: number;
  operations: ScheduleOperation[];
}

export interface ScheduleProblem {
  horizon: number;
  people: SchedulePerson[];
  stations: { id: string; capacity: number }[];
  racks: { id: string; places: number }[];
  jobs: ScheduleJob[];
  /** Minutes added where that part of the set-up differs. */
  setup: { pattern: number; thread: number; hook: number };
  /** Threads that stand ready on a loaded bobbin: changing to one of them takes no minutes of its own. */
  readyThreads?: string[];
  objective: { tardiness: number; setup: number; flow: number; makespan: number };
}

export interface Assignment {
  operation: string;
  person: string;
  setupStart: number;
  start: number;
  end: number;
  setupMinutes: number;
  dryUntil?: number;
}

export interface SolveOptions {
  /** Of the random choices: any whole number. */
  seed: number;
  /** How many changes are tried. */
  iterations?: number;
  /** After so many milliseconds the search ends, whatever was tried. */
  timeBudgetMs?: number;
  /** Told now and then: how much of the effort is spent, from 0 to 1, and the best cost so far. */
  onProgress?: (progress: { iterations: number; spent: number; cost: number; lowerBound: number }) => void;
  /** Asked now and then: ends the search with the best plan found. */
  shouldStop?: () => boolean;
  /** The clock that the budget is measured by, in milliseconds: the runtime's own, unless another is given. */
  now?: () => number;
  /**
   * A plan to begin with: who does each operation and in which order, by its times. What the problem no longer holds
   * is passed over; jobs that are not in it are put where they cost least. With no iterations this order is kept and
   * only timed anew.
   */
  start?: PlannedOperation[];
  /** With a plan to begin with: only changes near it are tried, so that the rest stays as it is. */
  isRepair?: boolean;
}

/** Where an operation stands in a plan: enough to make the plan again. */
export type PlannedOperation = Pick<Assignment, "operation" | "person" | "start" | "end">;

export interface ScheduleResult {
  assignments: Assignment[];
  completions: { job: string; at: number; lateBy: number }[];
  cost: { total: number; tardiness: number; setup: number; flow: number; makespan: number };
  /** No plan of the scheduled jobs can cost less. */
  lowerBound: number;
  iterations: number;
  unscheduled: { job: string; reason: UnscheduledReason }[];
}

/** Why a job has no place in a plan. `kind` is that of the operation which finds none. */
export interface UnscheduledReasonDetails {
  NOBODY_CAN: { kind: string };
  RACK_TOO_SMALL: { places: number };
  /** The station has no place, or there is none of that name. */
  STATION_CLOSED: { station: string };
  /** Its operations wait for each other in a circle, or for one that is not there. */
  ORDER_IMPOSSIBLE: Record<never, never>;
  NOTHING_TO_DO: Record<never, never>;
  PIN_IMPOSSIBLE: Record<never, never>;
  RACK_FULL: Record<never, never>;
  HOURS_USED_UP: { kind: string };
}
export type UnscheduledReason = Coded<UnscheduledReasonDetails>;
