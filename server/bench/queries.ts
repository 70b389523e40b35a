import { In } from "typeorm";
import { tallyCountView, type TallyCountRow } from "../batches";
import type { Db } from "../database/rows";

/** Pages that show a count hear of it; a tally itself is not an entry in the log. */
export const tellCounts = async (db: Db, batch: string): Promise<void> => {
  await db.query(
    "SELECT pg_notify('kasten', json_build_object('id', 0, 'subject', 'batch', 'subjectId', $1::text, 'kind', 'tallied')::text)",
    [batch],
  );
};

export const countsOf = (db: Db, batches: string[]): Promise<TallyCountRow[]> =>
  db.getRepository(tallyCountView).find({ where: { batchId: In(batches) } });
