import { addDays, format, parseISO } from "date-fns";
import { quantityWords } from "@kasten/core/materials";
import { groupBy } from "@kasten/core/numeric";
import { packPrice } from "@kasten/core/purchasing";
import type { Quantity, StockUnit } from "@kasten/core/units";
import type { Need } from "@kasten/contract/materials";
import type { Db } from "../database/rows";
import { materialSourceEntity } from "./entities";

export interface Source {
  material: string;
  supplier: string;
  supplierId: string;
  pack: Quantity;
  priceCents: number;
  leadDays: number;
  breaks: { fromPacks: number; cents: number }[];
  /** What of a pack can be tied with, in per cent. */
  usable: number;
  grade: string;
  season: { from: number; to: number } | null;
  note: string;
  unit: StockUnit;
}

/** Suppliers of every material, or of one, the quickest first. */
export async function sourcesByMaterial(db: Db, material?: string): Promise<Map<string, Source[]>> {
  const query = db
    .createQueryBuilder(materialSourceEntity, "s")
    .innerJoin("supplier", "u", "u.id = s.supplierId")
    .innerJoin("material", "m", "m.code = s.materialCode")
    .select("s.materialCode", "material")
    .addSelect("u.name", "supplier")
    .addSelect("s.supplierId", "supplierId")
    .addSelect("s.pack", "pack")
    .addSelect("s.priceCents", "priceCents")
    .addSelect("s.leadDays", "leadDays")
    .addSelect("s.breaks", "breaks")
    .addSelect("s.usable", "usable")
    .addSelect("s.grade", "grade")
    .addSelect("s.season", "season")
    .addSelect("s.note", "note")
    .addSelect("m.unit", "unit")
    .orderBy("s.leadDays")
    .addOrderBy("s.priceCents");
  if (material !== undefined) query.where("s.materialCode = :material", { material });
  return groupBy(await query.getRawMany<Source>(), (s) => s.material);
}

/** What to buy for a shortage: whole packs of the quickest supplier, what they cost, and when they arrive. */
export function proposalFor(short: number, sources: Source[] | undefined, today: string): Need["proposal"] {
  const source = sources?.[0];
  if (!source || short <= 0) return null;
  const packs = Math.ceil((short * 100) / (source.pack * source.usable));
  const packCents = packPrice([{ fromPacks: 1, cents: source.priceCents }, ...source.breaks], packs);
  return {
    supplier: source.supplier,
    packs,
    packWords: quantityWords(source.pack, source.unit),
    priceCents: packs * packCents,
    leadDays: source.leadDays,
    arrives: format(addDays(parseISO(today), source.leadDays), "yyyy-MM-dd"),
  };
}

export const proposalWords = (p: NonNullable<Need["proposal"]>, currency: string): string =>
  `Order ${p.packs} × ${p.packWords} from ${p.supplier}, ${(p.priceCents / 100).toFixed(2)} ${currency}: here by ${p.arrives}.`;
