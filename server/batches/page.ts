import { setImmediate as breathe } from "node:timers/promises";
import { mostOwedFor } from "@kasten/core/batches";
import { openStates, type Batch, type listBatches } from "@kasten/contract/batches";
import type { QueryOf, ReplyOf } from "@kasten/contract/http";
import type { Db } from "../database/rows";
import { dayCursor } from "../http/cursors";
import { readWorld } from "../world";
import { computeBatch } from "./compute";
import { readLearned } from "./knowledge";
import { openPage } from "./queries";

/** Between so many batches others have their turn: flies that nobody has asked for yet take a while to compose. */
const IN_ONE_GO = 10;

/** A page of open batches, by the day they are due, with what is computed of each. */
export async function batchPage(
  db: Db,
  { states = [...openStates], cursor, limit }: QueryOf<typeof listBatches>,
): Promise<ReplyOf<typeof listBatches>> {
  const world = await readWorld(db);
  const learned = await readLearned(db);
  // One more than is shown tells whether there is another page.
  const page = await openPage(db, states, dayCursor(cursor), limit + 1);
  const batches: Batch[] = [];
  for (const [i, open] of page.slice(0, limit).entries()) {
    if (i % IN_ONE_GO === 0) await breathe();
    batches.push(computeBatch(world, learned, open).batch);
  }
  const last = batches.at(-1);
  return {
    batches,
    most: mostOwedFor(world.settings.tray, undefined, world.settings.serviceLevel),
    next: page.length > limit && last ? `${last.due}_${last.number}` : null,
  };
}
