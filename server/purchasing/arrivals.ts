import { groupBy } from "@kasten/core/numeric";
import type { Quantity } from "@kasten/core/units";
import { rows, type Db } from "../database/rows";
import { supplierEntity } from "./entities";

/** So much of a material that is ordered and on its way. */
export interface Arrival {
  material: string;
  /** ISO day on which it is to be here, as confirmed, else as the supplier usually takes. */
  day: string;
  quantity: Quantity;
  order: string;
  number: number;
  supplier: string;
  confirmed: boolean;
}

/** What is on its way of every material, or of one, the earliest first. */
export async function arrivalsByMaterial(db: Db, material?: string): Promise<Map<string, Arrival[]>> {
  const found = await rows<Arrival>(
    db,
    `SELECT l.material_code AS material, COALESCE(o.confirmed_on, o.expected_on)::text AS day,
       (l.packs * l.pack - l.received)::bigint AS quantity, o.id AS "order", o.number, s.name AS supplier,
       o.confirmed_on IS NOT NULL AS confirmed
     FROM purchase_line l JOIN purchase_order o ON o.id = l.order_id JOIN supplier s ON s.id = o.supplier_id
     WHERE NOT l.closed AND o.state IN ('sent', 'confirmed') AND l.packs * l.pack > l.received
       AND ($1::text IS NULL OR l.material_code = $1) ORDER BY 2, o.number`,
    [material ?? null],
  );
  return groupBy(found, (a) => a.material);
}

/** How many days late each delivery of a supplier was, against what they had said; early ones are negative. */
export async function latenessBySupplier(db: Db): Promise<Map<string, number[]>> {
  const found = await rows<{ supplier: string; days: number }>(
    db,
    `SELECT supplier_id AS supplier, (done_at::date - expected_on)::int AS days FROM purchase_order
     WHERE state = 'received' AND done_at IS NOT NULL AND expected_on IS NOT NULL ORDER BY done_at DESC LIMIT 2000`,
  );
  return new Map([...groupBy(found, (f) => f.supplier)].map(([id, list]) => [id, list.map((f) => f.days)]));
}

/** The same by the supplier's name, as arrivals have it. */
export async function latenessByName(db: Db): Promise<Map<string, number[]>> {
  const late = await latenessBySupplier(db);
  const suppliers = await db.getRepository(supplierEntity).find({ select: { id: true, name: true } });
  return new Map(suppliers.map((s) => [s.name, late.get(s.id) ?? []]));
}

/** How many weeks back use is looked at. */
export const WEEKS_OF_USE = 12;

/** What batches took from the drawers in each of the past weeks, less what came back; the newest week last. */
export async function weeklyUse(db: Db, material?: string): Promise<Map<string, number[]>> {
  const found = await rows<{ material: string; week: number; quantity: number }>(
    db,
    `SELECT l.material_code AS material, floor(extract(epoch FROM now() - m.at) / 604800)::int AS week,
       sum(CASE WHEN f.kind = 'drawer' THEN m.quantity ELSE -m.quantity END)::bigint AS quantity
     FROM movement m JOIN lot l ON l.id = m.lot_id JOIN place f ON f.id = m.from_place JOIN place t ON t.id = m.to_place
     WHERE m.at > now() - make_interval(weeks => $1) AND l.material_code IS NOT NULL
       AND (m.batch_id IS NOT NULL) AND ((f.kind = 'drawer') <> (t.kind = 'drawer'))
       AND ($2::text IS NULL OR l.material_code = $2)
     GROUP BY 1, 2`,
    [WEEKS_OF_USE, material ?? null],
  );
  const weeks = new Map<string, number[]>();
  for (const { material: code, week, quantity } of found) {
    const list = weeks.get(code) ?? new Array<number>(WEEKS_OF_USE).fill(0);
    weeks.set(code, list);
    list[WEEKS_OF_USE - 1 - week] = Math.max(0, quantity);
  }
  return weeks;
}
