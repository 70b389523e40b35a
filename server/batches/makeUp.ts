import { gather, mostOwedFor, type Need, type PlannedBatch } from "@kasten/core/batches";
import type { EntityManager } from "typeorm";
import { row, rows } from "../database/source";
import { readSettings } from "../patterns";
import { readLearned } from "./knowledge";
import { openBatches } from "./open";

interface OpenLine {
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

const openLines = (db: EntityManager): Promise<OpenLine[]> =>
  rows<OpenLine>(
    db,
    `SELECT l.id, o.number AS "order", o.due, c.rank, l.pattern_id AS pattern, l.variant, l.form, l.size, CASE WHEN l.cancelled THEN 0 ELSE l.flies END AS flies,
       COALESCE((SELECT sum(m.quantity) FROM movement m JOIN place t ON t.id = m.to_place WHERE m.order_line_id = l.id AND t.kind = 'customer'), 0)::int AS boxed,
       COALESCE((SELECT sum(r.quantity) FROM reservation r WHERE r.order_line_id = l.id), 0)::int AS ready,
       COALESCE((SELECT sum(bc.flies) FROM batch_claim bc JOIN batch b ON b.id = bc.batch_id WHERE bc.order_line_id = l.id AND b.state IN ('released', 'pulled', 'tying')), 0)::int AS active
     FROM order_line l JOIN customer_order o ON o.id = l.order_id JOIN customer c ON c.id = o.customer_id WHERE o.closed_at IS NULL ORDER BY o.due, c.rank, o.number, l.position`,
  );

/** Gives back finished flies that a shrunk or cancelled line no longer needs, then puts free ones by for lines, earliest due first. */
async function shareOutShelf(db: EntityManager, lines: OpenLine[]): Promise<void> {
  for (const line of lines) {
    let excess = line.ready + line.boxed - line.flies;
    if (excess <= 0 || line.ready === 0) continue;
    const kept = await rows<{ id: string; lot: string; place: number; quantity: number }>(
      db,
      "SELECT id, lot_id AS lot, place_id AS place, quantity FROM reservation WHERE order_line_id = $1",
      [line.id],
    );
    for (const r of kept) {
      if (excess <= 0) break;
      await db.query("DELETE FROM reservation WHERE id = $1", [r.id]);
      const stay = Math.max(0, r.quantity - excess);
      if (stay > 0)
        await db.query("INSERT INTO reservation (lot_id, place_id, quantity, order_line_id) VALUES ($1, $2, $3, $4)", [
          r.lot,
          r.place,
          stay,
          line.id,
        ]);
      excess -= r.quantity - stay;
      line.ready -= r.quantity - stay;
    }
  }
  const shelf = await rows<{
    lot: string;
    place: number;
    free: number;
    pattern: string;
    variant: string;
    form: string;
    size: string;
  }>(
    db,
    `SELECT l.id AS lot, b.place_id AS place, b.quantity - b.reserved AS free, l.pattern_id AS pattern, l.variant, l.form, l.size FROM balance b JOIN lot l ON l.id = b.lot_id JOIN place p ON p.id = b.place_id
     WHERE p.kind = 'flies' AND l.pattern_id IS NOT NULL AND b.quantity > b.reserved ORDER BY l.received_at, l.id`,
  );
  for (const line of lines)
    for (const s of shelf) {
      const open = line.flies - line.boxed - line.ready - line.active;
      if (open <= 0) break;
      if (
        s.free <= 0 ||
        s.pattern !== line.pattern ||
        s.variant !== line.variant ||
        s.form !== line.form ||
        s.size !== line.size
      )
        continue;
      const taken = Math.min(open, s.free);
      await db.query("INSERT INTO reservation (lot_id, place_id, quantity, order_line_id) VALUES ($1, $2, $3, $4)", [
        s.lot,
        s.place,
        taken,
        line.id,
      ]);
      s.free -= taken;
      line.ready += taken;
    }
}

/**
 * Brings shelf and planned batches in line with the open orders. Called in the transaction of every change that matters to
 * them; one at a time for the whole room, so that two orders saved at once share out the same shelf and batches.
 */
export async function makeUp(db: EntityManager): Promise<void> {
  await db.query("SELECT pg_advisory_xact_lock(4680)");
  const lines = await openLines(db);
  await shareOutShelf(db, lines);
  const settings = await readSettings(db);
  const learned = await readLearned(db);
  const planned: PlannedBatch[] = (await openBatches(db))
    .filter((b) => b.state === "planned")
    .map((b) => ({
      id: b.id,
      sku: { pattern: b.pattern, variant: b.variant, form: b.form, size: b.size },
      claims: b.claims.map((c) => ({ line: c.line, flies: c.flies })),
      held: b.held,
    }));
  const needs: Need[] = lines
    .map((l) => ({
      line: l.id,
      sku: { pattern: l.pattern, variant: l.variant, form: l.form, size: l.size },
      flies: l.flies - l.boxed - l.ready - l.active,
      due: l.due,
      rank: l.rank,
      order: l.order,
    }))
    .filter((n) => n.flies > 0);
  let fresh = 0;
  const wanted = gather(
    needs,
    planned,
    (sku) => ({
      most: mostOwedFor(settings.tray, learned.outcomes(sku.pattern), settings.serviceLevel),
      windowDays: settings.windowDays,
    }),
    () => `new-${++fresh}`,
  );
  await writePlanned(db, planned, wanted);
}

async function writePlanned(db: EntityManager, before: PlannedBatch[], wanted: PlannedBatch[]): Promise<void> {
  const kept = new Set(wanted.map((b) => b.id));
  for (const b of before) if (!kept.has(b.id)) await dissolve(db, b.id);
  for (const b of wanted) {
    const was = before.find((x) => x.id === b.id);
    if (was && JSON.stringify(was.claims) === JSON.stringify(b.claims)) continue;
    await writeClaims(db, was ? b.id : await insertBatch(db, b.sku), b.claims);
  }
}

export async function insertBatch(db: EntityManager, sku: PlannedBatch["sku"], held = false): Promise<string> {
  const made = await row<{ id: string }>(
    db,
    `INSERT INTO batch (pattern_id, pattern_version, variant, form, size, held) SELECT id, version, $2, $3, $4, $5 FROM pattern WHERE id = $1 RETURNING id`,
    [sku.pattern, sku.variant, sku.form, sku.size, held],
  );
  if (!made) throw new Error(`no pattern ${sku.pattern}`);
  return made.id;
}

/** Claims change what a batch needs, so its reservations are given back and made anew when asked for. */
export async function writeClaims(db: EntityManager, batch: string, claims: PlannedBatch["claims"]): Promise<void> {
  await db.query("DELETE FROM batch_claim WHERE batch_id = $1", [batch]);
  for (const c of claims)
    await db.query("INSERT INTO batch_claim (batch_id, order_line_id, flies) VALUES ($1, $2, $3)", [
      batch,
      c.line,
      c.flies,
    ]);
  await db.query("UPDATE batch SET version = version + 1 WHERE id = $1", [batch]);
}

export async function dissolve(db: EntityManager, batch: string): Promise<void> {
  await db.query("DELETE FROM reservation WHERE batch_id = $1", [batch]);
  await db.query("DELETE FROM batch_claim WHERE batch_id = $1", [batch]);
  await db.query("UPDATE batch SET state = 'dissolved', version = version + 1 WHERE id = $1", [batch]);
}
