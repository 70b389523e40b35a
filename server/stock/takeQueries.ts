import type { listTakes, StockTake } from "@kasten/contract/stock";
import type { ReplyOf } from "@kasten/contract/http";
import { isoInstant, rows, type Db } from "../database/rows";
import type { StockTakeCountRow } from "../ledger";
import type { Quantity } from "@kasten/core/units";

type ToCount = Omit<StockTake["drawers"][number]["lots"][number], "expected"> & {
  expected: number;
  drawer: string;
  drawerName: string;
};

/** Every lot in a drawer, in the order of the walk, with what is counted of it in this stock-take. */
export const lotsToCount = (db: Db, take: string): Promise<ToCount[]> =>
  rows(
    db,
    `SELECT l.id AS lot, l.code, b.place_id AS place, m.code AS material, m.name AS "materialName", m.colour, m.unit,
       concat_ws(', ', NULLIF(l.sold_as, ''), NULLIF(l.dye_lot, ''),
         CASE WHEN l.barb_from_um IS NOT NULL THEN trim_scale(l.barb_from_um / 1000.0) || '–' || trim_scale(l.barb_to_um / 1000.0) || ' mm' END,
         l.side, CASE WHEN l.remnant THEN 'remnant' END) AS about,
       COALESCE(c.expected, b.quantity) AS expected, c.counted, COALESCE(c.plus_minus, 0) AS "plusMinus", pe.name AS by,
       p.code AS drawer, p.name AS "drawerName"
     FROM balance b JOIN lot l ON l.id = b.lot_id JOIN material m ON m.code = l.material_code
     JOIN place p ON p.id = b.place_id AND p.kind = 'drawer'
     LEFT JOIN stock_take_count c ON c.take_id = $1 AND c.lot_id = b.lot_id AND c.place_id = b.place_id
     LEFT JOIN person pe ON pe.id = c.person_id
     WHERE b.quantity > 0 OR c.counted IS NOT NULL ORDER BY p.code, m.name, l.code`,
    [take],
  );

export type CountedRow = StockTakeCountRow & {
  code: string;
  material: string;
  priceCents: number | null;
  priceFor: Quantity | null;
};

export const countedInTake = (db: Db, take: string): Promise<CountedRow[]> =>
  rows(
    db,
    `SELECT c.take_id AS "takeId", c.lot_id AS "lotId", c.place_id AS "placeId", c.at, c.person_id AS "personId",
       c.counted, c.expected, c.plus_minus AS "plusMinus", c.how, c.note, l.code, l.material_code AS material,
       l.price_cents AS "priceCents", l.price_for AS "priceFor"
     FROM stock_take_count c JOIN lot l ON l.id = c.lot_id WHERE c.take_id = $1 ORDER BY c.lot_id, c.place_id`,
    [take],
  );

export async function takeList(db: Db): Promise<ReplyOf<typeof listTakes>["takes"]> {
  const found = await rows<Omit<ReplyOf<typeof listTakes>["takes"][number], "startedAt"> & { startedAt: Date }>(
    db,
    `SELECT t.id, t.started_at AS "startedAt", p.name AS by, t.blind, t.done_at IS NOT NULL AS done,
       count(c.lot_id)::int AS counted, count(c.lot_id) FILTER (WHERE c.counted <> c.expected)::int AS off
     FROM stock_take t JOIN person p ON p.id = t.person_id LEFT JOIN stock_take_count c ON c.take_id = t.id
     GROUP BY t.id, p.name ORDER BY t.started_at DESC LIMIT 20`,
  );
  return found.map((t) => ({ ...t, startedAt: isoInstant(t.startedAt) }));
}
