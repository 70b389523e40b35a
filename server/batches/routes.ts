import {
  donePrep,
  editBatch,
  exceptBatch,
  listBatches,
  mergeBatches,
  pullBatch,
  readBatch,
  releaseBatch,
  reserveAllAnew,
  reserveBatch,
  splitBatch,
  takeBackBatch,
  unreserveBatch,
} from "@kasten/contract/batches";
import type { Register } from "../http/handle";
import { batchDetail } from "./detail";
import { takeBack } from "./kit";
import { batchPage } from "./page";
import { edit, letPass, logPrep, merge, pull, release, reserve, reserveAnew, split, unreserve } from "./service";

const ok = { ok: true as const };

export function batchRoutes(register: Register): void {
  register(reserveAllAnew, ({ db, person }) => reserveAnew(db, person));
  register(listBatches, ({ db, query }) => batchPage(db, query));
  register(readBatch, ({ db, params }) => batchDetail(db, params.id));
  register(splitBatch, async ({ db, person, params, body }) => ({
    id: await split(db, person, params.id, body.flies, body.version),
  }));
  register(mergeBatches, async ({ db, person, body }) => ({ id: await merge(db, person, body.batches) }));
  register(editBatch, async ({ db, person, params, body }) => {
    await edit(db, person, params.id, body);
    return ok;
  });
  register(exceptBatch, async ({ db, person, params, body }) => {
    await letPass(db, person, params.id, body);
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
  register(takeBackBatch, async ({ db, person, params, body }) => {
    await takeBack(db, person, params.id, body.version);
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
