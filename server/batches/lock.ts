import { locked, update, type Db } from "../database/rows";
import { conflict, notFound } from "../http/problems";
import { stale } from "../http/versions";
import { batchEntity, type BatchRow } from "./entities";
import { batchById, type OpenBatch } from "./queries";

/** The batch, locked, in the version that the person saw and in a state that allows it. */
export async function lockedBatch(
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
