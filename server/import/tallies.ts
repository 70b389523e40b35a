import { randomUUID } from "node:crypto";
import { tallyEntity, type TallyRow } from "../batches";
import { insertAll, type Db } from "../database/rows";

/** So many good flies of a batch, and so many rejected ones, as if they had been tallied one by one. */
export async function insertTallies(
  db: Db,
  of: Pick<TallyRow, "batchId" | "personId" | "at">,
  counts: { good: number; rejected: number; reason: string; loss: string },
): Promise<void> {
  const tally = (more: Partial<TallyRow>): Partial<TallyRow> => ({ id: randomUUID(), ...of, ...more });
  const { good, rejected, reason, loss } = counts;
  await insertAll(db, tallyEntity, [
    ...Array.from({ length: good }, () => tally({ kind: "good" })),
    ...Array.from({ length: rejected }, () => tally({ kind: "reject", reason, loss })),
  ]);
}
