import type { EntityManager } from "typeorm";
import { row } from "../database/source";

export interface NewMovement {
  lot: string;
  quantity: number;
  from: number;
  to: number;
  reason: string;
  note?: string;
  batch?: string;
  key?: string;
  line?: string;
  parcel?: string;
  at?: Date;
}

/** Writes one movement. The database refuses what cannot be: a negative drawer, nothing moved, a place to itself. */
export async function move(db: EntityManager, person: { id: string }, m: NewMovement): Promise<void> {
  await db.query(
    `INSERT INTO movement (at, person_id, reason, note, lot_id, quantity, from_place, to_place, batch_id, batch_key, order_line_id, parcel_id) VALUES (COALESCE($1, now()), $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)`,
    [
      m.at ?? null,
      person.id,
      m.reason,
      m.note ?? "",
      m.lot,
      m.quantity,
      m.from,
      m.to,
      m.batch ?? null,
      m.key ?? null,
      m.line ?? null,
      m.parcel ?? null,
    ],
  );
}

/** The id of a place by its code; made when it is not there yet. */
export async function placeId(db: EntityManager, kind: string, code: string, name: string): Promise<number> {
  await db.query("INSERT INTO place (kind, code, name) VALUES ($1, $2, $3) ON CONFLICT (code) DO NOTHING", [
    kind,
    code,
    name,
  ]);
  const found = await row<{ id: number }>(db, "SELECT id FROM place WHERE code = $1", [code]);
  if (!found) throw new Error(`no place ${code}`);
  return found.id;
}

/** Places that every room has. */
export const bench = (db: EntityManager) => placeId(db, "bench", "BENCH", "On the benches");
export const mill = (db: EntityManager) => placeId(db, "bench", "MILL", "In the mill");
export const bins = (db: EntityManager) => placeId(db, "flies", "BINS", "Finished flies");
export const scrap = (db: EntityManager) => placeId(db, "scrap", "SCRAP", "Scrap");
export const counted = (db: EntityManager) => placeId(db, "scrap", "COUNT", "Count corrections");

export interface NewLot {
  code: string;
  material: string;
  dyeLot?: string;
  grade?: string;
  side?: "left" | "right" | null;
  barb?: [number, number] | null;
  receivedAt?: Date;
  priceCents?: number;
  remnant?: boolean;
  batch?: string;
}

export async function insertLot(db: EntityManager, l: NewLot): Promise<string> {
  const made = await row<{ id: string }>(
    db,
    `INSERT INTO lot (code, material_code, dye_lot, grade, side, barb_from_um, barb_to_um, received_at, price_cents, remnant, batch_id) VALUES ($1, $2, $3, $4, $5, $6, $7, COALESCE($8, now()), $9, $10, $11) RETURNING id`,
    [
      l.code,
      l.material,
      l.dyeLot ?? "",
      l.grade ?? "",
      l.side ?? null,
      l.barb ? Math.round(l.barb[0] * 1000) : null,
      l.barb ? Math.round(l.barb[1] * 1000) : null,
      l.receivedAt ?? null,
      l.priceCents ?? 0,
      l.remnant ?? false,
      l.batch ?? null,
    ],
  );
  if (!made) throw new Error("lot was not inserted");
  return made.id;
}

export async function insertFlyLot(
  db: EntityManager,
  code: string,
  sku: { pattern: string; variant: string; form: string; size: string },
  batch: string | null,
  at?: Date,
): Promise<string> {
  const made = await row<{ id: string }>(
    db,
    "INSERT INTO lot (code, pattern_id, variant, form, size, batch_id, received_at) VALUES ($1, $2, $3, $4, $5, $6, COALESCE($7, now())) RETURNING id",
    [code, sku.pattern, sku.variant, sku.form, sku.size, batch, at ?? null],
  );
  if (!made) throw new Error("lot was not inserted");
  return made.id;
}
