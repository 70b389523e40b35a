import type { Batch } from "@kasten/contract/batches";
import { rows, type Db } from "../database/rows";

/** A batch that is not finished, with its claims and tallies, before anything is computed. */
export type OpenBatch = Omit<Batch, "owed" | "starts" | "due" | "minutes"> & {
  storedStarts: number | null;
  kitId: number | null;
};

const select = `
  SELECT b.id, b.number, b.pattern_id AS pattern, p.name AS "patternName", b.pattern_version AS "patternVersion",
    b.variant, b.form, b.size, b.state, b.held, b.mode, b.buy, b.methods, b.leave, b.use, b.mix_lots AS "mixLots",
    b.starts AS "storedStarts", b.kit_id AS "kitId", b.version, COALESCE(t.good, 0) AS good,
    COALESCE(t.rejected, 0) AS rejected, COALESCE(c.claims, '[]') AS claims
  FROM batch b JOIN pattern p ON p.id = b.pattern_id
  LEFT JOIN tally_count t ON t.batch_id = b.id
  LEFT JOIN LATERAL (
    SELECT json_agg(json_build_object('line', l.id, 'order', o.number, 'orderId', o.id, 'customer', cu.name,
      'due', o.due, 'flies', bc.flies) ORDER BY o.due, cu.rank, o.number) AS claims
    FROM batch_claim bc JOIN order_line l ON l.id = bc.order_line_id JOIN customer_order o ON o.id = l.order_id
    JOIN customer cu ON cu.id = o.customer_id WHERE bc.batch_id = b.id
  ) c ON true`;

export const openBatches = (db: Db): Promise<OpenBatch[]> =>
  rows(db, `${select} WHERE b.state NOT IN ('finished', 'dissolved') ORDER BY b.number`);

export const batchById = async (db: Db, id: string): Promise<OpenBatch | undefined> =>
  (await rows<OpenBatch>(db, `${select} WHERE b.id = $1 AND b.state <> 'dissolved'`, [id]))[0];

/** Flies counted in finished batches, by pattern. */
export const finishedCounts = (
  db: Db,
): Promise<{ pattern: string; patternName: string; good: number; rejected: number; batches: number }[]> =>
  rows(
    db,
    `SELECT b.pattern_id AS pattern, p.name AS "patternName", sum(t.good)::int AS good, sum(t.rejected)::int AS rejected,
       count(*)::int AS batches
     FROM batch b JOIN pattern p ON p.id = b.pattern_id JOIN tally_count t ON t.batch_id = b.id
     WHERE b.state = 'finished' GROUP BY 1, 2 ORDER BY 2`,
  );

/** What finished batches used of what is measured, against what was computed, by pattern and component. */
export const measuredUses = (
  db: Db,
): Promise<{ pattern: string; component: string; flies: number; actual: number; computed: number }[]> =>
  rows(
    db,
    `SELECT b.pattern_id AS pattern, u.component, u.flies, sum(u.used) AS actual, sum(u.computed) AS computed
     FROM batch_use u JOIN batch b ON b.id = u.batch_id JOIN material m ON m.code = u.material_code
     WHERE m.unit <> 'count' AND u.used > 0 AND u.computed > 0 GROUP BY b.pattern_id, u.component, b.id, u.flies`,
  );

/** What an order line still waits for, and how far it is. */
export interface OpenLine {
  id: string;
  order: number;
  due: string;
  rank: number;
  pattern: string;
  variant: string;
  form: string;
  size: string;
  flies: number;
  boxed: number;
  ready: number;
  active: number;
}

/** Lines of open orders, the earliest due first. A cancelled one waits for nothing. */
export const openLines = (db: Db): Promise<OpenLine[]> =>
  db
    .createQueryBuilder("order_line", "l")
    .innerJoin("customer_order", "o", "o.id = l.orderId")
    .innerJoin("customer", "c", "c.id = o.customerId")
    .innerJoin("line_progress", "pr", "pr.lineId = l.id")
    .select("l.id", "id")
    .addSelect("o.number", "order")
    .addSelect("o.due", "due")
    .addSelect("c.rank", "rank")
    .addSelect("l.patternId", "pattern")
    .addSelect("l.variant", "variant")
    .addSelect("l.form", "form")
    .addSelect("l.size", "size")
    .addSelect("CASE WHEN l.cancelled THEN 0 ELSE l.flies END", "flies")
    .addSelect("pr.boxed", "boxed")
    .addSelect("pr.ready", "ready")
    .addSelect("pr.active", "active")
    .where("o.closedAt IS NULL")
    .orderBy("o.due")
    .addOrderBy("c.rank")
    .addOrderBy("o.number")
    .addOrderBy("l.position")
    .getRawMany();

/** One at a time for the whole room, until the transaction ends: whoever shares out shelf and batches. */
const ROOM_LOCK = 4680;
export const lockRoom = async (db: Db): Promise<void> => {
  await db.query("SELECT pg_advisory_xact_lock($1)", [ROOM_LOCK]);
};

/** Preparation of one batch that is done, with who did it. */
export const preparedOf = (db: Db, batch: string): Promise<{ kind: string; component: string; by: string }[]> =>
  db
    .createQueryBuilder("batch_prep", "bp")
    .innerJoin("person", "p", "p.id = bp.personId")
    .select("bp.kind", "kind")
    .addSelect("bp.component", "component")
    .addSelect("p.name", "by")
    .where("bp.batchId = :batch", { batch })
    .getRawMany();
