import type { MigrationInterface, QueryRunner } from "typeorm";

/** A day of a line's own, what a line asks of a fly beside its pattern, and by what of it a batch was gathered. */
export class Seventh1700000000007 implements MigrationInterface {
  name = "Seventh1700000000007";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE order_line ADD due date");
    await runner.query("ALTER TABLE order_line ADD asked jsonb NOT NULL DEFAULT '{}'");
    await runner.query("ALTER TABLE batch ADD asked jsonb NOT NULL DEFAULT '{}'");
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}
