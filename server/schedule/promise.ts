import { mostOwedFor, type Sku } from "@kasten/core/batches";
import type { Requirement } from "@kasten/core/needs";
import { finishedKey, type Asked } from "@kasten/core/recipe";
import { latenessKnown } from "@kasten/core/purchasing";
import { nothing } from "@kasten/core/units";
import {
  DAY_MINUTES,
  jobOf,
  promise,
  rehearse,
  type Group,
  type Holds,
  type Knowledge,
  type NewJob,
  type Promised,
  type PromisedJob,
  type Rehearsal,
  type ScheduleResult,
} from "@kasten/core/schedule";
import type { ReplyOf } from "@kasten/contract/http";
import type { promise as promiseEndpoint } from "@kasten/contract/orders";
import {
  computeBatch,
  imaginedBatch,
  onPaper,
  readLearned,
  readTiming,
  takeFor,
  type ComputedBatch,
  type Learned,
  type OpenBatch,
  type Timing,
} from "../batches";
import type { Db } from "../database/rows";
import { freeFlyLots, type StockedLot } from "../ledger";
import { Coming } from "../needs";
import { proposalFor, sourcesByMaterial, type Source } from "../purchasing";
import { todayIn } from "../settings";
import { activePeople } from "../team";
import { readWorld, type World } from "../world";
import type { Basis } from "./basis";
import { plannable } from "./build";
import { FEW_JOBS, putInTries, SEED } from "./draft";
import { shareOf, type Effort } from "./effort";
import { addBatch } from "./knowledge";
import { frameOf, HORIZON_DAYS, type Frame } from "./frame";

export type Line = Sku & { flies: number; asked?: Asked; due?: string };
export type PromisedLines = ReplyOf<typeof promiseEndpoint>;
type PromisedLine = PromisedLines["lines"][number];

const reasons: Record<Holds, string> = {
  material: "material that must be ordered holds it",
  skill: "nobody in the room has every skill for it",
  hours: "the hours of the people who can tie it hold it",
  drying: "the drying of its coats holds it",
};

interface Against {
  basis: Basis;
  world: World;
  learned: Learned;
  timing: Timing;
  frame: Frame;
  today: string;
  /** Taken from on paper, line by line. */
  lots: Map<string, StockedLot[]>;
  coming: Map<string, Coming>;
  /** The most flies that one batch of a pattern is made of. */
  most: (pattern: string) => number;
  sources: Map<string, Source[]>;
  shelf: Map<string, number>;
}

/** Flies that may fill a line: of its kind, tied as it asks. */
const flyKey = (s: Sku, tied: Asked): string => [s.pattern, s.variant, s.form, s.size, finishedKey(tied)].join("|");

/** What is on the shelf for nobody, of the kinds that are asked for. */
async function freeShelf(db: Db, lines: Line[]): Promise<Map<string, number>> {
  const shelf = new Map<string, number>();
  const kinds = new Map(lines.map((l) => [flyKey(l, {}), l]));
  for (const kind of kinds.values())
    for (const lot of await freeFlyLots(db, kind)) {
      const key = flyKey(kind, lot.tied);
      shelf.set(key, (shelf.get(key) ?? 0) + lot.free);
    }
  return shelf;
}

/** So often a plan with new lines in it is played through: odds to about one in a hundred. */
const RUNS = 600;
/** Odds of others that fall by more are named. */
const WORTH_NAMING = 0.02;

/**
 * For each line the earliest day on which it is as probably ready as the room wants its promises to be, without making
 * any other order late, and what holds it.
 * @param madeAt when the plan was made from which the basis is: its minutes count from that day
 */
export async function promiseLines(
  db: Db,
  basis: Basis,
  madeAt: Date,
  now: Date,
  lines: Line[],
  effort: Effort,
): Promise<ReplyOf<typeof promiseEndpoint>> {
  const world = await readWorld(db);
  const learned = await readLearned(db);
  const { tray, serviceLevel, promiseLevel } = world.settings;
  const against: Against = {
    basis,
    world,
    learned,
    timing: await readTiming(db, world, await activePeople(db)),
    most: (pattern) => mostOwedFor(tray, learned.outcomes(pattern), serviceLevel),
    coming: new Map(basis.coming.map(([material, list]) => [material, new Coming(list)])),
    frame: frameOf(world.settings.timeZone, madeAt, now),
    today: todayIn(world.settings.timeZone, now),
    lots: onPaper(new Map(basis.lots)),
    sources: await sourcesByMaterial(db),
    shelf: await freeShelf(db, lines),
  };
  const asked = lines.map((line, i) => askOf(against, line, i));
  const news = asked.flatMap((a) => ("parts" in a ? a.parts : []));
  const { promised, rehearsal } = leastHarm(basis, news, effort, (promised) =>
    rehearse(promised.problem, promised.plan, withNews(against, news, promised.plan), {
      seed: SEED,
      runs: shareOf(RUNS, effort),
      goesAhead: true,
      level: promiseLevel,
      groups: asked.flatMap((a, i) => ("parts" in a ? [groupOf(against, a, i)] : [])),
    }),
  );
  const jobs = new Map(promised.jobs.map((j) => [j.job, j]));
  return {
    lines: asked.map((a, i) => ("parts" in a ? promisedLine(against, a, i, jobs, rehearsal) : a)),
    others: othersAfter(basis, rehearsal),
  };
}

/** Of all others together so much of a batch late is borne for an earlier day; */
const MOST_FALL = 0.5;
/** where it would be more, the lines are put so many days later than they could be. */
const LATER_DAYS = [4, 10, 21];

/** The new lines in the plan as early as the odds of the others bear; else the way that takes least from them. */
function leastHarm(
  basis: Basis,
  news: Part[],
  effort: Effort,
  played: (promised: Promised) => Rehearsal,
): { promised: Promised; rehearsal: Rehearsal } {
  const jobs = news.map((n) => n.job);
  const options = { seed: SEED, iterations: putInTries(basis.problem, effort) };
  const tryFor = (targets?: Map<string, number>) => {
    const promised = promise(basis.problem, basis.plan, jobs, { ...options, ...(targets && { targets }) });
    // Where nothing found a place nothing is another than it was.
    const rehearsal = promised.jobs.some((j) => j.at !== undefined) ? played(promised) : UNPLAYED;
    const fall = othersAfter(basis, rehearsal).reduce((sum, o) => sum + o.before - o.after, 0);
    return { promised, rehearsal, fall };
  };
  let best = tryFor();
  const soonest = best.promised.jobs;
  for (const days of laterDays(basis, news)) {
    if (best.fall <= MOST_FALL) break;
    const later = tryFor(
      new Map(soonest.flatMap((j) => (j.at === undefined ? [] : [[j.job, j.at + days * DAY_MINUTES]]))),
    );
    if (later.fall < best.fall) best = later;
  }
  return best;
}
const UNPLAYED: Rehearsal = { runs: 0, jobs: [], groups: [], load: [] };
/** In a larger room, or of many batches, each way takes longer than there is time for another. */
const laterDays = ({ problem }: Basis, news: Part[]): number[] =>
  problem.jobs.length > FEW_JOBS ? [] : news.length > FEW_NEWS ? [MANY_LATER] : LATER_DAYS;
const FEW_NEWS = 4;
const MANY_LATER = 10;

const groupOf = ({ frame }: Against, { line, parts }: Ask, index: number): Group => ({
  group: String(index),
  jobs: parts.map((p) => p.job.job.id),
  ...(line.due !== undefined && { by: frame.endOf(line.due) }),
});

/** Batches that are less probably ready on their day when the new lines are in the plan. */
function othersAfter({ odds, numbers }: Basis, { jobs }: Rehearsal): ReplyOf<typeof promiseEndpoint>["others"] {
  return jobs.flatMap(({ job, onTime }) => {
    const before = odds[job];
    const number = numbers[job];
    if (before === undefined || number === undefined || before - onTime <= WORTH_NAMING) return [];
    return [{ batch: job, number, before, after: onTime }];
  });
}

/** A line of which nothing is on the shelf, as the batches that it would be tied in. */
interface Ask {
  line: Line;
  parts: Part[];
}
interface Part {
  job: NewJob;
  computed: ComputedBatch;
  arrives: string | undefined;
}

/** What a line asks of the plan; or the answer, where the plan has nothing to do with it. */
function askOf(against: Against, line: Line, index: number): Ask | PromisedLine {
  const { world, shelf, today } = against;
  const key = flyKey(line, line.asked ?? {});
  const fromShelf = Math.min(line.flies, shelf.get(key) ?? 0);
  shelf.set(key, (shelf.get(key) ?? 0) - fromShelf);
  const { due: _due, ...said } = line;
  const sure = { odds: 1, planned: today };
  if (fromShelf === line.flies)
    return { ...said, day: today, holds: "shelf", sentence: "It is on the shelf.", ...sure };
  const nobody = (sentence: string): PromisedLine => ({ ...said, ...noDay, holds: "nothing", sentence });
  const pattern = world.patterns.get(line.pattern);
  if (!pattern || pattern.missing.length > 0) return nobody("The pattern is not complete enough to be promised.");
  const most = against.most(line.pattern);
  const owed = line.flies - fromShelf;
  const sizes = Array.from({ length: Math.ceil(owed / most) }, (_, i) => Math.min(most, owed - i * most));
  const parts: Part[] = [];
  for (const [i, flies] of sizes.entries()) {
    const part = partOf(against, imaginedBatch(line, flies, pattern.version, `new ${index}.${i}`), index);
    if (typeof part === "string") return nobody(part);
    parts.push(part);
  }
  return { line, parts };
}
const noDay = { day: null, odds: null, planned: null };

/** A batch of a line, no larger than the tray; or why it cannot be. */
function partOf(against: Against, fresh: OpenBatch, index: number): Part | string {
  const { basis, frame, timing, world } = against;
  const computed = computeBatch(against.world, against.learned, fresh);
  if (computed.fault) return computed.fault;
  const arrives = materialDay(against, computed.requirements);
  const release = arrives ? frame.minuteOf(arrives) : 0;
  const around = { release, prepDone: new Set<string>(), rank: 3 };
  const batch = plannable(computed, frame, around, { planners: basis.planners, timing, settings: world.settings });
  const job = jobOf({ ...batch, due: HORIZON_DAYS * DAY_MINUTES }, basis.planners);
  // What was typed first is served first.
  return { job: { job, release0: frame.now, presses: 1 / (1 + index) }, computed, arrives };
}

/** What is known, with what is known of the new batches. */
function withNews({ basis, frame, learned, timing }: Against, news: Part[], plan: ScheduleResult): Knowledge {
  const { knowledge } = basis;
  const known: Knowledge = {
    minutes: { ...knowledge.minutes },
    flies: { ...knowledge.flies },
    arrivals: { ...knowledge.arrivals },
    waits: { ...knowledge.waits },
    absence: knowledge.absence,
  };
  const who = new Map(plan.assignments.map((a) => [a.operation, a.person]));
  for (const { job, computed, arrives } of news) {
    addBatch(known, job.job, computed, { timing, learned, who });
    if (arrives === undefined) continue;
    const name = `${job.job.id} ${arrives}`;
    known.arrivals[name] = { at: frame.minuteOf(arrives), daysLate: latenessKnown([]) };
    known.waits[job.job.id] = [name];
  }
  return known;
}

function promisedLine(
  { frame, world }: Against,
  { line: { due, ...line }, parts }: Ask,
  index: number,
  jobs: Map<string, PromisedJob>,
  rehearsal: Rehearsal,
): PromisedLine {
  const own = parts.flatMap((p) => jobs.get(p.job.job.id) ?? []);
  const [never] = own.filter((j) => j.at === undefined);
  const none = (holds: Holds): PromisedLine => ({
    ...line,
    ...noDay,
    holds,
    sentence: `No day within ${HORIZON_DAYS} days: ${reasons[holds]}.`,
  });
  if (never) return none(never.holds);
  const last = own.reduce((a, b) => ((b.at ?? 0) > (a.at ?? 0) ? b : a));
  const group = rehearsal.groups.find((g) => g.group === String(index));
  const minute = Math.max(last.at ?? 0, group?.dayAtLevel ?? 0);
  if (minute > HORIZON_DAYS * DAY_MINUTES) return none(last.holds);
  const day = frame.dayOf(minute - 1);
  const level = Math.round(world.settings.promiseLevel * 100);
  return {
    ...line,
    day,
    planned: frame.dayOf((last.at ?? 0) - 1),
    odds: due === undefined ? null : (group?.onTime ?? null),
    holds: last.holds,
    sentence: `${day}, kept in ${level} of 100 cases: ${reasons[last.holds]}.`,
  };
}

/**
 * The day on which the last of the materials is here, when something is on its way or must be ordered. What is there is
 * taken on paper: the next line finds the rest.
 */
function materialDay(against: Against, requirements: Requirement[]): string | undefined {
  const { world, lots, coming, sources, today } = against;
  const days = requirements.flatMap((r) => {
    const { short } = takeFor(r, r.issue, false, lots);
    if (short === nothing || world.materials.get(r.material)?.blend) return [];
    const claimed = coming.get(r.material)?.claim(short) ?? { short, day: undefined };
    const comes = claimed.day === undefined ? [] : [claimed.day];
    if (claimed.short === 0) return comes;
    return [...comes, proposalFor(claimed.short, sources.get(r.material), today)?.arrives ?? "9999-12-31"];
  });
  return days.sort().at(-1);
}
