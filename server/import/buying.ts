import { z } from "zod";
import { quantity } from "@kasten/core/units";
import { onePurchase, send, write } from "../buying";
import { insert, update, type Db } from "../database/rows";
import { Problem } from "../http/problems";
import { materialEntity } from "../materials";
import { materialSourceEntity, supplierEntity, supplierNamed } from "../purchasing";
import { flag, number, readCsv } from "./csv";
import { perFileUnit } from "./materials";

const supplierRow = z.object({
  supplier: z.string(),
  note: z.string().default(""),
  minimum_cents: number.default(0),
  freight_cents: number.default(0),
  free_from_cents: number.optional(),
  by_letter: flag,
});

/** What suppliers ask: least order, freight, letters only. */
export async function importSuppliers(db: Db, text: string): Promise<void> {
  for (const s of readCsv("suppliers.csv", text, supplierRow)) {
    const id = await supplierNamed(db, s.supplier);
    await update(
      db,
      supplierEntity,
      { id },
      {
        note: s.note,
        minimumCents: s.minimum_cents,
        freightCents: s.freight_cents,
        freeFromCents: s.free_from_cents ?? null,
        byLetter: s.by_letter,
      },
    );
  }
}

const sourceRow = z.object({
  material: z.string(),
  supplier: z.string(),
  pack: number.positive(),
  price_cents: number,
  lead_days: number,
  break_from: number.optional(),
  break_cents: number.optional(),
  usable: number.default(100),
  grade: z.string().default(""),
  season_from: number.optional(),
  season_to: number.optional(),
  note: z.string().default(""),
});

const refusedIn = (file: string, material: string): Problem =>
  new Problem("import-refused", "Nothing was imported", `${file}: there is no material ${material}.`);

/** Other places where materials are bought, beside the first. */
export async function importSources(db: Db, text: string): Promise<void> {
  for (const s of readCsv("sources.csv", text, sourceRow)) {
    const material = await db.getRepository(materialEntity).findOneBy({ code: s.material });
    if (!material) throw refusedIn("sources.csv", s.material);
    await insert(db, materialSourceEntity, {
      materialCode: s.material,
      supplierId: await supplierNamed(db, s.supplier),
      pack: quantity(s.pack * perFileUnit[material.unit], material.unit),
      priceCents: s.price_cents,
      leadDays: s.lead_days,
      breaks:
        s.break_from === undefined || s.break_cents === undefined
          ? []
          : [{ fromPacks: s.break_from, cents: s.break_cents }],
      usable: s.usable,
      grade: s.grade,
      season:
        s.season_from === undefined || s.season_to === undefined ? null : { from: s.season_from, to: s.season_to },
      note: s.note,
    });
  }
}

const purchaseRow = z.object({
  supplier: z.string(),
  material: z.string(),
  packs: number.int().positive(),
  dye_lot: z.string().default(""),
  state: z.enum(["draft", "sent"]),
  sent_days_ago: number.default(0),
});

const DAY_MS = 86_400_000;

/** Orders to suppliers, one for each supplier and state. */
export async function importPurchases(db: Db, person: { id: string }, text: string, now: Date): Promise<void> {
  const rows = readCsv("purchases.csv", text, purchaseRow);
  const orders = new Map<string, typeof rows>();
  for (const r of rows) {
    const key = `${r.supplier}|${r.state}`;
    orders.set(key, [...(orders.get(key) ?? []), r]);
  }
  for (const list of orders.values()) {
    const [first] = list;
    if (!first) continue;
    const supplierId = await supplierNamed(db, first.supplier);
    const lines = [];
    for (const { material, packs, dye_lot: dyeLot } of list) {
      const source = await db.getRepository(materialSourceEntity).findOneBy({ materialCode: material, supplierId });
      if (!source) throw refusedIn("purchases.csv", `${material} of ${first.supplier}`);
      lines.push({ material, packs, pack: source.pack, packCents: source.priceCents, dyeLot });
    }
    const { id } = await write(db, person, { supplierId, lines, note: "" });
    if (first.state === "draft") continue;
    const { version } = await onePurchase(db, id);
    await send(db, person, id, version, new Date(now.getTime() - first.sent_days_ago * DAY_MS));
  }
}
