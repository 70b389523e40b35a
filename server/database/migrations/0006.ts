import type { MigrationInterface, QueryRunner } from "typeorm";

/** What the customer wished for a line, in the customer's words. */
export class Sixth1700000000006 implements MigrationInterface {
  name = "Sixth1700000000006";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE order_line ADD wishes text NOT NULL DEFAULT ''");
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}
