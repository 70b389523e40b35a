import { rows, type Db } from "../database/rows";
import type { MaterialSourceRow } from "./entities";

/** How many materials each supplier has. */
export async function materialsBySupplier(db: Db): Promise<Map<string, number>> {
  const counted = await rows<{ id: string; n: number }>(
    db,
    `SELECT supplier_id AS id, count(*)::int AS n FROM material_source GROUP BY 1`,
  );
  return new Map(counted.map((c) => [c.id, c.n]));
}

/** A source with names; its pack as people write it. */
export interface PricedSource extends Pick<
  MaterialSourceRow,
  "breaks" | "season" | "priceCents" | "usable" | "grade" | "note"
> {
  supplier: string;
  material: string;
  name: string;
  pack: string;
  unit: string;
  lead_days: number;
}

/** Everything that is bought anywhere, by supplier and material. */
export const pricedSources = (db: Db): Promise<PricedSource[]> =>
  rows(
    db,
    `SELECT s.name AS supplier, m.code AS material, m.name,
       trim_scale(CASE WHEN m.unit = 'count' THEN o.pack::numeric ELSE o.pack / 1000000.0 END)::text AS pack,
       CASE m.unit WHEN 'count' THEN 'pieces' WHEN 'um' THEN 'm' WHEN 'ug' THEN 'g' ELSE 'ml' END AS unit,
       o.lead_days, o.usable, o.grade, o.note, o.breaks, o.season, o.price_cents AS "priceCents"
     FROM material_source o JOIN supplier s ON s.id = o.supplier_id JOIN material m ON m.code = o.material_code
     ORDER BY s.name, m.code`,
  );
