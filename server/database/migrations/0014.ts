import type { MigrationInterface, QueryRunner } from "typeorm";

/** The last search for a better plan, and how far it is. */
export class Fourteenth1700000000014 implements MigrationInterface {
  name = "Fourteenth1700000000014";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE plan_search (
         one boolean PRIMARY KEY DEFAULT true, person_id uuid NOT NULL REFERENCES person,
         at timestamptz NOT NULL DEFAULT now(), seconds integer NOT NULL, state text NOT NULL,
         stop boolean NOT NULL DEFAULT false, spent numeric NOT NULL DEFAULT 0, late numeric, late_before numeric,
         lower_bound numeric, outcome jsonb, CONSTRAINT plan_search_one_check CHECK (one)
       )`,
    );
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}
