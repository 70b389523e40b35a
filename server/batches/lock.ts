import type { Sku } from "@kasten/core/batches";
import { locked, update, type Db } from "../database/rows";
import { conflict, notFound } from "../http/problems";
import { stale } from "../http/versions";
import { batchEntity, type BatchRow } from "./entities";
import { batchById, lockFlies, skuOfBatch, type OpenBatch } from "./queries";

/**
 * Locks are taken in one order everywhere, so that two changes never wait for each other: an order or a parcel first,
 * then the kinds of flies, then batches, then lots.
 */
export async function lockedBatch(
  db: Db,
  id: string,
  states: OpenBatch["state"][],
  version?: number,
): Promise<OpenBatch> {
  await lockFlyOf(db, [id]);
  return lockedOfFly(db, id, states, version);
}

/** The kinds of flies of some batches, locked together. @returns them, one for each batch that is there */
export async function lockFlyOf(db: Db, ids: string[]): Promise<Sku[]> {
  const skus: Sku[] = [];
  for (const id of ids) {
    const sku = await skuOfBatch(db, id);
    if (!sku) throw notFound("batch");
    skus.push(sku);
  }
  await lockFlies(db, skus);
  return skus;
}

/**
 * A batch of a fly that is locked already: in the version that the person saw, and in a state that allows it.
 * @throws Problem not-found, changed-meanwhile, conflict
 */
export async function lockedOfFly(
  db: Db,
  id: string,
  states: OpenBatch["state"][],
  version?: number,
): Promise<OpenBatch> {
  await locked(db, batchEntity, { id });
  const batch = await batchById(db, id);
  if (!batch) throw notFound("batch");
  if (version !== undefined && batch.version !== version) throw stale(batch.version, batch, { version }, ["state"]);
  if (!states.includes(batch.state))
    throw conflict(`Batch ${batch.number} is ${batch.state}; this is for batches that are ${states.join(" or ")}.`);
  return batch;
}

/** Changes a batch that is locked already. */
export async function changeBatch(db: Db, id: string, values: Partial<BatchRow>): Promise<void> {
  await update(db, batchEntity, { id }, values);
}
