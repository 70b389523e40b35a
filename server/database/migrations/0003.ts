import { View, type MigrationInterface, type QueryRunner } from "typeorm";

/**
 * Tables as their entities describe them: failures of signing in have a key, kept replies an index by age, a class of
 * barbs its shorter end first; how far a line is becomes a view, and views are known to TypeORM.
 */
export class Third1700000000003 implements MigrationInterface {
  name = "Third1700000000003";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(tables);
    await runner.query("DROP VIEW tally_count");
    await runner.createView(new View({ name: "tally_count", expression: tallyCount }), true);
    await runner.createView(new View({ name: "line_progress", expression: lineProgress }), true);
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}

const tables = `
ALTER TABLE sign_in_failure ADD id serial PRIMARY KEY;
CREATE INDEX request_key_at ON request_key (at);
-- Classes that were written the wrong way round are turned.
UPDATE lot SET barb_from_um = barb_to_um, barb_to_um = barb_from_um WHERE barb_from_um > barb_to_um;
ALTER TABLE lot ADD CONSTRAINT lot_barb_in_order CHECK (barb_from_um <= barb_to_um);`;

const tallyCount = `
SELECT t.batch_id, count(*) FILTER (WHERE t.kind = 'good')::int AS good,
  count(*) FILTER (WHERE t.kind = 'reject')::int AS rejected
FROM tally t WHERE t.kind <> 'undo' AND NOT EXISTS (SELECT 1 FROM tally u WHERE u.undoes = t.id) GROUP BY t.batch_id`;

const lineProgress = `
SELECT l.id AS line_id, COALESCE(bx.n, 0) AS boxed, COALESCE(rd.n, 0) AS ready,
  COALESCE(ib.n, 0) AS in_batches, COALESCE(ib.active, 0) AS active
FROM order_line l
LEFT JOIN LATERAL (
  SELECT sum(m.quantity)::int AS n FROM movement m JOIN place t ON t.id = m.to_place
  WHERE m.order_line_id = l.id AND t.kind = 'customer') bx ON true
LEFT JOIN LATERAL (SELECT sum(r.quantity)::int AS n FROM reservation r WHERE r.order_line_id = l.id) rd ON true
LEFT JOIN LATERAL (
  SELECT sum(bc.flies)::int AS n, (sum(bc.flies) FILTER (WHERE b.state <> 'planned'))::int AS active
  FROM batch_claim bc JOIN batch b ON b.id = bc.batch_id
  WHERE bc.order_line_id = l.id AND b.state IN ('planned', 'released', 'pulled', 'tying')) ib ON true`;
