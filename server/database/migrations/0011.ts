import type { MigrationInterface, QueryRunner } from "typeorm";

/**
 * Purchasing: what a supplier asks (least order, freight), price by the number of packs, what of a pack can be tied
 * with, and purchase orders with what came of them.
 */
export class Eleventh1700000000011 implements MigrationInterface {
  name = "Eleventh1700000000011";

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}

const statements = [
  `ALTER TABLE supplier
     ADD minimum_cents integer NOT NULL DEFAULT 0, ADD freight_cents integer NOT NULL DEFAULT 0,
     ADD free_from_cents integer, ADD by_letter boolean NOT NULL DEFAULT false,
     ADD CONSTRAINT supplier_terms_check CHECK (minimum_cents >= 0 AND freight_cents >= 0 AND free_from_cents >= 0)`,
  `ALTER TABLE material_source
     ADD breaks jsonb NOT NULL DEFAULT '[]', ADD usable integer NOT NULL DEFAULT 100, ADD grade text NOT NULL DEFAULT '',
     ADD season jsonb, ADD note text NOT NULL DEFAULT '',
     ADD CONSTRAINT material_source_usable_check CHECK (usable BETWEEN 1 AND 100)`,
  `CREATE TABLE purchase_order (
     id uuid PRIMARY KEY DEFAULT gen_random_uuid(), number serial NOT NULL,
     supplier_id text NOT NULL REFERENCES supplier, state text NOT NULL DEFAULT 'draft',
     written_at timestamptz NOT NULL DEFAULT now(), person_id uuid NOT NULL REFERENCES person,
     sent_at timestamptz, expected_on date, confirmed_on date, done_at timestamptz,
     freight_cents integer NOT NULL DEFAULT 0, note text NOT NULL DEFAULT '', answer text NOT NULL DEFAULT '',
     version integer NOT NULL DEFAULT 1,
     CONSTRAINT purchase_order_number_key UNIQUE (number),
     CONSTRAINT purchase_order_state_check CHECK (state IN ('draft', 'sent', 'confirmed', 'received', 'cancelled'))
   )`,
  "CREATE INDEX purchase_order_state ON purchase_order (state)",
  `CREATE TABLE purchase_line (
     id uuid PRIMARY KEY DEFAULT gen_random_uuid(), order_id uuid NOT NULL REFERENCES purchase_order ON DELETE CASCADE,
     material_code text NOT NULL REFERENCES material, packs integer NOT NULL, pack bigint NOT NULL,
     pack_cents integer NOT NULL, dye_lot text NOT NULL DEFAULT '', received bigint NOT NULL DEFAULT 0,
     closed boolean NOT NULL DEFAULT false,
     CONSTRAINT purchase_line_check CHECK (packs > 0 AND pack > 0 AND pack_cents >= 0 AND received >= 0)
   )`,
  "CREATE INDEX purchase_line_order ON purchase_line (order_id)",
  "CREATE INDEX purchase_line_material ON purchase_line (material_code) WHERE NOT closed",
  "ALTER TABLE lot ADD purchase_line_id uuid REFERENCES purchase_line",
  // What was computed knows nothing of what is on its way: it is computed anew.
  "DELETE FROM outlook",
];
