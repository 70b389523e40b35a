import type { MigrationInterface, QueryRunner } from "typeorm";

/** Orders that come up again each year. */
export class Fifteenth1700000000015 implements MigrationInterface {
  name = "Fifteenth1700000000015";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE standing_order (
         order_id uuid PRIMARY KEY REFERENCES customer_order, ahead_days integer NOT NULL,
         passed integer NOT NULL DEFAULT 0, set_by uuid NOT NULL REFERENCES person,
         set_at timestamptz NOT NULL DEFAULT now()
       )`,
    );
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}
