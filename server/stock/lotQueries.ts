import type { LotPage } from "@kasten/contract/stock";
import type { Quantity, StockUnit } from "@kasten/core/units";
import { isoInstant, rows, type Db } from "../database/rows";
import { balanceEntity, lotPhotoEntity, reservationEntity, stockCountEntity } from "../ledger";

/** What of a lot is in a place, locked until the transaction ends; undefined where it is not of that material. */
export const lockedBalance = (
  db: Db,
  { lot, place, material }: { lot: string; place: number; material: string },
): Promise<{ quantity: Quantity; reserved: Quantity; unit: StockUnit; name: string } | undefined> =>
  db
    .createQueryBuilder(balanceEntity, "b")
    .innerJoin("lot", "l", "l.id = b.lotId")
    .innerJoin("material", "m", "m.code = l.materialCode")
    .select("b.quantity", "quantity")
    .addSelect("b.reserved", "reserved")
    .addSelect("m.unit", "unit")
    .addSelect("m.name", "name")
    .where("b.lotId = :lot AND b.placeId = :place AND m.code = :material", { lot, place, material })
    .setLock("pessimistic_write", undefined, ["b"])
    .getRawOne();

/** Where a lot lies: in drawers and kits. */
export const placesOf = (db: Db, lot: string): Promise<Omit<LotPage["places"][number], "claims">[]> =>
  db
    .createQueryBuilder(balanceEntity, "b")
    .innerJoin("place", "p", "p.id = b.placeId")
    .select("b.placeId", "placeId")
    .addSelect("p.code", "code")
    .addSelect("p.name", "name")
    .addSelect("p.kind", "kind")
    .addSelect("b.quantity", "quantity")
    .addSelect("b.reserved", "reserved")
    .where("b.lotId = :lot AND p.kind IN ('drawer', 'kit') AND b.quantity > 0", { lot })
    .orderBy("p.kind")
    .addOrderBy("p.code")
    .getRawMany();

/** Batches for which parts of a lot are put by. */
export const claimsOn = (
  db: Db,
  lot: string,
): Promise<(LotPage["places"][number]["claims"][number] & { placeId: number })[]> =>
  db
    .createQueryBuilder(reservationEntity, "r")
    .innerJoin("batch", "t", "t.id = r.batchId")
    .innerJoin("pattern", "n", "n.id = t.patternId")
    .select("t.id", "id")
    .addSelect("t.number", "number")
    .addSelect("n.name", "pattern")
    .addSelect("r.key", "key")
    .addSelect("r.quantity", "quantity")
    .addSelect("r.placeId", "placeId")
    .where("r.lotId = :lot", { lot })
    .orderBy("t.number")
    .getRawMany();

type RawClass = Omit<LotPage["classes"][number], "barb"> & { from: number | null; to: number | null };

/** The classes of a skin, with what of each is in drawers. */
export async function classesOf(db: Db, skin: string): Promise<LotPage["classes"]> {
  const found = await rows<RawClass>(
    db,
    `SELECT l.id, l.code, l.side, l.barb_from_um AS "from", l.barb_to_um AS "to",
       COALESCE(sum(b.quantity) FILTER (WHERE p.kind = 'drawer'), 0)::bigint AS quantity,
       COALESCE(sum(b.reserved) FILTER (WHERE p.kind = 'drawer'), 0)::bigint AS reserved
     FROM lot l LEFT JOIN balance b ON b.lot_id = l.id LEFT JOIN place p ON p.id = b.place_id
     WHERE l.skin_id = $1 GROUP BY l.id ORDER BY l.barb_from_um, l.barb_to_um, l.side`,
    [skin],
  );
  return found.map(({ from, to, ...c }) => ({
    ...c,
    barb: from !== null && to !== null ? [from / 1000, to / 1000] : null,
  }));
}

/** Which batches a lot went into: what left their kits for the bench, less what came back. */
export const batchesOfLot = (db: Db, lot: string): Promise<LotPage["batches"]> =>
  rows(
    db,
    `SELECT t.id, t.number, n.name AS pattern, t.size,
       sum(CASE WHEN f.kind = 'kit' AND o.kind <> 'drawer' THEN m.quantity ELSE 0 END)::bigint AS used
     FROM movement m JOIN batch t ON t.id = m.batch_id JOIN pattern n ON n.id = t.pattern_id
     JOIN place f ON f.id = m.from_place JOIN place o ON o.id = m.to_place
     WHERE m.lot_id = $1 GROUP BY t.id, n.name ORDER BY t.number DESC LIMIT 100`,
    [lot],
  );

export async function countsOf(db: Db, lot: string): Promise<LotPage["counts"]> {
  const found = await db
    .createQueryBuilder(stockCountEntity, "c")
    .innerJoin("person", "p", "p.id = c.personId")
    .select("c.at", "at")
    .addSelect("p.name", "person")
    .addSelect("c.how", "how")
    .addSelect("c.counted", "counted")
    .addSelect("c.expected", "expected")
    .addSelect("c.plusMinus", "plusMinus")
    .addSelect("c.note", "note")
    .where("c.lotId = :lot", { lot })
    .orderBy("c.id", "DESC")
    .limit(20)
    .getRawMany<Omit<LotPage["counts"][number], "at"> & { at: Date }>();
  return found.map((c) => ({ ...c, at: isoInstant(c.at) }));
}

/** When the picture of a lot was taken, without reading the picture. */
export const photoTakenAt = async (db: Db, lotId: string): Promise<Date | undefined> =>
  (await db.getRepository(lotPhotoEntity).findOne({ where: { lotId }, select: { lotId: true, at: true } }))?.at;

/** A lot in a drawer, as a table of counts speaks of it. */
export interface CountableLot {
  id: string;
  lot: string;
  material: string;
  unit: StockUnit;
  drawer: string;
  place: number;
  quantity: number;
  reserved: number;
}

/** Everything in drawers that can be counted. */
export const lotsForCounting = (db: Db): Promise<CountableLot[]> =>
  rows(
    db,
    `SELECT l.id, l.code AS lot, m.name AS material, m.unit, p.code AS drawer, p.id AS place, b.quantity, b.reserved
     FROM balance b JOIN lot l ON l.id = b.lot_id JOIN material m ON m.code = l.material_code
     JOIN place p ON p.id = b.place_id AND p.kind = 'drawer' WHERE b.quantity > 0 ORDER BY p.code, l.code`,
  );
