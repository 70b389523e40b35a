import type { MigrationInterface, QueryRunner } from "typeorm";

/** What batches teach of breakage, why a kit did not agree with its flies, what a lot has of its own, its picture. */
export class Sixteenth1700000000016 implements MigrationInterface {
  name = "Sixteenth1700000000016";

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}

/** As before; and the most that ever lay there is kept beside what lies there. The lower place first, always. */
const movementApply = `
CREATE OR REPLACE FUNCTION movement_apply() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM balance_row(NEW.lot_id, LEAST(NEW.from_place, NEW.to_place));
  PERFORM balance_row(NEW.lot_id, GREATEST(NEW.from_place, NEW.to_place));
  IF NEW.from_place < NEW.to_place THEN
    UPDATE balance SET quantity = quantity - NEW.quantity WHERE lot_id = NEW.lot_id AND place_id = NEW.from_place;
    UPDATE balance SET quantity = quantity + NEW.quantity, most = GREATEST(most, quantity + NEW.quantity)
      WHERE lot_id = NEW.lot_id AND place_id = NEW.to_place;
  ELSE
    UPDATE balance SET quantity = quantity + NEW.quantity, most = GREATEST(most, quantity + NEW.quantity)
      WHERE lot_id = NEW.lot_id AND place_id = NEW.to_place;
    UPDATE balance SET quantity = quantity - NEW.quantity WHERE lot_id = NEW.lot_id AND place_id = NEW.from_place;
  END IF;
  RETURN NULL;
END $$`;

const statements = [
  "ALTER TABLE batch_use ADD COLUMN why text NOT NULL DEFAULT ''",
  `CREATE TABLE material_outcome (
     material_code text PRIMARY KEY REFERENCES material, sound bigint NOT NULL, spoilt bigint NOT NULL,
     batches integer NOT NULL
   )`,
  "ALTER TABLE lot ADD COLUMN traits jsonb NOT NULL DEFAULT '{}'",
  `CREATE TABLE lot_photo (
     lot_id uuid PRIMARY KEY REFERENCES lot, at timestamptz NOT NULL DEFAULT now(),
     person_id uuid NOT NULL REFERENCES person, media_type text NOT NULL, image bytea NOT NULL
   )`,
  `CREATE TABLE prep_run (
     id uuid PRIMARY KEY DEFAULT gen_random_uuid(), kind text NOT NULL, title text NOT NULL,
     person_id uuid NOT NULL REFERENCES person, at timestamptz NOT NULL DEFAULT now(), minutes double precision,
     reckoned double precision, how jsonb NOT NULL DEFAULT '{}', note text NOT NULL DEFAULT '',
     CONSTRAINT prep_run_minutes_check CHECK (minutes > 0 AND reckoned > 0)
   )`,
  "CREATE INDEX prep_run_at ON prep_run (at)",
  "ALTER TABLE batch_prep ADD COLUMN run_id uuid REFERENCES prep_run",
  "ALTER TABLE lot ADD COLUMN run_id uuid REFERENCES prep_run",
  "CREATE INDEX lot_run ON lot (run_id) WHERE run_id IS NOT NULL",
  "ALTER TABLE batch ADD COLUMN kit_parts jsonb NOT NULL DEFAULT '[]'",
  "ALTER TABLE place ADD COLUMN bobbin boolean NOT NULL DEFAULT false",
  "ALTER TABLE place ADD CONSTRAINT place_bobbin_is_a_drawer CHECK (NOT bobbin OR kind = 'drawer')",
  "ALTER TABLE place ADD COLUMN cabinet text NOT NULL DEFAULT ''",
  "ALTER TABLE place ADD COLUMN row_number integer",
  "ALTER TABLE place ADD COLUMN row_position integer",
  "ALTER TABLE place ADD CONSTRAINT place_spot_check CHECK (row_number > 0 AND row_position > 0)",
  "ALTER TABLE balance ADD COLUMN most bigint NOT NULL DEFAULT 0",
  "ALTER TABLE balance DISABLE TRIGGER balance_by_ledger_only",
  "UPDATE balance SET most = GREATEST(quantity, 0)",
  "ALTER TABLE balance ENABLE TRIGGER balance_by_ledger_only",
  movementApply,
  // What was computed of the room has another shape now: it is computed anew.
  "DELETE FROM outlook",
];
