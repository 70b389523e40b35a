import { quantityWords, type StockUnit } from "@kasten/core/materials";
import { addDays, format, parseISO } from "date-fns";
import type { Need } from "@kasten/contract/materials";
import type { EntityManager } from "typeorm";
import { rows } from "../database/source";

export interface SourceRow {
  material: string;
  supplier: string;
  pack: number;
  priceCents: number;
  leadDays: number;
  unit: StockUnit;
}

/** Suppliers of every material, the quickest first. */
export async function sourcesByMaterial(db: EntityManager): Promise<Map<string, SourceRow[]>> {
  const all = await rows<SourceRow>(
    db,
    `SELECT s.material_code AS material, u.name AS supplier, s.pack, s.price_cents AS "priceCents", s.lead_days AS "leadDays", m.unit
     FROM material_source s JOIN supplier u ON u.id = s.supplier_id JOIN material m ON m.code = s.material_code ORDER BY s.lead_days, s.price_cents`,
  );
  const map = new Map<string, SourceRow[]>();
  for (const s of all) map.set(s.material, [...(map.get(s.material) ?? []), s]);
  return map;
}

/** What to buy for a shortage: whole packs of the quickest supplier, what they cost, and when they arrive. */
export function proposalFor(short: number, sources: SourceRow[] | undefined, today: string): Need["proposal"] {
  const source = sources?.[0];
  if (!source || short <= 0) return null;
  const packs = Math.ceil(short / source.pack);
  return {
    supplier: source.supplier,
    packs,
    packWords: quantityWords(source.pack, source.unit),
    priceCents: packs * source.priceCents,
    leadDays: source.leadDays,
    arrives: format(addDays(parseISO(today), source.leadDays), "yyyy-MM-dd"),
  };
}

export const proposalWords = (p: NonNullable<Need["proposal"]>): string =>
  `Order ${p.packs} × ${p.packWords} from ${p.supplier}, ${(p.priceCents / 100).toFixed(2)} €: here by ${p.arrives}.`;
