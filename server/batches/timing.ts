import { sizeNumber } from "@kasten/core/hooks";
import { MinutesLearned, type MinutesAhead, type TimedBatch, type TyingWay } from "@kasten/core/learning";
import type { Person } from "@kasten/contract/team";
import { row, rows, type Db } from "../database/rows";
import type { World } from "../world";
import { modeFactorOf, type ComputedBatch } from "./compute";

/** Older ones than so many finished batches teach nothing any more. */
const MOST_TIMED = 1000;

/** What two batches of one pattern may differ in so that their minutes do. */
export const wayOf = ({ batch, fly }: Pick<ComputedBatch, "batch" | "fly">): string =>
  JSON.stringify([
    batch.mode,
    Object.entries(batch.methods).sort(([a], [b]) => a.localeCompare(b)),
    [...batch.leave].sort(),
    [...batch.buy].sort(),
    ...(fly && fly.minutesOf.ready < 0 ? ["on ready hooks"] : []),
  ]);

/** The minutes of a fly as computed, in the mode of its batch, for a pace of 1. */
export const minutesComputed = ({ batch, recipe, fly }: ComputedBatch): number =>
  (fly?.minutes ?? recipe.minutesPerFly) * modeFactorOf(batch, recipe);

/** Size steps below the middle of a pattern's sizes: sizes go by two. */
function stepsOf(world: World, pattern: string, size: string): number {
  const sizes = world.patterns.get(pattern)?.recipe.sizes;
  if (!sizes) return 0;
  return (sizeNumber(size) - (sizeNumber(sizes.from) + sizeNumber(sizes.to)) / 2) / 2;
}

/** What is known of minutes: for a batch and a person, what to expect. */
export interface Timing {
  /** Minutes of a fly. */
  perFly: (c: ComputedBatch, person: string, flies: number) => number;
  /** The same, and how sure it is. */
  ahead: (c: ComputedBatch, person: string, flies: number) => MinutesAhead;
}

interface TimedRow {
  pattern: string;
  size: string;
  way: string;
  person: string;
  flies: number;
  minutes: number;
  computed: number;
}

/** Finished batches with their minutes, the oldest first. */
const timedRows = (db: Db): Promise<TimedRow[]> =>
  rows(
    db,
    `SELECT * FROM (
       SELECT number, pattern_id AS pattern, size, way, tied_by AS person, good + rejected AS flies,
         minutes::float8 AS minutes, minutes_computed::float8 AS computed
       FROM batch WHERE state = 'finished' AND minutes > 0 AND minutes_computed > 0 AND tied_by IS NOT NULL
         AND good + rejected > 0 ORDER BY number DESC LIMIT $1) t ORDER BY number`,
    [MOST_TIMED],
  );

/** Who tallied most of the flies of a batch. */
export const tiedMostBy = async (db: Db, batch: string): Promise<string | null> =>
  (
    await row<{ person: string }>(
      db,
      `SELECT person_id AS person FROM tally WHERE batch_id = $1 AND kind <> 'undo'
       GROUP BY 1 ORDER BY count(*) DESC, 1 LIMIT 1`,
      [batch],
    )
  )?.person ?? null;

/** What finished batches teach of minutes, per pattern, way, size and person. */
export async function readTiming(
  db: Db,
  world: World,
  people: Pick<Person, "id" | "pace" | "learns">[],
): Promise<Timing> {
  const learns = new Set(people.filter((p) => p.learns).map((p) => p.id));
  const tied = new Map<string, number>();
  const before = (person: string, pattern: string): number | undefined =>
    learns.has(person) ? (tied.get(`${person}|${pattern}`) ?? 0) : undefined;
  const timed = (await timedRows(db)).map((t): TimedBatch => {
    const { pattern, size, way, person, flies, minutes, computed } = t;
    const had = before(person, pattern);
    tied.set(`${person}|${pattern}`, (tied.get(`${person}|${pattern}`) ?? 0) + flies);
    return { pattern, way, person, flies, minutes, computed, steps: stepsOf(world, pattern, size), before: had };
  });
  const learned = new MinutesLearned(timed, Object.fromEntries(people.map((p) => [p.id, p.pace])));
  const ask = (c: ComputedBatch, person: string, flies: number): [TyingWay, number, number | undefined] => {
    const { pattern, size } = c.batch;
    const steps = stepsOf(world, pattern, size);
    const way = { pattern, way: wayOf(c), person, steps, computed: minutesComputed(c) };
    return [way, Math.max(1, flies), before(person, pattern)];
  };
  return {
    perFly: (...asked) => learned.perFly(...ask(...asked)),
    ahead: (...asked) => learned.ahead(...ask(...asked)),
  };
}
