import type { MigrationInterface, QueryRunner } from "typeorm";

/** Stock-takes: begun, walked drawer by drawer on any device, and closed. One is open at a time. */
export class Twelfth1700000000012 implements MigrationInterface {
  name = "Twelfth1700000000012";

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}

const statements = [
  `CREATE TABLE stock_take (
     id uuid PRIMARY KEY DEFAULT gen_random_uuid(), started_at timestamptz NOT NULL DEFAULT now(),
     person_id uuid NOT NULL REFERENCES person, blind boolean NOT NULL DEFAULT false, done_at timestamptz
   )`,
  "CREATE UNIQUE INDEX stock_take_open ON stock_take ((true)) WHERE done_at IS NULL",
  `CREATE TABLE stock_take_count (
     take_id uuid REFERENCES stock_take, lot_id uuid REFERENCES lot, place_id integer REFERENCES place,
     at timestamptz NOT NULL DEFAULT now(), person_id uuid NOT NULL REFERENCES person,
     counted bigint NOT NULL, expected bigint NOT NULL, plus_minus bigint NOT NULL DEFAULT 0, how text NOT NULL,
     note text NOT NULL DEFAULT '',
     PRIMARY KEY (take_id, lot_id, place_id),
     CONSTRAINT stock_take_count_not_negative CHECK (counted >= 0 AND plus_minus >= 0)
   )`,
];
