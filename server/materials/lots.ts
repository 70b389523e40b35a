import { allocate, eligibleLots, type Allocation, type LotInDrawer, type Requirement } from "@kasten/core/materials";
import type { EntityManager } from "typeorm";
import { rows } from "../database/source";

export interface StockedLot extends LotInDrawer {
  material: string;
  code: string;
  drawer: string;
  quantity: number;
}

/** Every lot that is in a drawer, by material. */
export async function lotsInDrawers(db: EntityManager): Promise<Map<string, StockedLot[]>> {
  const lots = await rows<
    Omit<StockedLot, "barb" | "side"> & { from: number | null; to: number | null; side: "left" | "right" | null }
  >(
    db,
    `SELECT l.id AS lot, l.material_code AS material, l.code, b.place_id AS place, p.code AS drawer, b.quantity, b.quantity - b.reserved AS free, l.dye_lot AS "dyeLot", l.side,
       l.barb_from_um AS "from", l.barb_to_um AS "to", l.received_at::text AS "receivedAt", l.remnant
     FROM balance b JOIN lot l ON l.id = b.lot_id JOIN place p ON p.id = b.place_id WHERE p.kind = 'drawer' AND l.material_code IS NOT NULL AND b.quantity > 0`,
  );
  const byMaterial = new Map<string, StockedLot[]>();
  for (const { from, to, side, ...lot } of lots) {
    const whole: StockedLot = {
      ...lot,
      side: side ?? undefined,
      barb: from !== null && to !== null ? [from / 1000, to / 1000] : undefined,
    };
    byMaterial.set(lot.material, [...(byMaterial.get(lot.material) ?? []), whole]);
  }
  return byMaterial;
}

export interface ReservedRow {
  batch: string;
  key: string;
  material: string;
  lot: string;
  lotCode: string;
  dyeLot: string;
  place: string;
  quantity: number;
}

/** Reservations of open batches. */
export const reservedRows = (db: EntityManager, batch?: string): Promise<ReservedRow[]> =>
  rows<ReservedRow>(
    db,
    `SELECT r.batch_id AS batch, r.key, l.material_code AS material, l.id AS lot, l.code AS "lotCode", l.dye_lot AS "dyeLot", p.code AS place, r.quantity
     FROM reservation r JOIN lot l ON l.id = r.lot_id JOIN place p ON p.id = r.place_id WHERE r.batch_id IS NOT NULL AND ($1::uuid IS NULL OR r.batch_id = $1) ORDER BY l.code`,
    [batch ?? null],
  );

/** What has been pulled into kits, by batch and key. */
export const pulledRows = (
  db: EntityManager,
  batch?: string,
): Promise<{ batch: string; key: string; quantity: number }[]> =>
  rows(
    db,
    `SELECT m.batch_id AS batch, m.batch_key AS key, sum(CASE WHEN t.kind = 'kit' THEN m.quantity ELSE -m.quantity END)::bigint AS quantity
     FROM movement m JOIN place t ON t.id = m.to_place JOIN place f ON f.id = m.from_place
     WHERE m.batch_key IS NOT NULL AND ((t.kind = 'kit' AND f.kind = 'drawer') OR (f.kind = 'kit' AND t.kind = 'drawer')) AND ($1::uuid IS NULL OR m.batch_id = $1) GROUP BY 1, 2`,
    [batch ?? null],
  );

/** Lots for what is still missing of a requirement. */
export function allocateFor(
  r: Requirement,
  missing: number,
  mixLots: boolean,
  lots: Map<string, StockedLot[]>,
): Allocation {
  return allocate({ quantity: missing, side: r.side, barb: r.barb, mixLots }, lots.get(r.material) ?? []);
}

/** Free stock that could serve a requirement: right side, right class. */
export const freeFor = (r: Requirement, lots: Map<string, StockedLot[]>): number =>
  eligibleLots({ quantity: 1, side: r.side, barb: r.barb, mixLots: true }, lots.get(r.material) ?? []).reduce(
    (sum, l) => sum + l.free,
    0,
  );
