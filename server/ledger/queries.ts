import { groupBy } from "@kasten/core/numeric";
import { plainAsked, type Asked } from "@kasten/core/recipe";
import type { LotInDrawer, LotTraits } from "@kasten/core/stock";
import { less, lesser, nothing, sumOf, type Quantity } from "@kasten/core/units";
import { rows, type Db } from "../database/rows";
import { balanceEntity, reservationEntity, type FlyKind } from "./entities";

export interface StockedLot extends LotInDrawer {
  material: string;
  code: string;
  drawer: string;
  quantity: Quantity;
  /** Whether anybody has said what papers it has; a controlled species needs some. */
  hasPapers: boolean;
}

type RawLot = Omit<StockedLot, "barb" | "side" | "fibreMm" | "area" | "used"> & {
  traits: LotTraits;
  from: number | null;
  to: number | null;
  side: "left" | "right" | null;
};

/** Lots that are in a drawer, by material: of some materials, or all. */
export async function lotsInDrawers(db: Db, materials?: string[]): Promise<Map<string, StockedLot[]>> {
  const query = db
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
    .addSelect("l.openedOn IS NOT NULL", "opened")
    .addSelect("l.traits", "traits")
    .addSelect("p.bobbin", "loaded")
    .addSelect("l.papers <> ''", "hasPapers")
    .where("p.kind = 'drawer' AND l.materialCode IS NOT NULL AND b.quantity > 0")
    // What is kept apart or past its day is there, and not to be tied with.
    .andWhere("l.apartUntil IS NULL AND (l.expiresOn IS NULL OR l.expiresOn >= current_date)");
  if (materials) query.andWhere("l.materialCode = ANY(:materials)", { materials });
  return groupBy((await query.getRawMany<RawLot>()).map(toLot), (l) => l.material);
}

const toLot = ({ from, to, side, traits, ...lot }: RawLot): StockedLot => ({
  ...lot,
  side: side ?? undefined,
  fibreMm: traits.fibreMm,
  area: traits.area || undefined,
  used: traits.used,
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
  /** What papers the lot has; a controlled species needs some. */
  papers: string;
  /** One length that was left over, and what of it lies in that place. */
  remnant: boolean;
  there: Quantity;
  traits: LotTraits;
}

/** What batches have put by of one material. */
export const reservedOfMaterial = (
  db: Db,
  material: string,
): Promise<{ batch: string; key: string; lot: string; place: number; quantity: Quantity }[]> =>
  db
    .createQueryBuilder(reservationEntity, "r")
    .innerJoin("lot", "l", "l.id = r.lotId")
    .select("r.batchId", "batch")
    .addSelect("r.key", "key")
    .addSelect("r.lotId", "lot")
    .addSelect("r.placeId", "place")
    .addSelect("r.quantity", "quantity")
    .where("r.batchId IS NOT NULL AND l.materialCode = :material", { material })
    .orderBy("r.batchId")
    .addOrderBy("r.key")
    .getRawMany();

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
    .addSelect("l.papers", "papers")
    .addSelect("l.remnant", "remnant")
    .addSelect("l.traits", "traits")
    .innerJoin("balance", "b", "b.lotId = r.lotId AND b.placeId = r.placeId")
    .addSelect("b.quantity", "there")
    .where("r.batchId IS NOT NULL")
    .orderBy("l.code");
  if (batch !== undefined) query.andWhere("r.batchId = :batch", { batch });
  return query.getRawMany();
}

const pulled = `
  SELECT m.batch_id AS batch, m.batch_key AS key,
    sum(CASE WHEN t.kind = 'kit' THEN m.quantity ELSE -m.quantity END)::bigint AS quantity
  FROM movement m JOIN place t ON t.id = m.to_place JOIN place f ON f.id = m.from_place
  WHERE m.batch_key IS NOT NULL AND ((t.kind = 'kit' AND f.kind = 'drawer') OR (f.kind = 'kit' AND t.kind = 'drawer'))`;

type PulledRow = { batch: string; key: string; quantity: Quantity };

/** What a batch has in its kit, by key: pulled, and not come back. */
export const pulledOf = (db: Db, batch: string): Promise<PulledRow[]> =>
  rows(db, `${pulled} AND m.batch_id = $1 GROUP BY 1, 2`, [batch]);

/** What lies in the kits of all open batches, by batch and key; of finished ones nobody asks. */
export const pulledRows = (db: Db): Promise<PulledRow[]> =>
  rows(
    db,
    `${pulled} AND m.batch_id IN (SELECT id FROM batch WHERE state NOT IN ('finished', 'dissolved')) GROUP BY 1, 2`,
  );

/** Locks lots, in one order, until the transaction ends: whoever books several of them, before the first. */
export const lockLots = async (db: Db, lots: string[]): Promise<void> => {
  await db.query("SELECT 1 FROM lot WHERE id = ANY($1) ORDER BY id FOR NO KEY UPDATE", [lots]);
};

/**
 * Notes the day on which lots were opened: those that are measured, not counted, of which something was taken and the
 * rest lies in the drawer still.
 */
export const markOpened = async (db: Db, lots: string[], day: string): Promise<void> => {
  await db.query(
    `UPDATE lot l SET opened_on = $2 FROM material m
     WHERE l.id = ANY($1) AND m.code = l.material_code AND m.unit <> 'count' AND l.opened_on IS NULL AND NOT l.remnant
       AND EXISTS (SELECT 1 FROM balance b JOIN place p ON p.id = b.place_id
         WHERE b.lot_id = l.id AND p.kind = 'drawer' AND b.quantity > 0)`,
    [lots, day],
  );
};

/** Lots of which batches have put some by. */
export const lotsPutBy = async (db: Db): Promise<string[]> =>
  (await rows<{ lot: string }>(db, "SELECT DISTINCT lot_id AS lot FROM reservation WHERE batch_id IS NOT NULL")).map(
    (r) => r.lot,
  );

/** Locks the lots that a batch has put by or in its kit. */
export const lockLotsOfBatch = async (db: Db, batch: string): Promise<void> => {
  await db.query(
    `SELECT 1 FROM lot WHERE id IN (
       SELECT lot_id FROM reservation WHERE batch_id = $1 UNION SELECT lot_id FROM movement WHERE batch_id = $1)
     ORDER BY id FOR NO KEY UPDATE`,
    [batch],
  );
};

/** Dye lots that a batch has in its kit for one of its keys; "" for what is not dyed. */
export const dyeLotsInKit = async (db: Db, batch: string, key: string): Promise<string[]> =>
  (
    await rows<{ dyeLot: string }>(
      db,
      `SELECT DISTINCT l.dye_lot AS "dyeLot" FROM movement m JOIN lot l ON l.id = m.lot_id
       JOIN place t ON t.id = m.to_place WHERE m.batch_id = $1 AND m.batch_key = $2 AND t.kind = 'kit'`,
      [batch, key],
    )
  ).map((r) => r.dyeLot);

/** So much of a lot in a kit, for which key, and the drawer from which it came. */
export interface KitLot {
  key: string;
  lot: string;
  quantity: Quantity;
  drawer: number;
}

/**
 * What lies in a kit, by key and lot. It goes back to where it came from; off a bobbin that has something else on it
 * by now, to the drawer of its material.
 */
export async function kitLots(db: Db, batch: string, kit: number): Promise<KitLot[]> {
  const put = await rows<KitLot & { there: Quantity }>(
    db,
    `SELECT m.batch_key AS key, m.lot_id AS lot,
       sum(CASE WHEN m.to_place = $2 THEN m.quantity ELSE -m.quantity END)::bigint AS quantity,
       max(CASE WHEN m.to_place <> $2 THEN NULL WHEN f.bobbin AND EXISTS (
         SELECT 1 FROM balance o WHERE o.place_id = f.id AND o.lot_id <> m.lot_id AND o.quantity > 0)
         THEN a.drawer_id ELSE m.from_place END)::int AS drawer, b.quantity AS there
     FROM movement m JOIN balance b ON b.lot_id = m.lot_id AND b.place_id = $2 JOIN place f ON f.id = m.from_place
     JOIN lot l ON l.id = m.lot_id JOIN material a ON a.code = l.material_code
     WHERE m.batch_id = $1 AND (m.to_place = $2 OR m.from_place = $2) AND m.batch_key IS NOT NULL
     GROUP BY 1, 2, b.quantity HAVING sum(CASE WHEN m.to_place = $2 THEN m.quantity ELSE -m.quantity END) > 0
     ORDER BY 2, 1`,
    [batch, kit],
  );
  return [...groupBy(put, (p) => p.lot).values()].flatMap(asCounted);
}

/** A kit has what was counted in it, whatever was put in: less of the last that asked, or more of the first. */
function asCounted(keys: (KitLot & { there: Quantity })[]): KitLot[] {
  let left = keys[0]?.there ?? nothing;
  const shared = keys.map(({ there: _there, ...k }) => {
    const quantity = lesser(left, k.quantity);
    left = less(left, quantity);
    return { ...k, quantity };
  });
  const [first, ...others] = shared;
  return first ? [{ ...first, quantity: sumOf([first.quantity, left]) }, ...others] : [];
}

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

export interface FreeFlies {
  lot: string;
  place: number;
  free: number;
  /** How they were tied, where a batch of this room tied them. */
  tied: Asked;
}

/** Lots of finished flies of a kind with some that are put by for nobody, the oldest first. */
export async function freeFlyLots(db: Db, { pattern, variant, form, size }: FlyKind): Promise<FreeFlies[]> {
  const found = await db
    .createQueryBuilder(balanceEntity, "b")
    .innerJoin("lot", "l", "l.id = b.lotId")
    .innerJoin("place", "p", "p.id = b.placeId")
    .leftJoin("batch", "t", "t.id = l.batchId")
    .select("l.id", "lot")
    .addSelect("b.placeId", "place")
    .addSelect("b.quantity - b.reserved", "free")
    .addSelect("t.leave", "leave")
    .addSelect("t.use", "use")
    .addSelect("t.methods", "methods")
    .where("p.kind = 'flies' AND b.quantity > b.reserved")
    .andWhere("l.patternId = :pattern AND l.variant = :variant AND l.form = :form AND l.size = :size")
    .setParameters({ pattern, variant, form, size })
    .orderBy("l.receivedAt")
    .addOrderBy("l.id")
    .getRawMany<Omit<FreeFlies, "tied"> & { [K in keyof Asked]: Asked[K] | null }>();
  return found.map(({ leave, use, methods, ...lot }) => ({
    ...lot,
    tied: plainAsked({ leave: leave ?? [], use: use ?? {}, methods: methods ?? {} }),
  }));
}
