import { skuKey, type Sku, type Tied } from "@kasten/core/batches";
import type { Asked } from "@kasten/core/recipe";
import type { Batch } from "@kasten/contract/batches";
import { row, rows, type Db } from "../database/rows";
import type { DayCursor } from "../http/cursors";
import {
  componentOutcomeEntity,
  materialOutcomeEntity,
  patternOutcomeEntity,
  type ComponentOutcomeRow,
} from "./entities";

/** A batch that is not finished, with its claims and tallies, before anything is computed. */
export type OpenBatch = Omit<Batch, "owed" | "starts" | "due" | "minutes"> & {
  storedStarts: number | null;
  kitId: number | null;
};

/** Due when nobody waits for it any more. */
export const NEVER_DUE = "9999-12-31";

const select = `
  SELECT b.id, b.number, b.pattern_id AS pattern, p.name AS "patternName", b.pattern_version AS "patternVersion",
    b.variant, b.form, b.size, b.state, b.held, b.mode, b.buy, b.methods, b.leave, b.use, b.asked, b.exceptions, b.mix_lots AS "mixLots",
    b.kit_parts AS "kitParts",
    b.starts AS "storedStarts", b.kit_id AS "kitId", b.version, b.good, b.rejected, COALESCE(c.claims, '[]') AS claims
  FROM batch b JOIN pattern p ON p.id = b.pattern_id
  LEFT JOIN LATERAL (
    SELECT json_agg(json_build_object('line', l.id, 'order', o.number, 'orderId', o.id, 'customer', cu.name,
      'due', COALESCE(l.due, o.due), 'flies', bc.flies, 'wishes', l.wishes,
      'policy', COALESCE(l.policy, cu.policy), 'destination', cu.destination, 'exception', o.exception)
      ORDER BY COALESCE(l.due, o.due), cu.rank, o.number) AS claims
    FROM batch_claim bc JOIN order_line l ON l.id = bc.order_line_id JOIN customer_order o ON o.id = l.order_id
    JOIN customer cu ON cu.id = o.customer_id WHERE bc.batch_id = b.id
  ) c ON true`;

export const openBatches = (db: Db): Promise<OpenBatch[]> =>
  rows(db, `${select} WHERE b.state NOT IN ('finished', 'dissolved') ORDER BY b.number`);

export const openBatchesById = (db: Db, ids: string[]): Promise<OpenBatch[]> =>
  rows(db, `${select} WHERE b.id = ANY($1) AND b.state NOT IN ('finished', 'dissolved') ORDER BY b.number`, [ids]);

/** A page of open batches in some states, by the day they are due. */
export async function openPage(
  db: Db,
  states: readonly string[],
  after: DayCursor | undefined,
  limit: number,
): Promise<OpenBatch[]> {
  const found = await rows<{ id: string }>(
    db,
    `SELECT b.id FROM batch b LEFT JOIN (
       SELECT bc.batch_id, min(COALESCE(l.due, o.due)) AS due FROM batch_claim bc JOIN batch x ON x.id = bc.batch_id
       JOIN order_line l ON l.id = bc.order_line_id JOIN customer_order o ON o.id = l.order_id
       WHERE x.state NOT IN ('finished', 'dissolved') GROUP BY 1) d ON d.batch_id = b.id
     WHERE b.state NOT IN ('finished', 'dissolved') AND b.state = ANY($1)
       AND ($2::date IS NULL OR (COALESCE(d.due, $5::date), b.number) > ($2::date, $3::int))
     ORDER BY COALESCE(d.due, $5::date), b.number LIMIT $4`,
    [states, after?.due ?? null, after?.number ?? null, limit, NEVER_DUE],
  );
  const ids = found.map((f) => f.id);
  const batches = await rows<OpenBatch>(db, `${select} WHERE b.id = ANY($1)`, [ids]);
  const at = new Map(ids.map((id, i) => [id, i]));
  return batches.sort((a, b) => (at.get(a.id) ?? 0) - (at.get(b.id) ?? 0));
}

export const batchById = async (db: Db, id: string): Promise<OpenBatch | undefined> =>
  (await rows<OpenBatch>(db, `${select} WHERE b.id = $1 AND b.state <> 'dissolved'`, [id]))[0];

/** The kind of fly of a batch. */
export const skuOfBatch = (db: Db, id: string): Promise<Sku | undefined> =>
  row(db, "SELECT pattern_id AS pattern, variant, form, size FROM batch WHERE id = $1 AND state <> 'dissolved'", [id]);

/** Planned batches of a kind of fly, locked, in one order. */
export async function lockedPlanned(db: Db, { pattern, variant, form, size }: Sku): Promise<OpenBatch[]> {
  const of = "b.pattern_id = $1 AND b.variant = $2 AND b.form = $3 AND b.size = $4 AND b.state = 'planned'";
  const sku = [pattern, variant, form, size];
  await db.query(`SELECT 1 FROM batch b WHERE ${of} ORDER BY b.id FOR NO KEY UPDATE`, sku);
  return rows(db, `${select} WHERE ${of} ORDER BY b.number`, sku);
}

/**
 * One at a time for each kind of fly, until the transaction ends: whoever shares out its shelf and its batches. Taken
 * in one order; those that a transaction has already are had at once.
 */
const FLY_LOCK = 4681;
export const lockFlies = async (db: Db, skus: Sku[]): Promise<void> => {
  await db.query(
    "SELECT pg_advisory_xact_lock($1, k) FROM (SELECT DISTINCT hashtext(x) AS k FROM unnest($2::text[]) x ORDER BY 1) keys",
    [FLY_LOCK, skus.map(skuKey)],
  );
};

/** Flies counted in finished batches, by pattern; kept as they are finished. */
export const finishedCounts = (
  db: Db,
): Promise<{ pattern: string; patternName: string; good: number; rejected: number; batches: number }[]> =>
  db
    .createQueryBuilder(patternOutcomeEntity, "o")
    .innerJoin("pattern", "p", "p.id = o.patternId")
    .select("o.patternId", "pattern")
    .addSelect("p.name", "patternName")
    .addSelect("o.good", "good")
    .addSelect("o.rejected", "rejected")
    .addSelect("o.batches", "batches")
    .orderBy("p.name")
    .getRawMany();

/** What finished batches used of each component against what was computed, summed; kept as they are finished. */
export const componentOutcomes = (db: Db): Promise<ComponentOutcomeRow[]> =>
  db.getRepository(componentOutcomeEntity).find();

/** Adds what a batch has yielded and used to what is known of its pattern. */
export async function addOutcome(
  db: Db,
  pattern: string,
  { good, rejected }: { good: number; rejected: number },
  used: { component: string; weight: number; weighted: number }[],
): Promise<void> {
  await db.query(
    `INSERT INTO pattern_outcome AS o (pattern_id, good, rejected, batches) VALUES ($1, $2, $3, 1)
     ON CONFLICT (pattern_id) DO UPDATE SET good = o.good + EXCLUDED.good, rejected = o.rejected + EXCLUDED.rejected,
       batches = o.batches + 1`,
    [pattern, good, rejected],
  );
  for (const u of [...used].sort((a, b) => a.component.localeCompare(b.component)))
    await db.query(
      `INSERT INTO component_outcome AS o (pattern_id, component, weight, weighted, batches) VALUES ($1, $2, $3, $4, 1)
       ON CONFLICT (pattern_id, component) DO UPDATE SET weight = o.weight + EXCLUDED.weight,
         weighted = o.weighted + EXCLUDED.weighted, batches = o.batches + 1`,
      [pattern, u.component, u.weight, u.weighted],
    );
}

/** What finished batches counted of each material's pieces. */
export const pieceOutcomes = async (db: Db): Promise<Map<string, { good: number; bad: number; batches: number }>> =>
  new Map(
    (await db.getRepository(materialOutcomeEntity).find()).map((o) => [
      o.materialCode,
      { good: o.sound, bad: o.spoilt, batches: o.batches },
    ]),
  );

/** Adds what a batch has counted, material by material in one order. */
export async function addPieces(db: Db, counted: { material: string; sound: number; spoilt: number }[]): Promise<void> {
  for (const c of [...counted].sort((a, b) => a.material.localeCompare(b.material)))
    await db.query(
      `INSERT INTO material_outcome AS o (material_code, sound, spoilt, batches) VALUES ($1, $2, $3, 1)
       ON CONFLICT (material_code) DO UPDATE SET sound = o.sound + EXCLUDED.sound,
         spoilt = o.spoilt + EXCLUDED.spoilt, batches = o.batches + 1`,
      [c.material, c.sound, c.spoilt],
    );
}

/** Minutes of preparation against what was reckoned, summed by kind; of runs of which somebody noted them. */
export const loggedPrep = async (db: Db): Promise<Map<string, { sumOfLogs: number; runs: number }>> =>
  new Map(
    (
      await rows<{ kind: string; sumOfLogs: number; runs: number }>(
        db,
        `SELECT kind, sum(ln(minutes / reckoned)) AS "sumOfLogs", count(*)::int AS runs FROM prep_run
         WHERE minutes IS NOT NULL AND reckoned IS NOT NULL GROUP BY kind`,
      )
    ).map(({ kind, ...sums }) => [kind, sums]),
  );

/** Kinds of flies in open orders. */
export const orderedFlies = (db: Db): Promise<Sku[]> =>
  rows(
    db,
    `SELECT DISTINCT l.pattern_id AS pattern, l.variant, l.form, l.size FROM order_line l
     JOIN customer_order o ON o.id = l.order_id WHERE o.closed_at IS NULL`,
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
  asked: Asked;
}

/** Lines of open orders of a kind of fly, the earliest due first. A cancelled one waits for nothing. */
export const openLines = (db: Db, { pattern, variant, form, size }: Sku): Promise<OpenLine[]> =>
  db
    .createQueryBuilder("order_line", "l")
    .innerJoin("customer_order", "o", "o.id = l.orderId")
    .innerJoin("customer", "c", "c.id = o.customerId")
    .innerJoin("line_progress", "pr", "pr.lineId = l.id")
    .select("l.id", "id")
    .addSelect("o.number", "order")
    .addSelect("COALESCE(l.due, o.due)", "due")
    .addSelect("c.rank", "rank")
    .addSelect("l.patternId", "pattern")
    .addSelect("l.variant", "variant")
    .addSelect("l.form", "form")
    .addSelect("l.size", "size")
    .addSelect("CASE WHEN l.cancelled THEN 0 ELSE l.flies END", "flies")
    .addSelect("l.asked", "asked")
    .addSelect("pr.boxed", "boxed")
    .addSelect("pr.ready", "ready")
    .addSelect("pr.active", "active")
    .where(
      "o.closedAt IS NULL AND l.patternId = :pattern AND l.variant = :variant AND l.form = :form AND l.size = :size",
    )
    .setParameters({ pattern, variant, form, size })
    .orderBy("COALESCE(l.due, o.due)")
    .addOrderBy("c.rank")
    .addOrderBy("o.number")
    .addOrderBy("l.position")
    .getRawMany();

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

/** What was tied of a batch, its rejects by what each of them cost; one of which nobody said is a whole fly. */
export async function tiedOf(db: Db, batch: { id: string; good: number }): Promise<Tied> {
  const lost = await rows<{ loss: string | null; count: number }>(
    db,
    `SELECT t.loss, count(*)::int AS count FROM tally t WHERE t.batch_id = $1 AND t.kind = 'reject'
       AND NOT EXISTS (SELECT 1 FROM tally u WHERE u.undoes = t.id AND u.kind = 'undo') GROUP BY t.loss`,
    [batch.id],
  );
  const of = (loss: string): number => lost.find((l) => l.loss === loss)?.count ?? 0;
  const all = lost.reduce((sum, l) => sum + l.count, 0);
  const [hookKept, timeOnly] = [of("hook kept"), of("time only")];
  return { good: batch.good, wholeFly: all - hookKept - timeOnly, hookKept, timeOnly };
}
