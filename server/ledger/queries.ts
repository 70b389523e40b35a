import { groupBy } from "@kasten/core/numeric";
import type { LotInDrawer } from "@kasten/core/stock";
import type { Quantity } from "@kasten/core/units";
import { rows, type Db } from "../database/rows";
import { balanceEntity, reservationEntity } from "./entities";
import type { FlyKind } from "./move";

export interface StockedLot extends LotInDrawer {
  material: string;
  code: string;
  drawer: string;
  quantity: Quantity;
}

type RawLot = Omit<StockedLot, "barb" | "side"> & {
  from: number | null;
  to: number | null;
  side: "left" | "right" | null;
};

/** Every lot that is in a drawer, by material. */
export async function lotsInDrawers(db: Db): Promise<Map<string, StockedLot[]>> {
  const lots = await db
    .createQueryBuilder(balanceEntity, "b")
    .innerJoin("lot", "l", "l.id = b.lotId")
    .innerJoin("place", "p", "p.id = b.placeId")
    .select("l.id", "lot")
    .addSelect("l.materialCode", "material")
    .addSelect("l.code", "code")
    .addSelect("b.placeId", "place")
    .addSelect("p.code", "drawer")
    .addSelect("b.quantity", "quantity")
    .addSelect("b.quantity - b.reserved", "free")
    .addSelect("l.dyeLot", "dyeLot")
    .addSelect("l.side", "side")
    .addSelect("l.barbFromUm", "from")
    .addSelect("l.barbToUm", "to")
    .addSelect("CAST(l.receivedAt AS text)", "receivedAt")
    .addSelect("l.remnant", "remnant")
    .where("p.kind = 'drawer' AND l.materialCode IS NOT NULL AND b.quantity > 0")
    .getRawMany<RawLot>();
  return groupBy(lots.map(toLot), (l) => l.material);
}

const toLot = ({ from, to, side, ...lot }: RawLot): StockedLot => ({
  ...lot,
  side: side ?? undefined,
  barb: from !== null && to !== null ? [from / 1000, to / 1000] : undefined,
});

export interface ReservedRow {
  batch: string;
  key: string;
  material: string;
  lot: string;
  lotCode: string;
  dyeLot: string;
  place: string;
  placeId: number;
  quantity: Quantity;
}

/** Reservations of one batch, or of all open ones. */
export function reservedRows(db: Db, batch?: string): Promise<ReservedRow[]> {
  const query = db
    .createQueryBuilder(reservationEntity, "r")
    .innerJoin("lot", "l", "l.id = r.lotId")
    .innerJoin("place", "p", "p.id = r.placeId")
    .select("r.batchId", "batch")
    .addSelect("r.key", "key")
    .addSelect("l.materialCode", "material")
    .addSelect("l.id", "lot")
    .addSelect("l.code", "lotCode")
    .addSelect("l.dyeLot", "dyeLot")
    .addSelect("p.code", "place")
    .addSelect("p.id", "placeId")
    .addSelect("r.quantity", "quantity")
    .where("r.batchId IS NOT NULL")
    .orderBy("l.code");
  if (batch !== undefined) query.andWhere("r.batchId = :batch", { batch });
  return query.getRawMany();
}

/** What has been pulled into kits and not come back, by batch and key: of one batch, or of all. */
export const pulledRows = (db: Db, batch?: string): Promise<{ batch: string; key: string; quantity: Quantity }[]> =>
  rows(
    db,
    `SELECT m.batch_id AS batch, m.batch_key AS key,
       sum(CASE WHEN t.kind = 'kit' THEN m.quantity ELSE -m.quantity END)::bigint AS quantity
     FROM movement m JOIN place t ON t.id = m.to_place JOIN place f ON f.id = m.from_place
     WHERE m.batch_key IS NOT NULL
       AND ((t.kind = 'kit' AND f.kind = 'drawer') OR (f.kind = 'kit' AND t.kind = 'drawer'))
       AND ($1::uuid IS NULL OR m.batch_id = $1)
     GROUP BY 1, 2`,
    [batch ?? null],
  );

/** What lies in a kit, by key and lot, with the drawer from which it came. */
export const kitLots = (
  db: Db,
  batch: string,
  kit: number,
): Promise<{ key: string; lot: string; quantity: Quantity; drawer: number }[]> =>
  rows(
    db,
    `SELECT m.batch_key AS key, m.lot_id AS lot, sum(m.quantity)::bigint AS quantity, max(m.from_place)::int AS drawer
     FROM movement m WHERE m.batch_id = $1 AND m.to_place = $2 GROUP BY 1, 2 ORDER BY 2`,
    [batch, kit],
  );

/** Finished flies on the shelf, by kind of fly; `free` of them are put by for nobody. */
export const fliesOnShelf = (
  db: Db,
): Promise<(FlyKind & { patternName: string; quantity: Quantity; reserved: Quantity })[]> =>
  db
    .createQueryBuilder(balanceEntity, "b")
    .innerJoin("lot", "l", "l.id = b.lotId")
    .innerJoin("pattern", "p", "p.id = l.patternId")
    .innerJoin("place", "pl", "pl.id = b.placeId")
    .select("l.patternId", "pattern")
    .addSelect("p.name", "patternName")
    .addSelect("l.variant", "variant")
    .addSelect("l.form", "form")
    .addSelect("l.size", "size")
    .addSelect("sum(b.quantity)::int", "quantity")
    .addSelect("sum(b.reserved)::int", "reserved")
    .where("pl.kind = 'flies' AND b.quantity > 0")
    .groupBy("l.patternId")
    .addGroupBy("p.name")
    .addGroupBy("l.variant")
    .addGroupBy("l.form")
    .addGroupBy("l.size")
    .orderBy("p.name")
    .addOrderBy("l.size")
    .getRawMany();

/** Lots of finished flies with some that are put by for nobody, the oldest first. */
export const freeFlyLots = (db: Db): Promise<(FlyKind & { lot: string; place: number; free: number })[]> =>
  db
    .createQueryBuilder(balanceEntity, "b")
    .innerJoin("lot", "l", "l.id = b.lotId")
    .innerJoin("place", "p", "p.id = b.placeId")
    .select("l.id", "lot")
    .addSelect("b.placeId", "place")
    .addSelect("b.quantity - b.reserved", "free")
    .addSelect("l.patternId", "pattern")
    .addSelect("l.variant", "variant")
    .addSelect("l.form", "form")
    .addSelect("l.size", "size")
    .where("p.kind = 'flies' AND l.patternId IS NOT NULL AND b.quantity > b.reserved")
    .orderBy("l.receivedAt")
    .addOrderBy("l.id")
    .getRawMany();
