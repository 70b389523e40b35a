import type { ScheduleJob, ScheduleOperation, SchedulePerson, ScheduleProblem, SetupState } from "./types";

/** One weekday's hours, minutes after midnight; 1 is Monday. */
export interface Hours {
  day: number;
  from: number;
  to: number;
}

/**
 * A day of the horizon: the minute at which it begins, and its weekday. Days with a clock change are longer or shorter.
 */
export interface Day {
  minute: number;
  weekday: number;
}

/** Whole days on which nobody, or one person, works: when the first of them begins and the last ends, in minutes. */
export interface DaysOff {
  from: number;
  to: number;
}

/**
 * The minutes in which a person works: their weekly hours over the days, from `now` on, with a rest taken off every
 * hour. Hands and eyes get hurt without it.
 * @param off days that are left out, whatever the weekly hours say
 */
export function windowsOf(
  hours: Hours[],
  days: Day[],
  now: number,
  restPerHour: number,
  off: DaysOff[] = [],
): [number, number][] {
  const windows: [number, number][] = [];
  const isOff = (minute: number): boolean => off.some((o) => o.from <= minute && minute < o.to);
  for (const day of days.filter((d) => !isOff(d.minute)))
    for (const h of hours.filter((x) => x.day === day.weekday).sort((a, b) => a.from - b.from))
      for (let from = h.from; from < h.to; from += 60) {
        const start = Math.max(now, day.minute + from);
        const end = day.minute + Math.min(from + 60 - restPerHour, h.to);
        if (end > start) windows.push([start, end]);
      }
  return windows;
}

/** A batch as the plan sees it. */
export interface PlannableBatch {
  id: string;
  pattern: string;
  thread: string;
  hook: string;
  /** Flies still to be tied. */
  left: number;
  /** Flies that go through finishing and packing. */
  flies: number;
  release: number;
  due: number;
  weight: number;
  minutesPerFly: number;
  /** What was learned instead, by person, their pace and way included; where nothing was, their pace is taken. */
  minutesBy?: Readonly<Record<string, number>>;
  /** 1 fly by fly; the pattern's factor step by step. */
  modeFactor: number;
  skills: string[];
  /** The shared tool that it is tied with, as a station; of several the scarcest. */
  tool?: string;
  prep: { minutes: number; station?: string }[];
  /** Who has begun to tie it: work in progress stays with them. */
  begunBy?: string;
  /** Who is to tie it, and from which minute on, when a person has said so. */
  pin?: { person: string; start?: number };
  /** Several who tie it at the same time, each so many of its flies: instead of a pin. */
  shares?: { person: string; flies: number }[];
  /** Minutes that each coat dries or cures, in their order; none for a bare head. */
  coats: number[];
}

export interface PlanningPerson {
  id: string;
  role: "owner" | "tier" | "shop";
  skills: string[];
  pace: number;
  windows: [number, number][];
}

export interface PlanningRules {
  horizon: number;
  setup: ScheduleProblem["setup"];
  /** Threads on loaded bobbins. */
  readyThreads?: string[];
  rackPlaces: number;
  stations: ScheduleProblem["stations"];
}

const TIE_FIXED = 6;
const COAT_FIXED = 2;
const COAT_PER_FLY = 0.15;
const INSPECT_PER_FLY = 0.2;
const PACK_FIXED = 2;
const PACK_PER_FLY = 0.05;
export const objective: ScheduleProblem["objective"] = { tardiness: 1, setup: 0.5, flow: 0.001, makespan: 0.01 };

const may = (person: PlanningPerson, skills: string[]): boolean => skills.every((s) => person.skills.includes(s));

/** A batch as a job: preparation, tying, coats with their drying, inspection, packing. */
export function jobOf(batch: PlannableBatch, people: PlanningPerson[]): ScheduleJob {
  const tiers = people.filter((p) => p.role !== "shop");
  const by = (who: PlanningPerson[], minutes: number, skills: string[] = []) =>
    who.filter((p) => may(p, skills)).map((p) => ({ person: p.id, minutes: Math.max(1, Math.ceil(minutes * p.pace)) }));
  const operations: ScheduleOperation[] = [];
  batch.prep.forEach((task, i) =>
    operations.push({
      id: `${batch.id}:prep${i}`,
      kind: "prep",
      choices: by(tiers, task.minutes),
      station: task.station,
    }),
  );
  const ties = batch.left === 0 ? [] : batch.shares ? shared(batch, people, operations) : [tying(batch, people, tiers)];
  operations.push(...ties);
  // What comes next waits for all who tie it.
  const afterTies = ties.length > 1 ? { after: ties.map((t) => t.id) } : {};
  batch.coats.forEach((dryMinutes, i) =>
    operations.push({
      ...(i === 0 && afterTies),
      id: `${batch.id}:coat${i + 1}`,
      kind: "coat",
      choices: by(tiers, COAT_FIXED + COAT_PER_FLY * batch.flies),
      station: "finishing",
      dry: { minutes: dryMinutes, rack: "rack", places: batch.flies },
    }),
  );
  operations.push({
    id: `${batch.id}:inspect`,
    kind: "inspect",
    choices: by(tiers, INSPECT_PER_FLY * batch.flies),
    ...(batch.coats.length === 0 && afterTies),
  });
  operations.push({
    id: `${batch.id}:pack`,
    kind: "pack",
    choices: by(people, PACK_FIXED + PACK_PER_FLY * batch.flies),
  });
  return { id: batch.id, release: batch.release, due: batch.due, weight: batch.weight, operations };
}

const setupOf = ({ pattern, thread, hook }: PlannableBatch): SetupState => ({ pattern, thread, hook });

/** Whoever has begun it ties it; else whom somebody has named; else each tier who has the skills. */
function tying(batch: PlannableBatch, people: PlanningPerson[], tiers: PlanningPerson[]): ScheduleOperation {
  const { begunBy, pin } = batch;
  const named = begunBy ?? pin?.person;
  const who = named === undefined ? tiers : people.filter((p) => p.id === named);
  const isPinned = begunBy === undefined && pin?.start !== undefined;
  return {
    id: `${batch.id}:tie`,
    kind: "tie",
    choices: who
      .filter((p) => begunBy !== undefined || may(p, batch.skills))
      .map((p) => ({ person: p.id, minutes: minutesFor(batch, p, batch.left) })),
    station: batch.tool,
    setupState: setupOf(batch),
    ...(isPinned && { pinned: { person: pin.person, start: pin.start ?? 0 } }),
  };
}

function minutesFor(batch: PlannableBatch, p: PlanningPerson, flies: number): number {
  const perFly = batch.minutesBy?.[p.id] ?? batch.minutesPerFly * p.pace;
  return Math.max(1, Math.ceil(TIE_FIXED * p.pace + flies * perFly * batch.modeFactor));
}

/** Several tie it at the same time: what is left in the shares that were said, each after the preparation. */
function shared(batch: PlannableBatch, people: PlanningPerson[], before: ScheduleOperation[]): ScheduleOperation[] {
  const last = before.at(-1);
  return sharesOfLeft(batch).map(({ person, flies }, i): ScheduleOperation => {
    const p = people.find((x) => x.id === person);
    const isAble = p !== undefined && may(p, batch.skills);
    return {
      id: i === 0 ? `${batch.id}:tie` : `${batch.id}:tie${i + 1}`,
      kind: "tie",
      choices: isAble ? [{ person, minutes: minutesFor(batch, p, flies) }] : [],
      ...(i > 0 && { after: last ? [last.id] : [] }),
      station: batch.tool,
      setupState: setupOf(batch),
    };
  });
}

/** What is left in the proportion of the shares, in whole flies; whoever would have none of them is left out. */
function sharesOfLeft({ shares = [], left }: PlannableBatch): { person: string; flies: number }[] {
  const all = shares.reduce((sum, s) => sum + s.flies, 0);
  let [said, given] = [0, 0];
  return shares
    .map(({ person, flies }) => {
      said += flies;
      const own = Math.round((left * said) / all) - given;
      given += own;
      return { person, flies: own };
    })
    .filter((s) => s.flies > 0);
}

/** The whole room as a schedule problem. */
export function problemOf(batches: PlannableBatch[], people: PlanningPerson[], rules: PlanningRules): ScheduleProblem {
  return {
    horizon: rules.horizon,
    people: people.map((p): SchedulePerson => {
      // Whoever has begun a batch has it set up on the bench.
      const begun = batches.find((b) => b.begunBy === p.id && b.left > 0);
      return { id: p.id, windows: p.windows, ...(begun && { setupState: setupOf(begun) }) };
    }),
    stations: rules.stations,
    racks: [{ id: "rack", places: rules.rackPlaces }],
    jobs: batches.map((b) => jobOf(b, people)),
    setup: rules.setup,
    ...(rules.readyThreads && rules.readyThreads.length > 0 && { readyThreads: rules.readyThreads }),
    objective,
  };
}
