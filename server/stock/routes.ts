import { quantityWords } from "@kasten/core/materials";
import {
  correctStock,
  listStock,
  readStock,
  receiveStock,
  type StockDetail,
  type StockItem,
} from "@kasten/contract/stock";
import type { EntityManager } from "typeorm";
import { row, rows } from "../database/source";
import type { Register } from "../http/handle";
import { logEvent } from "../http/log";
import { notFound, refused } from "../http/problems";
import { readRoom, sourcesByMaterial } from "../materials";
import { counted, insertLot, move, placeId } from "./ledger";

const items = (db: EntityManager): Promise<Omit<StockItem, "coversDozens" | "needed">[]> =>
  rows(
    db,
    `SELECT m.code, m.name, m.form, m.unit, m.colour, d.code AS drawer, COALESCE(sum(b.quantity), 0)::bigint AS quantity, COALESCE(sum(b.reserved), 0)::bigint AS reserved, count(b.lot_id)::int AS lots, m.lead
     FROM material m JOIN place d ON d.id = m.drawer_id
     LEFT JOIN (SELECT b.lot_id, b.quantity, b.reserved, l.material_code FROM balance b JOIN lot l ON l.id = b.lot_id JOIN place p ON p.id = b.place_id WHERE p.kind = 'drawer' AND b.quantity > 0) b ON b.material_code = m.code
     GROUP BY m.code, d.code ORDER BY d.code, m.code`,
  );

const shelf = (db: EntityManager) =>
  rows<{
    pattern: string;
    patternName: string;
    variant: string;
    form: string;
    size: string;
    quantity: number;
    reserved: number;
  }>(
    db,
    `SELECT l.pattern_id AS pattern, p.name AS "patternName", l.variant, l.form, l.size, sum(b.quantity)::int AS quantity, sum(b.reserved)::int AS reserved FROM balance b JOIN lot l ON l.id = b.lot_id
     JOIN pattern p ON p.id = l.pattern_id JOIN place pl ON pl.id = b.place_id WHERE pl.kind = 'flies' AND b.quantity > 0 GROUP BY 1, 2, 3, 4, 5 ORDER BY 2, 5`,
  );

/** Dozens of the coming work, earliest due first, for which the drawers hold enough of each material. */
async function coverage(db: EntityManager): Promise<Map<string, { needed: number; covers: number }>> {
  const room = await readRoom(db);
  const cover = new Map<string, { needed: number; covers: number; left: number; open: boolean }>();
  for (const { batch, requirements } of room.batches)
    for (const r of requirements) {
      const stock = (room.lots.get(r.material) ?? []).reduce((sum, l) => sum + l.quantity, 0);
      const c = cover.get(r.material) ?? { needed: 0, covers: 0, left: stock, open: true };
      cover.set(r.material, c);
      const still =
        Math.max(0, r.issue - (room.held.get(`${batch.id}|${r.key}`) ?? 0)) +
        Math.min(r.issue, room.held.get(`${batch.id}|${r.key}`) ?? 0);
      c.needed += still;
      if (!c.open || still === 0) continue;
      c.covers += (batch.owed / 12) * Math.min(1, c.left / still);
      c.open = c.left >= still;
      c.left = Math.max(0, c.left - still);
    }
  return cover;
}

async function detail(db: EntityManager, code: string): Promise<StockDetail> {
  const item = (await items(db)).find((i) => i.code === code);
  const extra = await row<{ colourName: string | null; caution: string | null; measured: boolean }>(
    db,
    `SELECT colour_name AS "colourName", caution, measured FROM material WHERE code = $1`,
    [code],
  );
  if (!item || !extra) throw notFound("material");
  const cover = (await coverage(db)).get(code);
  const lots = await rows<StockDetail["lotList"][number] & { from: number | null; to: number | null }>(
    db,
    `SELECT l.id, l.code, l.dye_lot AS "dyeLot", l.grade, l.side, l.barb_from_um AS "from", l.barb_to_um AS "to", to_char(l.received_at, 'YYYY-MM-DD') AS "receivedAt", p.name AS place, p.id AS "placeId", b.quantity, b.reserved, l.remnant
     FROM balance b JOIN lot l ON l.id = b.lot_id JOIN place p ON p.id = b.place_id WHERE l.material_code = $1 AND p.kind IN ('drawer', 'kit') AND b.quantity > 0 ORDER BY p.kind, l.received_at`,
    [code],
  );
  const movements = await rows<StockDetail["movements"][number]>(
    db,
    `SELECT m.id, to_char(m.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') AS at, pe.name AS person, m.reason, m.note, l.code AS lot, m.quantity, f.name AS "from", t.name AS "to", b.number AS batch
     FROM movement m JOIN lot l ON l.id = m.lot_id JOIN person pe ON pe.id = m.person_id JOIN place f ON f.id = m.from_place JOIN place t ON t.id = m.to_place LEFT JOIN batch b ON b.id = m.batch_id
     WHERE l.material_code = $1 ORDER BY m.id DESC LIMIT 60`,
    [code],
  );
  const sources = (await sourcesByMaterial(db)).get(code) ?? [];
  return {
    ...item,
    ...extra,
    needed: cover?.needed ?? 0,
    coversDozens: cover ? cover.covers : null,
    lotList: lots.map(({ from, to, ...l }) => ({
      ...l,
      barb: from !== null && to !== null ? ([from / 1000, to / 1000] as [number, number]) : null,
    })),
    movements,
    sources: sources.map((s) => ({
      supplier: s.supplier,
      packWords: quantityWords(s.pack, s.unit),
      priceCents: s.priceCents,
      leadDays: s.leadDays,
    })),
  };
}

export function stockRoutes(register: Register): void {
  register(listStock, async ({ db }) => {
    const cover = await coverage(db);
    return {
      items: (await items(db)).map((i) => ({
        ...i,
        needed: cover.get(i.code)?.needed ?? 0,
        coversDozens: cover.get(i.code)?.covers ?? null,
      })),
      fliesOnShelf: await shelf(db),
    };
  });
  register(readStock, ({ db, params }) => detail(db, params.id));
  register(receiveStock, async ({ db, person, params, body }) => {
    const material = await row<{
      name: string;
      unit: "count" | "um" | "ug" | "nl";
      drawer: number;
      supplier: string | null;
    }>(
      db,
      `SELECT m.name, m.unit, m.drawer_id AS drawer, (SELECT u.name FROM material_source s JOIN supplier u ON u.id = s.supplier_id WHERE s.material_code = m.code LIMIT 1) AS supplier FROM material m WHERE m.code = $1`,
      [params.id],
    );
    if (!material) throw notFound("material");
    const quantity = Math.round(body.quantity);
    if (quantity < 1) throw refused(`That is less than the smallest amount of ${material.name} that is counted.`);
    const lot = await insertLot(db, {
      code: body.lot,
      material: params.id,
      dyeLot: body.dyeLot,
      grade: body.grade,
      side: body.side,
      barb: body.barb,
      priceCents: body.priceCents,
    });
    const supplier = await placeId(
      db,
      "supplier",
      `SUP-${material.supplier ?? "unknown"}`,
      material.supplier ?? "Unknown supplier",
    );
    await move(db, person, { lot, quantity, from: supplier, to: material.drawer, reason: "received", note: body.note });
    await logEvent(
      db,
      person,
      "stock",
      params.id,
      "received",
      `Received ${quantityWords(quantity, material.unit)} of ${material.name}, lot ${body.lot}`,
    );
    return { ok: true as const };
  });
  register(correctStock, async ({ db, person, params, body }) => {
    const there = await row<{ quantity: number; unit: "count" | "um" | "ug" | "nl"; name: string }>(
      db,
      `SELECT b.quantity, m.unit, m.name FROM balance b JOIN lot l ON l.id = b.lot_id JOIN material m ON m.code = l.material_code WHERE b.lot_id = $1 AND b.place_id = $2 AND m.code = $3 FOR UPDATE OF b`,
      [body.lot, body.place, params.id],
    );
    if (!there) throw notFound("lot in that place");
    const difference = Math.round(body.counted) - there.quantity;
    if (difference === 0) return { ok: true as const };
    const corrections = await counted(db);
    await move(db, person, {
      lot: body.lot,
      quantity: Math.abs(difference),
      from: difference > 0 ? corrections : body.place,
      to: difference > 0 ? body.place : corrections,
      reason: "count corrected",
      note: body.note,
    });
    await logEvent(
      db,
      person,
      "stock",
      params.id,
      "corrected",
      `Counted ${quantityWords(body.counted, there.unit)} of ${there.name}, ${difference > 0 ? "more" : "less"} by ${quantityWords(Math.abs(difference), there.unit)}: ${body.note}`,
    );
    return { ok: true as const };
  });
}
