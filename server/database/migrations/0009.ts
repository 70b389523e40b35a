import type { MigrationInterface, QueryRunner } from "typeorm";

/** What a customer is given on every price, in per cent. */
export class Ninth1700000000009 implements MigrationInterface {
  name = "Ninth1700000000009";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE customer ADD discount integer NOT NULL DEFAULT 0");
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}
