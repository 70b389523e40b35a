import type { MigrationInterface, QueryRunner } from "typeorm";

/**
 * A room is set up from its screens: settings, customers and suppliers have versions, people have absences, and the
 * shared tools are stations with their places and, where they are out of use, the reason.
 */
export class Fifth1700000000005 implements MigrationInterface {
  name = "Fifth1700000000005";

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of [columns, stations, tries]) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}

const columns = `
ALTER TABLE setting ADD version int NOT NULL DEFAULT 1;
ALTER TABLE customer ADD version int NOT NULL DEFAULT 1;
ALTER TABLE supplier ADD version int NOT NULL DEFAULT 1, ADD note text NOT NULL DEFAULT '';
ALTER TABLE person ADD absences jsonb NOT NULL DEFAULT '[]';`;

const stations = `
UPDATE setting SET value = (value - 'finishingPlaces' - 'stationsDown') || jsonb_build_object('stations', (
  SELECT jsonb_agg(jsonb_build_object('name', s.name,
    'places', CASE s.name WHEN 'finishing' THEN COALESCE((value->>'finishingPlaces')::int, 1) ELSE 1 END,
    'down', CASE WHEN COALESCE(value->'stationsDown', '[]') ? s.name THEN to_jsonb('out of use'::text) ELSE 'null' END))
  FROM (VALUES ('finishing'), ('mill')) AS s(name)))
WHERE key = 'shop';`;

/** Tries to sign in are counted by a limiter that has its own table; what was counted so far is forgotten. */
const tries = `
DROP TABLE sign_in_failure;
CREATE TABLE sign_in_try (key text PRIMARY KEY, points int NOT NULL DEFAULT 0, expire bigint);`;
