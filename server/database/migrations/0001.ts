import type { MigrationInterface, QueryRunner } from "typeorm";

/** The first schema: people, patterns, the stock ledger, orders, batches, tallies, parcels, and the log. */
export class First1700000000001 implements MigrationInterface {
  name = "First1700000000001";

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of [people, cabinet, ledger, ledgerRules, work, log]) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error("The first migration is not undone: restore a backup instead.");
  }
}

const people = `
CREATE TABLE person (
  id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
  login text NOT NULL UNIQUE,
  name text NOT NULL,
  role text NOT NULL CHECK (role IN ('owner', 'tier', 'shop')),
  password_hash text NOT NULL,
  skills jsonb NOT NULL DEFAULT '[]',
  hours jsonb NOT NULL DEFAULT '[]',
  pace numeric NOT NULL DEFAULT 1 CHECK (pace > 0),
  handed text NOT NULL DEFAULT 'right' CHECK (handed IN ('left', 'right')),
  number_words jsonb NOT NULL DEFAULT '{}',
  methods jsonb NOT NULL DEFAULT '{}',
  version int NOT NULL DEFAULT 1
);
CREATE TABLE session (sid varchar PRIMARY KEY, sess json NOT NULL, expire timestamp(6) NOT NULL);
CREATE INDEX session_expire ON session (expire);
CREATE TABLE sign_in_failure (login text NOT NULL, address text NOT NULL, at timestamptz NOT NULL DEFAULT now());
CREATE INDEX sign_in_failure_at ON sign_in_failure (at);
CREATE TABLE setting (key text PRIMARY KEY, value jsonb NOT NULL);
CREATE TABLE request_key (
  key text PRIMARY KEY,
  person_id uuid REFERENCES person,
  fingerprint text NOT NULL,
  status int,
  reply jsonb,
  at timestamptz NOT NULL DEFAULT now()
);`;

const cabinet = `
CREATE TABLE hook_model (
  id text PRIMARY KEY, name text NOT NULL, family text NOT NULL, bend text NOT NULL DEFAULT 'round',
  shank_steps int NOT NULL DEFAULT 0, wire_steps int NOT NULL DEFAULT 0, barbless boolean NOT NULL DEFAULT false, landmarks jsonb
);
CREATE TABLE hook_size (
  model_id text NOT NULL REFERENCES hook_model, size text NOT NULL, shank_um int CHECK (shank_um > 0), gape_um int CHECK (gape_um > 0),
  wire_um int CHECK (wire_um > 0), eye_um int CHECK (eye_um > 0), measured_by uuid REFERENCES person, measured_at timestamptz, PRIMARY KEY (model_id, size)
);
CREATE TABLE supplier (id text PRIMARY KEY, name text NOT NULL UNIQUE);
CREATE TABLE place (
  id serial PRIMARY KEY,
  kind text NOT NULL CHECK (kind IN ('supplier', 'drawer', 'kit', 'bench', 'flies', 'scrap', 'customer')),
  code text NOT NULL UNIQUE, name text NOT NULL
);
CREATE TABLE material (
  code text PRIMARY KEY, name text NOT NULL, form text NOT NULL, unit text NOT NULL CHECK (unit IN ('count', 'um', 'ug', 'nl')),
  colour text, colour_name text, lead boolean NOT NULL DEFAULT false, controlled_species text, caution text, figures jsonb NOT NULL DEFAULT '{}',
  measured boolean NOT NULL DEFAULT false, drawer_id int NOT NULL REFERENCES place, version int NOT NULL DEFAULT 1
);
CREATE TABLE material_source (
  material_code text NOT NULL REFERENCES material, supplier_id text NOT NULL REFERENCES supplier, pack bigint NOT NULL CHECK (pack > 0),
  price_cents int NOT NULL CHECK (price_cents >= 0), lead_days int NOT NULL CHECK (lead_days >= 0), PRIMARY KEY (material_code, supplier_id)
);
CREATE TABLE pattern (id text PRIMARY KEY, name text NOT NULL UNIQUE, style text NOT NULL, origin text NOT NULL DEFAULT '', species text NOT NULL DEFAULT '', version int NOT NULL DEFAULT 1);
CREATE TABLE pattern_version (
  pattern_id text NOT NULL REFERENCES pattern, version int NOT NULL, recipe jsonb NOT NULL, at timestamptz NOT NULL DEFAULT now(), person_id uuid REFERENCES person, PRIMARY KEY (pattern_id, version)
);
CREATE TABLE customer (
  id text PRIMARY KEY, name text NOT NULL UNIQUE, kind text NOT NULL DEFAULT '', rank int NOT NULL DEFAULT 3, policy text NOT NULL DEFAULT 'alternates' CHECK (policy IN ('original', 'alternates', 'tier')),
  destination jsonb NOT NULL, note text NOT NULL DEFAULT ''
);`;

const work = `
CREATE TABLE customer_order (
  id uuid PRIMARY KEY DEFAULT gen_random_uuid(), number serial UNIQUE, customer_id text NOT NULL REFERENCES customer, due date NOT NULL, due_reason text, note text NOT NULL DEFAULT '',
  text text NOT NULL DEFAULT '', version int NOT NULL DEFAULT 1, created_by uuid NOT NULL REFERENCES person, created_at timestamptz NOT NULL DEFAULT now(), closed_at timestamptz
);
CREATE INDEX customer_order_open ON customer_order (due, number) WHERE closed_at IS NULL;
CREATE TABLE order_line (
  id uuid PRIMARY KEY DEFAULT gen_random_uuid(), order_id uuid NOT NULL REFERENCES customer_order, position int NOT NULL, pattern_id text NOT NULL REFERENCES pattern,
  variant text NOT NULL, form text NOT NULL, size text NOT NULL, flies int NOT NULL CHECK (flies > 0 AND flies <= 6000), policy text CHECK (policy IN ('original', 'alternates', 'tier')),
  price_per_dozen_cents int NOT NULL DEFAULT 0, cancelled boolean NOT NULL DEFAULT false
);
CREATE INDEX order_line_order ON order_line (order_id);
CREATE TABLE batch (
  id uuid PRIMARY KEY DEFAULT gen_random_uuid(), number serial UNIQUE, pattern_id text NOT NULL, pattern_version int NOT NULL, variant text NOT NULL, form text NOT NULL, size text NOT NULL,
  state text NOT NULL DEFAULT 'planned' CHECK (state IN ('planned', 'released', 'pulled', 'tying', 'finished', 'dissolved')),
  held boolean NOT NULL DEFAULT false, mode text NOT NULL DEFAULT 'fly by fly' CHECK (mode IN ('fly by fly', 'step by step')), buy jsonb NOT NULL DEFAULT '[]',
  mix_lots boolean NOT NULL DEFAULT false, starts int CHECK (starts > 0), kit_id int REFERENCES place, minutes numeric, created_at timestamptz NOT NULL DEFAULT now(), finished_at timestamptz,
  version int NOT NULL DEFAULT 1, FOREIGN KEY (pattern_id, pattern_version) REFERENCES pattern_version
);
CREATE INDEX batch_open ON batch (state) WHERE state NOT IN ('finished', 'dissolved');
CREATE TABLE batch_claim (batch_id uuid NOT NULL REFERENCES batch, order_line_id uuid NOT NULL REFERENCES order_line, flies int NOT NULL CHECK (flies > 0), PRIMARY KEY (batch_id, order_line_id));
CREATE INDEX batch_claim_line ON batch_claim (order_line_id);
CREATE TABLE batch_use (
  batch_id uuid NOT NULL REFERENCES batch, key text NOT NULL, component text NOT NULL, material_code text NOT NULL, flies int NOT NULL CHECK (flies > 0),
  computed bigint NOT NULL, taken bigint NOT NULL, used bigint NOT NULL, scrapped bigint NOT NULL, returned bigint NOT NULL, PRIMARY KEY (batch_id, key),
  CONSTRAINT batch_use_reconciles CHECK (taken = used + scrapped + returned)
);
CREATE TABLE batch_prep (batch_id uuid NOT NULL REFERENCES batch, kind text NOT NULL, component text NOT NULL, person_id uuid NOT NULL REFERENCES person, at timestamptz NOT NULL DEFAULT now(), PRIMARY KEY (batch_id, kind, component));
CREATE TABLE tally (
  id uuid PRIMARY KEY, batch_id uuid NOT NULL REFERENCES batch, person_id uuid NOT NULL REFERENCES person, at timestamptz NOT NULL, kind text NOT NULL CHECK (kind IN ('good', 'reject', 'undo')),
  reason text, loss text, undoes uuid UNIQUE, CHECK ((kind = 'undo') = (undoes IS NOT NULL)), CHECK (kind <> 'reject' OR reason IS NOT NULL)
);
CREATE INDEX tally_batch ON tally (batch_id);
CREATE VIEW tally_count AS
  SELECT t.batch_id, count(*) FILTER (WHERE t.kind = 'good')::int AS good, count(*) FILTER (WHERE t.kind = 'reject')::int AS rejected
  FROM tally t WHERE t.kind <> 'undo' AND NOT EXISTS (SELECT 1 FROM tally u WHERE u.undoes = t.id) GROUP BY t.batch_id;
CREATE TABLE parcel (id uuid PRIMARY KEY DEFAULT gen_random_uuid(), number serial UNIQUE, customer_id text NOT NULL REFERENCES customer, sent_at timestamptz);
CREATE UNIQUE INDEX parcel_one_open ON parcel (customer_id) WHERE sent_at IS NULL;
ALTER TABLE movement ADD FOREIGN KEY (batch_id) REFERENCES batch, ADD FOREIGN KEY (order_line_id) REFERENCES order_line, ADD FOREIGN KEY (parcel_id) REFERENCES parcel;
ALTER TABLE reservation ADD FOREIGN KEY (batch_id) REFERENCES batch, ADD FOREIGN KEY (order_line_id) REFERENCES order_line;
ALTER TABLE lot ADD FOREIGN KEY (batch_id) REFERENCES batch;`;

const ledger = `
CREATE TABLE lot (
  id uuid PRIMARY KEY DEFAULT gen_random_uuid(), code text NOT NULL UNIQUE, material_code text REFERENCES material,
  pattern_id text REFERENCES pattern, variant text, form text, size text,
  dye_lot text NOT NULL DEFAULT '', grade text NOT NULL DEFAULT '', side text CHECK (side IN ('left', 'right')), barb_from_um int, barb_to_um int,
  received_at timestamptz NOT NULL DEFAULT now(), price_cents int NOT NULL DEFAULT 0, remnant boolean NOT NULL DEFAULT false, batch_id uuid,
  CONSTRAINT lot_is_material_or_flies CHECK ((material_code IS NULL) <> (pattern_id IS NULL))
);
CREATE INDEX lot_material ON lot (material_code);
CREATE INDEX lot_flies ON lot (pattern_id, variant, form, size);
CREATE TABLE movement (
  id bigserial PRIMARY KEY, at timestamptz NOT NULL DEFAULT now(), person_id uuid NOT NULL REFERENCES person, reason text NOT NULL CHECK (reason <> ''), note text NOT NULL DEFAULT '',
  lot_id uuid NOT NULL REFERENCES lot, quantity bigint NOT NULL CONSTRAINT movement_moves_something CHECK (quantity > 0),
  from_place int NOT NULL REFERENCES place, to_place int NOT NULL REFERENCES place, batch_id uuid, batch_key text, order_line_id uuid, parcel_id uuid, corrects bigint REFERENCES movement,
  CONSTRAINT movement_between_two_places CHECK (from_place <> to_place)
);
CREATE INDEX movement_lot ON movement (lot_id, id);
CREATE INDEX movement_batch ON movement (batch_id);
CREATE INDEX movement_line ON movement (order_line_id);
CREATE TABLE balance (
  lot_id uuid NOT NULL REFERENCES lot, place_id int NOT NULL REFERENCES place, quantity bigint NOT NULL DEFAULT 0, reserved bigint NOT NULL DEFAULT 0, bounded boolean NOT NULL,
  PRIMARY KEY (lot_id, place_id),
  CONSTRAINT balance_not_negative CHECK (NOT bounded OR quantity >= 0),
  CONSTRAINT balance_reserved_is_there CHECK (reserved >= 0 AND reserved <= GREATEST(quantity, 0))
);
CREATE INDEX balance_place ON balance (place_id);
CREATE TABLE reservation (
  id uuid PRIMARY KEY DEFAULT gen_random_uuid(), lot_id uuid NOT NULL REFERENCES lot, place_id int NOT NULL REFERENCES place, quantity bigint NOT NULL CHECK (quantity > 0),
  batch_id uuid, key text, order_line_id uuid, CONSTRAINT reservation_for_one CHECK ((batch_id IS NULL) <> (order_line_id IS NULL))
);
CREATE INDEX reservation_batch ON reservation (batch_id);
CREATE INDEX reservation_line ON reservation (order_line_id);`;

/**
 * The ledger's rules, kept by the database itself. Movements are the truth and are never changed; a balance is their
 * sum, kept by a trigger so that its constraints hold under concurrency: the row is locked while it is added to.
 */
const ledgerRules = `
CREATE FUNCTION balance_row(the_lot uuid, the_place int) RETURNS void LANGUAGE sql AS $$
  INSERT INTO balance (lot_id, place_id, quantity, bounded)
  SELECT the_lot, the_place, 0, kind IN ('drawer', 'kit', 'flies') FROM place WHERE id = the_place
  ON CONFLICT DO NOTHING
$$;
CREATE FUNCTION movement_apply() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM balance_row(NEW.lot_id, LEAST(NEW.from_place, NEW.to_place));
  PERFORM balance_row(NEW.lot_id, GREATEST(NEW.from_place, NEW.to_place));
  -- The lower place first, always: two movements the other way round never wait for each other.
  IF NEW.from_place < NEW.to_place THEN
    UPDATE balance SET quantity = quantity - NEW.quantity WHERE lot_id = NEW.lot_id AND place_id = NEW.from_place;
    UPDATE balance SET quantity = quantity + NEW.quantity WHERE lot_id = NEW.lot_id AND place_id = NEW.to_place;
  ELSE
    UPDATE balance SET quantity = quantity + NEW.quantity WHERE lot_id = NEW.lot_id AND place_id = NEW.to_place;
    UPDATE balance SET quantity = quantity - NEW.quantity WHERE lot_id = NEW.lot_id AND place_id = NEW.from_place;
  END IF;
  RETURN NULL;
END $$;
CREATE TRIGGER movement_apply AFTER INSERT ON movement FOR EACH ROW EXECUTE FUNCTION movement_apply();

CREATE FUNCTION movement_is_for_good() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'A movement is never changed: a correction is a new movement' USING ERRCODE = 'restrict_violation', CONSTRAINT = 'movement_is_for_good';
END $$;
CREATE TRIGGER movement_is_for_good BEFORE UPDATE OR DELETE ON movement FOR EACH ROW EXECUTE FUNCTION movement_is_for_good();
CREATE TRIGGER movement_is_for_good_truncate BEFORE TRUNCATE ON movement FOR EACH STATEMENT EXECUTE FUNCTION movement_is_for_good();

CREATE FUNCTION balance_by_ledger_only() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF pg_trigger_depth() < 2 THEN
    RAISE EXCEPTION 'A balance is a sum of movements: write a movement' USING ERRCODE = 'restrict_violation', CONSTRAINT = 'balance_by_ledger_only';
  END IF;
  RETURN COALESCE(NEW, OLD);
END $$;
CREATE TRIGGER balance_by_ledger_only BEFORE INSERT OR UPDATE OR DELETE ON balance FOR EACH ROW EXECUTE FUNCTION balance_by_ledger_only();

CREATE FUNCTION reservation_apply() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' THEN
    UPDATE balance SET reserved = reserved - OLD.quantity WHERE lot_id = OLD.lot_id AND place_id = OLD.place_id;
  ELSE
    PERFORM balance_row(NEW.lot_id, NEW.place_id);
    UPDATE balance SET reserved = reserved + NEW.quantity WHERE lot_id = NEW.lot_id AND place_id = NEW.place_id;
  END IF;
  RETURN NULL;
END $$;
CREATE TRIGGER reservation_apply AFTER INSERT OR DELETE ON reservation FOR EACH ROW EXECUTE FUNCTION reservation_apply();
CREATE FUNCTION reservation_is_not_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'A reservation is given back and made anew, not changed' USING ERRCODE = 'restrict_violation', CONSTRAINT = 'reservation_is_not_changed';
END $$;
CREATE TRIGGER reservation_is_not_changed BEFORE UPDATE ON reservation FOR EACH ROW EXECUTE FUNCTION reservation_is_not_changed();`;

const log = `
CREATE TABLE event (
  id bigserial PRIMARY KEY, at timestamptz NOT NULL DEFAULT now(), person_id uuid NOT NULL REFERENCES person,
  subject text NOT NULL, subject_id text NOT NULL, kind text NOT NULL, sentence text NOT NULL
);
CREATE INDEX event_subject ON event (subject, subject_id, id);
CREATE FUNCTION event_tell() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('kasten', json_build_object('id', NEW.id, 'subject', NEW.subject, 'subjectId', NEW.subject_id, 'kind', NEW.kind)::text);
  RETURN NULL;
END $$;
CREATE TRIGGER event_tell AFTER INSERT ON event FOR EACH ROW EXECUTE FUNCTION event_tell();`;
