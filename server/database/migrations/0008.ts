import type { MigrationInterface, QueryRunner } from "typeorm";

/** What somebody let pass of a customer's rules, for an order as it was written and for a batch. */
export class Eighth1700000000008 implements MigrationInterface {
  name = "Eighth1700000000008";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE customer_order ADD exception jsonb");
    await runner.query("ALTER TABLE batch ADD exceptions jsonb NOT NULL DEFAULT '[]'");
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}
