import { quantity } from "@kasten/core/units";
import { z } from "zod";
import type { Db } from "../database/rows";
import { Problem } from "../http/problems";
import { insertLot, move, placeId } from "../ledger";
import { sourcesByMaterial } from "../purchasing";
import { flag, number, readCsv } from "./csv";
import { perFileUnit } from "./materials";

const lotRow = z.object({
  material: z.string(),
  lot: z.string(),
  drawer: z.string(),
  quantity: number.positive(),
  dye_lot: z.string().default(""),
  grade: z.string().default(""),
  side: z.enum(["left", "right"]).optional(),
  barb_from_mm: number.optional(),
  barb_to_mm: number.optional(),
  received_days_ago: number,
  price_cents: number.optional(),
  sold_as: z.string().default(""),
  expires_in_days: number.optional(),
  apart_days: number.optional(),
  opened_days_ago: number.optional(),
  origin: z.string().default(""),
  papers: z.string().default(""),
  note: z.string().default(""),
  remnant: flag,
});

const DAY_MS = 86_400_000;

/** An ISO day so many days from now. */
const dayFrom = (now: Date, days: number | undefined): string | null =>
  days === undefined ? null : new Date(now.getTime() + days * DAY_MS).toISOString().slice(0, 10);

/** Lots arrive as movements from their supplier, like any delivery. */
export async function importLots(db: Db, person: { id: string }, text: string, now: Date): Promise<void> {
  const sources = await sourcesByMaterial(db);
  // As they came: the ledger is written from the oldest on.
  const lots = readCsv("lots.csv", text, lotRow).sort((a, b) => b.received_days_ago - a.received_days_ago);
  for (const l of lots) {
    const source = sources.get(l.material)?.[0];
    if (!source)
      throw new Problem(
        "import-refused",
        "Nothing was imported",
        `lots.csv: no material ${l.material} with a supplier.`,
      );
    const { supplier, unit } = source;
    const at = new Date(now.getTime() - l.received_days_ago * DAY_MS);
    const lot = await insertLot(db, {
      code: l.lot,
      material: l.material,
      dyeLot: l.dye_lot,
      grade: l.grade,
      side: l.side,
      receivedAt: at,
      priceCents: l.price_cents === undefined ? null : Math.round(l.price_cents),
      priceFor: l.price_cents === undefined ? null : quantity(l.quantity * perFileUnit[unit], unit),
      soldAs: l.sold_as,
      supplierId: source.supplierId,
      expiresOn: dayFrom(now, l.expires_in_days),
      apartUntil: dayFrom(now, l.apart_days),
      openedOn: dayFrom(now, l.opened_days_ago === undefined ? undefined : -l.opened_days_ago),
      origin: l.origin,
      papers: l.papers,
      note: l.note,
      remnant: l.remnant,
      barb: l.barb_from_mm !== undefined && l.barb_to_mm !== undefined ? [l.barb_from_mm, l.barb_to_mm] : null,
    });
    const from = await placeId(db, "supplier", `SUP-${supplier}`, supplier);
    const to = await placeId(db, "drawer", l.drawer, `Drawer ${l.drawer}`);
    await move(db, person, {
      lot,
      quantity: quantity(l.quantity * perFileUnit[unit], unit),
      from,
      to,
      reason: "received",
      at,
    });
  }
}
