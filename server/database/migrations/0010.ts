import type { MigrationInterface, QueryRunner } from "typeorm";

/**
 * What a lot is known by: how it was sold, by whom, what it cost and for how much, when it was opened and expires,
 * where it comes from, until when it is kept apart; classes of a skin as lots of their own; counts with how sure they
 * are. A price of nought was never said: it becomes unknown.
 */
export class Tenth1700000000010 implements MigrationInterface {
  name = "Tenth1700000000010";

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}

const statements = [
  `ALTER TABLE lot
     ALTER price_cents DROP NOT NULL, ALTER price_cents DROP DEFAULT,
     ADD price_for bigint,
     ADD sold_as text NOT NULL DEFAULT '',
     ADD supplier_id text REFERENCES supplier,
     ADD opened_on date,
     ADD expires_on date,
     ADD apart_until date,
     ADD origin text NOT NULL DEFAULT '',
     ADD papers text NOT NULL DEFAULT '',
     ADD note text NOT NULL DEFAULT '',
     ADD skin_id uuid REFERENCES lot,
     ADD version integer NOT NULL DEFAULT 1,
     ADD CONSTRAINT lot_price_check CHECK (price_cents >= 0 AND price_for > 0),
     ADD CONSTRAINT lot_is_no_class_of_itself CHECK (skin_id <> id)`,
  "UPDATE lot SET price_cents = NULL WHERE price_cents = 0",
  "CREATE INDEX lot_skin ON lot (skin_id) WHERE skin_id IS NOT NULL",
  `CREATE TABLE stock_count (
     id bigserial PRIMARY KEY, at timestamptz NOT NULL DEFAULT now(), person_id uuid NOT NULL REFERENCES person,
     lot_id uuid NOT NULL REFERENCES lot, place_id integer NOT NULL REFERENCES place,
     counted bigint NOT NULL, expected bigint NOT NULL, plus_minus bigint NOT NULL DEFAULT 0, how text NOT NULL,
     note text NOT NULL DEFAULT '',
     CONSTRAINT stock_count_not_negative CHECK (counted >= 0 AND plus_minus >= 0),
     CONSTRAINT stock_count_how_check CHECK (how IN ('counted', 'weighed', 'looked at'))
   )`,
  "CREATE INDEX stock_count_lot ON stock_count (lot_id, id)",
];
