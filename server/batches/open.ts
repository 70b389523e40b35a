import type { Batch } from "@kasten/contract/batches";
import type { EntityManager } from "typeorm";
import { rows } from "../database/source";

/** A batch that is not finished, with its claims and tallies, before anything is computed. */
export type OpenBatch = Omit<Batch, "owed" | "starts" | "due" | "patternName" | "minutes"> & {
  storedStarts: number | null;
  kitId: number | null;
  patternName: string;
};

const select = `
  SELECT b.id, b.number, b.pattern_id AS pattern, p.name AS "patternName", b.pattern_version AS "patternVersion", b.variant, b.form, b.size, b.state, b.held, b.mode, b.buy, b.methods, b.leave, b.use, b.mix_lots AS "mixLots",
    b.starts AS "storedStarts", b.kit_id AS "kitId", b.version, COALESCE(t.good, 0) AS good, COALESCE(t.rejected, 0) AS rejected, COALESCE(c.claims, '[]') AS claims
  FROM batch b JOIN pattern p ON p.id = b.pattern_id
  LEFT JOIN tally_count t ON t.batch_id = b.id
  LEFT JOIN LATERAL (
    SELECT json_agg(json_build_object('line', l.id, 'order', o.number, 'orderId', o.id, 'customer', cu.name, 'due', o.due, 'flies', bc.flies) ORDER BY o.due, cu.rank, o.number) AS claims
    FROM batch_claim bc JOIN order_line l ON l.id = bc.order_line_id JOIN customer_order o ON o.id = l.order_id JOIN customer cu ON cu.id = o.customer_id WHERE bc.batch_id = b.id
  ) c ON true`;

export const openBatches = (db: EntityManager): Promise<OpenBatch[]> =>
  rows<OpenBatch>(db, `${select} WHERE b.state NOT IN ('finished', 'dissolved') ORDER BY b.number`);
export const batchById = async (db: EntityManager, id: string): Promise<OpenBatch | undefined> =>
  (await rows<OpenBatch>(db, `${select} WHERE b.id = $1 AND b.state <> 'dissolved'`, [id]))[0];
