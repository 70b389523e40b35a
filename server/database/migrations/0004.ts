import type { MigrationInterface, QueryRunner } from "typeorm";

/**
 * Sums that were made at each read are kept: tallies on their batch, what finished batches taught, what the open ones
 * need, and the plan. People's access ends; addresses from which they signed in are known. Replies that were kept of
 * requests with a password in them are forgotten.
 */
export class Fourth1700000000004 implements MigrationInterface {
  name = "Fourth1700000000004";

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of [access, tallies, learned, versions, outlook]) await runner.query(statement);
    await runner.query("DELETE FROM typeorm_metadata WHERE type = 'VIEW' AND name = 'tally_count'");
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}

const access = `
ALTER TABLE person ADD ended_at timestamptz;
CREATE TABLE known_address (
  person_id uuid NOT NULL REFERENCES person, address text NOT NULL, at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (person_id, address)
);
CREATE INDEX known_address_at ON known_address (at);
-- Their fingerprints were made over a password: signing in, the first owner, a person added.
DELETE FROM request_key WHERE person_id IS NULL OR reply ? 'login' OR reply ? 'isNew';`;

const tallies = `
ALTER TABLE batch ADD good int NOT NULL DEFAULT 0, ADD rejected int NOT NULL DEFAULT 0;
UPDATE batch b SET good = t.good, rejected = t.rejected FROM tally_count t WHERE t.batch_id = b.id;
DROP VIEW tally_count;
CREATE FUNCTION tally_apply() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  counted text := NEW.kind;
  direction int := 1;
BEGIN
  IF NEW.kind = 'undo' THEN
    SELECT kind INTO counted FROM tally WHERE id = NEW.undoes;
    direction := -1;
  END IF;
  UPDATE batch SET good = good + CASE counted WHEN 'good' THEN direction ELSE 0 END,
    rejected = rejected + CASE counted WHEN 'reject' THEN direction ELSE 0 END WHERE id = NEW.batch_id;
  RETURN NULL;
END $$;
CREATE TRIGGER tally_apply AFTER INSERT ON tally FOR EACH ROW EXECUTE FUNCTION tally_apply();
CREATE FUNCTION tally_is_for_good() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'A tally is never changed: it is taken back by another'
    USING ERRCODE = 'restrict_violation', CONSTRAINT = 'tally_is_for_good';
END $$;
CREATE TRIGGER tally_is_for_good BEFORE UPDATE OR DELETE ON tally FOR EACH ROW EXECUTE FUNCTION tally_is_for_good();
CREATE INDEX batch_planned ON batch (pattern_id, size) WHERE state = 'planned'::text;
CREATE INDEX batch_finished ON batch (number) WHERE state = 'finished'::text;
CREATE INDEX order_line_fly ON order_line (pattern_id, variant, form, size) WHERE NOT cancelled;`;

const learned = `
CREATE TABLE pattern_outcome (
  pattern_id text PRIMARY KEY REFERENCES pattern, good int NOT NULL, rejected int NOT NULL, batches int NOT NULL
);
INSERT INTO pattern_outcome
  SELECT pattern_id, sum(good), sum(rejected), count(*) FROM batch WHERE state = 'finished' AND good + rejected > 0
  GROUP BY 1;
CREATE TABLE component_outcome (
  pattern_id text NOT NULL REFERENCES pattern, component text NOT NULL, weight double precision NOT NULL,
  weighted double precision NOT NULL, batches int NOT NULL, PRIMARY KEY (pattern_id, component)
);
-- The variance of a batch's ln(actual/computed) is 0.08² + 0.15²/n: see docs/arithmetic.md.
INSERT INTO component_outcome
  SELECT pattern_id, component, sum(w), sum(w * ln(actual / computed)), count(*) FROM (
    SELECT b.pattern_id, u.component, 1 / (0.0064 + 0.0225 / u.flies) AS w, sum(u.used)::numeric AS actual,
      sum(u.computed)::numeric AS computed
    FROM batch_use u JOIN batch b ON b.id = u.batch_id JOIN material m ON m.code = u.material_code
    WHERE m.unit <> 'count' AND u.used > 0 AND u.computed > 0 GROUP BY b.pattern_id, u.component, b.id, u.flies) x
  GROUP BY 1, 2;`;

/** What the computation draws on has one version, never used twice: whoever holds it in memory sees that it is old. */
const versions = `
CREATE SEQUENCE world_versions;
CREATE TABLE world_version (one boolean PRIMARY KEY DEFAULT true CHECK (one), version bigint NOT NULL);
INSERT INTO world_version (version) VALUES (nextval('world_versions'));
CREATE FUNCTION world_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE world_version SET version = nextval('world_versions');
  RETURN NULL;
END $$;
${["setting", "material", "hook_model", "hook_size", "pattern", "pattern_version"]
  .map(
    (table) =>
      `CREATE TRIGGER world_changed AFTER INSERT OR UPDATE OR DELETE ON ${table} FOR EACH STATEMENT EXECUTE FUNCTION world_changed();`,
  )
  .join("\n")}`;

/** Told when a change is complete, so that whoever looks then sees it. */
const outlook = `
CREATE SEQUENCE room_changes;
CREATE TABLE outlook (
  part text PRIMARY KEY, change bigint NOT NULL, at timestamptz NOT NULL, took_ms int NOT NULL, doc text NOT NULL
);
CREATE FUNCTION tell_change(event bigint, subject text, subject_id text, kind text) RETURNS void LANGUAGE plpgsql AS $$
BEGIN
  PERFORM nextval('room_changes');
  PERFORM pg_notify('kasten',
    json_build_object('id', event, 'subject', subject, 'subjectId', subject_id, 'kind', kind)::text);
END $$;
DROP TRIGGER event_tell ON event;
CREATE OR REPLACE FUNCTION event_tell() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM tell_change(NEW.id, NEW.subject, NEW.subject_id, NEW.kind);
  RETURN NULL;
END $$;
CREATE CONSTRAINT TRIGGER event_tell AFTER INSERT ON event DEFERRABLE INITIALLY DEFERRED
  FOR EACH ROW EXECUTE FUNCTION event_tell();`;
