import { mostOwedFor } from "@kasten/core/batches";
import {
  donePrep,
  editBatch,
  listBatches,
  mergeBatches,
  openStates,
  pullBatch,
  readBatch,
  releaseBatch,
  reserveBatch,
  splitBatch,
  unreserveBatch,
} from "@kasten/contract/batches";
import { dayCursor } from "../http/cursors";
import type { Register } from "../http/handle";
import { readWorld } from "../world";
import { computeBatch } from "./compute";
import { batchDetail } from "./detail";
import { readLearned } from "./knowledge";
import { openPage } from "./queries";
import { edit, logPrep, merge, pull, release, reserve, split, unreserve } from "./service";

const ok = { ok: true as const };

export function batchRoutes(register: Register): void {
  register(listBatches, async ({ db, query: { states = openStates, cursor, limit } }) => {
    const world = await readWorld(db);
    const learned = await readLearned(db);
    // One more than is shown tells whether there is another page.
    const page = await openPage(db, states, dayCursor(cursor), limit + 1);
    const batches = page.slice(0, limit).map((b) => computeBatch(world, learned, b).batch);
    const last = batches.at(-1);
    return {
      batches,
      most: mostOwedFor(world.settings.tray, undefined, world.settings.serviceLevel),
      next: page.length > limit && last ? `${last.due}_${last.number}` : null,
    };
  });
  register(readBatch, ({ db, params }) => batchDetail(db, params.id));
  register(splitBatch, async ({ db, person, params, body }) => ({
    id: await split(db, person, params.id, body.flies, body.version),
  }));
  register(mergeBatches, async ({ db, person, body }) => ({ id: await merge(db, person, body.batches) }));
  register(editBatch, async ({ db, person, params, body }) => {
    await edit(db, person, params.id, body);
    return ok;
  });
  register(reserveBatch, async ({ db, person, params }) => ({ short: await reserve(db, person, params.id) }));
  register(unreserveBatch, async ({ db, person, params }) => {
    await unreserve(db, person, params.id);
    return ok;
  });
  register(releaseBatch, async ({ db, person, params, body }) => {
    await release(db, person, params.id, body.version);
    return ok;
  });
  register(pullBatch, async ({ db, person, params, body }) => {
    await pull(db, person, params.id, body.keys);
    return ok;
  });
  register(donePrep, async ({ db, person, params, body }) => {
    await logPrep(db, person, params.id, body.kind, body.component);
    return ok;
  });
}
