import type { MigrationInterface, QueryRunner } from "typeorm";

/**
 * The plan as people decide it: batches pinned to somebody and a time, the order of work that is kept from one plan to
 * the next, versions that were published, calendars. What a finished batch teaches of minutes, who still learns, and
 * what was promised for each line of an order.
 */
export class Thirteenth1700000000013 implements MigrationInterface {
  name = "Thirteenth1700000000013";

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}

const statements = [
  `CREATE TABLE plan_pin (
     batch_id uuid PRIMARY KEY REFERENCES batch, person_id uuid NOT NULL REFERENCES person, at timestamptz,
     shares jsonb NOT NULL DEFAULT '[]', set_by uuid NOT NULL REFERENCES person, set_at timestamptz NOT NULL DEFAULT now()
   )`,
  `CREATE TABLE plan_order (
     one boolean PRIMARY KEY DEFAULT true, revision integer NOT NULL, work jsonb NOT NULL,
     CONSTRAINT plan_order_one_check CHECK (one)
   )`,
  `CREATE TABLE plan_version (
     number serial PRIMARY KEY, published_at timestamptz NOT NULL DEFAULT now(),
     person_id uuid NOT NULL REFERENCES person, note text NOT NULL DEFAULT '', doc jsonb NOT NULL
   )`,
  `CREATE TABLE calendar_key (
     person_id uuid PRIMARY KEY REFERENCES person, hash text NOT NULL, made_at timestamptz NOT NULL DEFAULT now(),
     CONSTRAINT calendar_key_hash_key UNIQUE (hash)
   )`,
  `ALTER TABLE batch
     ADD tied_by uuid REFERENCES person, ADD minutes_computed numeric, ADD way text NOT NULL DEFAULT ''`,
  "ALTER TABLE person ADD learns boolean NOT NULL DEFAULT false, ADD extra_hours jsonb NOT NULL DEFAULT '[]'",
  "ALTER TABLE order_line ADD promised_for date, ADD promised_odds numeric, ADD late_by text",
  // Batches of before: whoever tallied most of their flies tied them, in the minutes that the pattern says.
  `UPDATE batch b SET
     tied_by = (SELECT t.person_id FROM tally t WHERE t.batch_id = b.id AND t.kind <> 'undo'
       GROUP BY 1 ORDER BY count(*) DESC, 1 LIMIT 1),
     minutes_computed = (SELECT (v.recipe->>'minutesPerFly')::numeric FROM pattern_version v
       WHERE v.pattern_id = b.pattern_id AND v.version = b.pattern_version)
   WHERE b.state = 'finished' AND b.minutes > 0`,
  // What was computed has another shape now: it is computed anew.
  "DELETE FROM outlook",
];
