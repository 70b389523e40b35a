import { In } from "typeorm";
import { batchEntity } from "../batches";
import type { Db } from "../database/rows";

/** Pages that show a count hear of it; a tally itself is not an entry in the log. */
export const tellCounts = async (db: Db, batch: string): Promise<void> => {
  await db.query("SELECT tell_change(0, 'batch', $1, 'tallied')", [batch]);
};

/** Flies counted of batches, without those that were taken back. */
export const countsOf = (db: Db, batches: string[]): Promise<{ id: string; good: number; rejected: number }[]> =>
  db.getRepository(batchEntity).find({ where: { id: In(batches) }, select: { id: true, good: true, rejected: true } });
