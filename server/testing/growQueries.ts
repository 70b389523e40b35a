import type { Db } from "../database/rows";

/** Every lot in a drawer so many times more, each received anew. */
export async function growStock(db: Db, times: number): Promise<void> {
  await db.query(
    `INSERT INTO lot (code, material_code, dye_lot, grade, side, barb_from_um, barb_to_um, received_at, price_cents)
     SELECT l.code || '-' || k, l.material_code, l.dye_lot, l.grade, l.side, l.barb_from_um, l.barb_to_um, l.received_at,
       l.price_cents
     FROM lot l JOIN balance b ON b.lot_id = l.id JOIN place p ON p.id = b.place_id AND p.kind = 'drawer'
     CROSS JOIN generate_series(1, $1::int) AS k WHERE l.material_code IS NOT NULL AND b.quantity > 0`,
    [times],
  );
  await db.query(
    `INSERT INTO movement (person_id, reason, lot_id, quantity, from_place, to_place)
     SELECT (SELECT id FROM person LIMIT 1), 'received', n.id, b.quantity,
       (SELECT id FROM place WHERE kind = 'supplier' LIMIT 1), b.place_id
     FROM lot n JOIN lot o ON n.code LIKE o.code || '-%' AND n.material_code = o.material_code
       AND NOT EXISTS (SELECT 1 FROM movement m WHERE m.lot_id = n.id)
     JOIN balance b ON b.lot_id = o.id JOIN place p ON p.id = b.place_id AND p.kind = 'drawer' AND b.quantity > 0`,
  );
}

/** Every finished batch so many times more, with its order, its tallies and what it used. */
export async function growHistory(db: Db, times: number): Promise<void> {
  await db.query(
    `CREATE TEMP TABLE again ON COMMIT DROP AS
     SELECT b.id AS batch, gen_random_uuid() AS new_batch, l.id AS line, gen_random_uuid() AS new_line, o.id AS ordered,
       gen_random_uuid() AS new_order, k FROM batch b JOIN batch_claim c ON c.batch_id = b.id
     JOIN order_line l ON l.id = c.order_line_id JOIN customer_order o ON o.id = l.order_id
     CROSS JOIN generate_series(1, $1::int) AS k WHERE b.state = 'finished'`,
    [times],
  );
  const statements = [
    `INSERT INTO customer_order (id, customer_id, due, created_by, created_at, closed_at)
     SELECT a.new_order, o.customer_id, o.due, o.created_by, o.created_at - make_interval(days => a.k * 30),
       o.closed_at - make_interval(days => a.k * 30) FROM again a JOIN customer_order o ON o.id = a.ordered`,
    `INSERT INTO order_line (id, order_id, position, pattern_id, variant, form, size, flies)
     SELECT a.new_line, a.new_order, 0, l.pattern_id, l.variant, l.form, l.size, l.flies
     FROM again a JOIN order_line l ON l.id = a.line`,
    `INSERT INTO batch (id, pattern_id, pattern_version, variant, form, size, state, starts, minutes, good, rejected,
       created_at, finished_at)
     SELECT a.new_batch, b.pattern_id, b.pattern_version, b.variant, b.form, b.size, 'finished', b.starts, b.minutes,
       b.good, b.rejected, b.created_at, b.finished_at - make_interval(days => a.k * 30) FROM again a JOIN batch b ON b.id = a.batch`,
    `INSERT INTO batch_claim SELECT a.new_batch, a.new_line, c.flies FROM again a JOIN batch_claim c ON c.batch_id = a.batch`,
    `INSERT INTO tally (id, batch_id, person_id, at, kind, reason, loss)
     SELECT gen_random_uuid(), a.new_batch, t.person_id, t.at, t.kind, t.reason, t.loss
     FROM again a JOIN tally t ON t.batch_id = a.batch AND t.kind <> 'undo'`,
    `INSERT INTO batch_use SELECT a.new_batch, u.key, u.component, u.material_code, u.flies, u.computed, u.taken, u.used,
       u.scrapped, u.returned FROM again a JOIN batch_use u ON u.batch_id = a.batch`,
    `UPDATE pattern_outcome SET good = good * ($1 + 1), rejected = rejected * ($1 + 1), batches = batches * ($1 + 1)`,
    `UPDATE component_outcome SET weight = weight * ($1 + 1), weighted = weighted * ($1 + 1), batches = batches * ($1 + 1)`,
  ];
  // The counts are written above.
  await db.query("ALTER TABLE tally DISABLE TRIGGER USER");
  for (const s of statements) await db.query(s, s.includes("$1") ? [times] : []);
  await db.query("ALTER TABLE tally ENABLE TRIGGER USER");
}

/** So many entries of the log, over the last years. */
export async function growLog(db: Db, entries: number): Promise<void> {
  await db.query("ALTER TABLE event DISABLE TRIGGER USER");
  await db.query(
    `INSERT INTO event (at, person_id, subject, subject_id, kind, sentence)
     SELECT now() - make_interval(mins => $1 - i), (SELECT id FROM person LIMIT 1), 'stock', 'HK', 'counted',
       'Counted a drawer, as every week' FROM generate_series(1, $1::int) AS i`,
    [entries],
  );
  await db.query("ALTER TABLE event ENABLE TRIGGER USER");
}
