import type { Purchase } from "@kasten/contract/purchasing";
import { groupBy } from "@kasten/core/numeric";
import type { SortedClass } from "@kasten/core/stock";
import { rows, type Db } from "../database/rows";

type RawLine = Omit<Purchase["lines"][number], "packWords" | "ordered">;
export type RawPurchase = Omit<Purchase, "writtenAt" | "sentAt" | "doneAt" | "goodsCents" | "lines"> & {
  writtenAt: Date;
  sentAt: Date | null;
  doneAt: Date | null;
  lines: RawLine[];
};

const MOST_DONE = 60;

/** Purchase orders that are open and the newest that are done, the newest first; or the one of an id. */
export const purchaseRows = (db: Db, id?: string): Promise<RawPurchase[]> =>
  rows(
    db,
    `WITH chosen AS (
       (SELECT id FROM purchase_order WHERE state IN ('draft', 'sent', 'confirmed') AND $1::uuid IS NULL)
       UNION ALL (SELECT id FROM purchase_order WHERE state IN ('received', 'cancelled') AND $1::uuid IS NULL
         ORDER BY done_at DESC LIMIT ${MOST_DONE})
       UNION ALL (SELECT id FROM purchase_order WHERE id = $1))
     SELECT o.id, o.number, o.supplier_id AS "supplierId", s.name AS supplier, s.by_letter AS "byLetter", o.state,
       o.written_at AS "writtenAt", p.name AS by, o.sent_at AS "sentAt", o.expected_on::text AS "expectedOn",
       o.confirmed_on::text AS "confirmedOn", o.done_at AS "doneAt", o.freight_cents AS "freightCents", o.note, o.answer,
       o.version, COALESCE(l.lines, '[]') AS lines
     FROM chosen c JOIN purchase_order o ON o.id = c.id JOIN supplier s ON s.id = o.supplier_id
     JOIN person p ON p.id = o.person_id
     LEFT JOIN LATERAL (
       SELECT json_agg(json_build_object('id', l.id, 'material', m.code, 'materialName', m.name, 'form', m.form,
         'unit', m.unit, 'packs', l.packs, 'pack', l.pack, 'packCents', l.pack_cents, 'dyeLot', l.dye_lot,
         'received', l.received, 'closed', l.closed) ORDER BY m.name, l.id) AS lines
       FROM purchase_line l JOIN material m ON m.code = l.material_code WHERE l.order_id = o.id) l ON true
     ORDER BY o.number DESC`,
    [id ?? null],
  );

/** Numbers of planned batches that have nothing reserved yet of one of these materials and name it as a part. */
export const batchesWaitingFor = async (db: Db, materials: string[]): Promise<number[]> => {
  const [kept] = await rows<{ doc: string }>(db, "SELECT doc FROM outlook WHERE part = 'needs'");
  if (!kept) return [];
  const { needs } = JSON.parse(kept.doc) as {
    needs: { material: string; short: number; batches: { number: number; reserved: number; issue: number }[] }[];
  };
  const waiting = needs
    .filter((n) => materials.includes(n.material) && n.short > 0)
    .flatMap((n) => n.batches.filter((b) => b.reserved < b.issue).map((b) => b.number));
  return [...new Set(waiting)].sort((a, b) => a - b);
};

/** What of each material is in drawers and can be tied with. */
export const thereByMaterial = async (db: Db): Promise<Map<string, number>> => {
  const found = await rows<{ material: string; quantity: number }>(
    db,
    `SELECT l.material_code AS material, sum(b.quantity)::bigint AS quantity FROM balance b JOIN lot l ON l.id = b.lot_id
     JOIN place p ON p.id = b.place_id
     WHERE p.kind = 'drawer' AND b.quantity > 0 AND l.material_code IS NOT NULL AND l.apart_until IS NULL
       AND (l.expires_on IS NULL OR l.expires_on >= current_date) GROUP BY 1`,
  );
  return new Map(found.map((f) => [f.material, f.quantity]));
};

/** Materials that come in dye lots: of which any lot has had one. */
export const dyedMaterials = async (db: Db): Promise<Set<string>> => {
  const found = await rows<{ material: string }>(
    db,
    `SELECT DISTINCT material_code AS material FROM lot WHERE dye_lot <> '' AND material_code IS NOT NULL`,
  );
  return new Set(found.map((f) => f.material));
};

/** Dye lots that batches have put by already, by material: what is bought for them should match. */
export const dyeLotsPutBy = async (db: Db): Promise<Map<string, string>> => {
  const found = await rows<{ material: string; dyeLot: string }>(
    db,
    `SELECT l.material_code AS material, max(l.dye_lot) AS "dyeLot" FROM reservation r JOIN lot l ON l.id = r.lot_id
     JOIN batch b ON b.id = r.batch_id AND NOT b.mix_lots
     WHERE l.material_code IS NOT NULL AND l.dye_lot <> '' GROUP BY 1 HAVING count(DISTINCT l.dye_lot) = 1`,
  );
  return new Map(found.map((f) => [f.material, f.dyeLot]));
};

/** What skins gave when they were sorted, by material and class. */
export const sortedClasses = async (db: Db): Promise<Map<string, SortedClass[]>> => {
  const found = await rows<SortedClass & { material: string }>(
    db,
    `SELECT l.material_code AS material, l.barb_from_um / 1000.0::float8 AS "fromMm", l.barb_to_um / 1000.0::float8 AS "toMm",
       sum(m.quantity)::int AS count
     FROM movement m JOIN lot l ON l.id = m.lot_id AND l.skin_id IS NOT NULL JOIN place t ON t.id = m.to_place
     WHERE m.reason = 'sorted' AND t.kind = 'drawer' AND l.barb_from_um IS NOT NULL GROUP BY 1, 2, 3`,
  );
  return groupBy(found, (f) => f.material);
};
