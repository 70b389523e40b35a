/** What could turn out otherwise than a plan has it, and how far. By the ids of the problem. */
export interface Knowledge {
  /**
   * How uncertain the minutes of an operation are. The planned minutes are the median. Operations that are not named
   * take just as long as planned.
   */
  minutes: Record<string, MinutesKnown>;
  /** Of a job whose flies are still to be tied: what is owed, what is started, and how many turn out good. */
  flies: Record<string, FliesKnown>;
  /** Deliveries that jobs wait for: the minute they are expected, and by how many days such ones have been late. */
  arrivals: Record<string, { at: number; daysLate: number[] }>;
  /** Of a job: the deliveries that it waits for. */
  waits: Record<string, string[]>;
  /** How probable it is that a person is away on a day on which they would work, from 0 to 1. */
  absence: Record<string, number>;
}

export interface MinutesKnown {
  /** Standard deviation of its own error, in ln minutes. */
  own: number;
  /** Errors that it shares with others, of a person or a pattern: drawn once, and as large here as is said. */
  shares?: { name: string; sd: number }[];
}

/** Flies of a job that are still to be tied. */
export interface FliesKnown {
  /** The operation by which they are tied. */
  operation: string;
  /** How probable it is that at least 1, 2, 3 … of those owed are missing in the end and must be tied again. */
  missing: number[];
  /** Minutes of one fly. */
  minutesPerFly: number;
}

/**
 * What a batch last waited for before it was late: a delivery, somebody who was away, a bench that was busy with other
 * work, a station, a rack; or nothing: then its own work took longer, or flies were tied again.
 */
export const causes = ["material", "absence", "bench", "station", "rack", "rejects", "minutes"] as const;
export type Cause = (typeof causes)[number];

export interface RehearsedJob {
  job: string;
  /** In what share of the runs it is over by its due minute. */
  onTime: number;
  /** The minute by which it is over in half of the runs, and in nine of ten. */
  day50: number;
  day90: number;
  /** The minute by which it is over as probably as was asked for. */
  dayAtLevel: number;
  /** What made it late, the most frequent first: shares of the late runs, which add up to 1. */
  breaks: { cause: Cause; share: number }[];
}

export interface Rehearsal {
  runs: number;
  jobs: RehearsedJob[];
  /** Of jobs that count together: over when the last of them is, on time when each of them is. */
  groups: ({ group: string } & Pick<RehearsedJob, "onTime" | "day50" | "day90" | "dayAtLevel">)[];
  /**
   * Of each person, on average: minutes without work before their last work is over, and minutes by which that is
   * later than planned.
   */
  load: { person: string; idle: number; over: number }[];
}

/** Jobs that count together, and by which minute they are on time: each by its own, unless one is said for all. */
export interface Group {
  group: string;
  jobs: string[];
  by?: number;
}

export interface RehearseOptions {
  /** Of the chance: any whole number. */
  seed: number;
  /** How often the plan is played through: at least 1. */
  runs: number;
  /**
   * Whether people who wait for what is next do later work meanwhile, where it fits in whole before what they wait for.
   * Else the order is kept, whatever it waits for.
   */
  goesAhead?: boolean;
  /** How probable `dayAtLevel` is, above 0 and below 1; 0.9 unless said. */
  level?: number;
  /** Jobs that count together, such as those of one order. Such as are not in the plan are passed over. */
  groups?: Group[];
  /** Told now and then: how much is done, from 0 to 1. */
  onProgress?: (done: number) => void;
  /** Asked now and then: ends it with the runs that were made, at least two. */
  shouldStop?: () => boolean;
}
