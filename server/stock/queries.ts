import type { StockDetail, StockItem } from "@kasten/contract/stock";
import { isoInstant, rows, type Db } from "../database/rows";
import { balanceEntity, movementEntity } from "../ledger";

export type CountedItem = Omit<StockItem, "coversDozens" | "needed">;

/** Every material, or one, with what is of it in drawers. */
export const countedItems = (db: Db, code?: string): Promise<CountedItem[]> =>
  rows(
    db,
    `SELECT m.code, m.name, m.form, m.unit, m.colour, d.code AS drawer, COALESCE(sum(b.quantity), 0)::bigint AS quantity,
       COALESCE(sum(b.reserved), 0)::bigint AS reserved, count(b.lot_id)::int AS lots, m.lead,
       (sum(b.quantity) / NULLIF(sum(b.most), 0))::float8 AS full
     FROM material m JOIN place d ON d.id = m.drawer_id
     LEFT JOIN (
       SELECT b.lot_id, b.quantity, b.reserved, b.most, l.material_code FROM balance b JOIN lot l ON l.id = b.lot_id
       JOIN place p ON p.id = b.place_id WHERE p.kind = 'drawer' AND b.quantity > 0) b ON b.material_code = m.code
     WHERE $1::text IS NULL OR m.code = $1 GROUP BY m.code, d.code ORDER BY d.code, m.code`,
    [code ?? null],
  );

type RawLot = Omit<StockDetail["lotList"][number], "barb"> & { from: number | null; to: number | null };

/** Lots of a material in drawers and kits. */
export async function lotsOf(db: Db, code: string): Promise<StockDetail["lotList"]> {
  const lots = await db
    .createQueryBuilder(balanceEntity, "b")
    .innerJoin("lot", "l", "l.id = b.lotId")
    .innerJoin("place", "p", "p.id = b.placeId")
    .select("l.id", "id")
    .addSelect("l.code", "code")
    .addSelect("l.dyeLot", "dyeLot")
    .addSelect("l.grade", "grade")
    .addSelect("l.side", "side")
    .addSelect("l.barbFromUm", "from")
    .addSelect("l.barbToUm", "to")
    .addSelect("to_char(l.receivedAt, 'YYYY-MM-DD')", "receivedAt")
    .addSelect("p.name", "place")
    .addSelect("p.id", "placeId")
    .addSelect("p.bobbin", "bobbin")
    .addSelect("p.kind = 'kit'", "inKit")
    .addSelect("b.quantity", "quantity")
    .addSelect("b.reserved", "reserved")
    .addSelect("l.remnant", "remnant")
    .leftJoin("lot", "s", "s.id = l.skinId")
    .addSelect("l.soldAs", "soldAs")
    .addSelect("CAST(l.openedOn AS text)", "openedOn")
    .addSelect("CAST(l.expiresOn AS text)", "expiresOn")
    .addSelect("CAST(l.apartUntil AS text)", "apartUntil")
    .addSelect("l.papers", "papers")
    .addSelect("l.note", "note")
    .addSelect("s.code", "skin")
    .where("l.materialCode = :code AND p.kind IN ('drawer', 'kit') AND b.quantity > 0", { code })
    .orderBy("p.kind")
    .addOrderBy("l.receivedAt")
    .getRawMany<RawLot>();
  return lots.map(({ from, to, ...l }) => ({
    ...l,
    barb: from !== null && to !== null ? [from / 1000, to / 1000] : null,
  }));
}

const MOST_MOVEMENTS = 60;

type Movement = StockDetail["movements"][number];

/** The newest movements of a material, or of one lot. */
export async function movementsOf(
  db: Db,
  of: { material: string } | { lot: string },
  most = MOST_MOVEMENTS,
): Promise<Movement[]> {
  const query = db
    .createQueryBuilder(movementEntity, "m")
    .innerJoin("lot", "l", "l.id = m.lotId")
    .innerJoin("person", "pe", "pe.id = m.personId")
    .innerJoin("place", "f", "f.id = m.fromPlace")
    .innerJoin("place", "t", "t.id = m.toPlace")
    .leftJoin("batch", "b", "b.id = m.batchId")
    .select("m.id", "id")
    .addSelect("m.at", "at")
    .addSelect("pe.name", "person")
    .addSelect("m.reason", "reason")
    .addSelect("m.note", "note")
    .addSelect("l.code", "lot")
    .addSelect("m.quantity", "quantity")
    .addSelect("f.name", "from")
    .addSelect("t.name", "to")
    .addSelect("b.number", "batch")
    .orderBy("m.id", "DESC")
    .limit(most);
  if ("lot" in of) query.where("m.lotId = :lot", of);
  else query.where("l.materialCode = :material", of);
  const found = await query.getRawMany<Omit<Movement, "at"> & { at: Date }>();
  return found.map((m) => ({ ...m, at: isoInstant(m.at) }));
}

export interface DrawerContents {
  id: number;
  code: string;
  name: string;
  cabinet: string;
  row: number | null;
  position: number | null;
  materials: number;
  lots: number;
  /** Whether a movement names it. */
  used: boolean;
}

/** The drawers, or one of them, with how many materials belong there and how many lots lie there. */
export const drawersWithContents = (db: Db, id?: number): Promise<DrawerContents[]> =>
  rows<DrawerContents>(
    db,
    `SELECT p.id, p.code, p.name, p.cabinet, p.row_number AS row, p.row_position AS position,
       (SELECT count(*)::int FROM material m WHERE m.drawer_id = p.id) AS materials,
       (SELECT count(*)::int FROM balance b WHERE b.place_id = p.id AND b.quantity > 0) AS lots,
       EXISTS (SELECT 1 FROM movement v WHERE v.from_place = p.id OR v.to_place = p.id) AS used
     FROM place p WHERE p.kind = 'drawer' AND NOT p.bobbin AND ($1::int IS NULL OR p.id = $1) ORDER BY p.code`,
    [id ?? null],
  );

/** Lots whose time apart is over, the oldest first. */
export const lotsToLookAt = (db: Db): Promise<{ id: string; code: string; material: string }[]> =>
  rows(
    db,
    `SELECT l.id, l.code, m.name AS material FROM lot l JOIN material m ON m.code = l.material_code
     WHERE l.apart_until <= current_date AND EXISTS (
       SELECT 1 FROM balance b JOIN place p ON p.id = b.place_id
       WHERE b.lot_id = l.id AND p.kind = 'drawer' AND b.quantity > 0)
     ORDER BY l.apart_until, l.code LIMIT 20`,
  );

export interface Spot {
  id: number;
  cabinet: string;
  row: number | null;
  position: number | null;
}

/** Puts drawers where they are said to stand, all at once. @returns how many of them are drawers */
export const placeDrawers = async (db: Db, spots: Spot[]): Promise<number> =>
  (
    await rows<{ id: number }>(
      db,
      `WITH placed AS (
         UPDATE place p SET cabinet = s.cabinet, row_number = s.row, row_position = s.position
         FROM unnest($1::int[], $2::text[], $3::int[], $4::int[]) AS s(id, cabinet, row, position)
         WHERE p.id = s.id AND p.kind = 'drawer' AND NOT p.bobbin RETURNING p.id)
       SELECT id FROM placed`,
      [spots.map((s) => s.id), spots.map((s) => s.cabinet), spots.map((s) => s.row), spots.map((s) => s.position)],
    )
  ).length;
