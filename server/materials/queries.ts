import { rows, type Db } from "../database/rows";

/**
 * What a base unit of each material costs: by the last lot that came with a price, else by the cheapest usable pack
 * that anybody sells. A material without either has none.
 */
export const pricesOfMaterials = (db: Db): Promise<{ material: string; cents: number; by: "delivery" | "source" }[]> =>
  rows(
    db,
    `WITH paid AS (
       SELECT DISTINCT ON (material_code) material_code AS material, price_cents::float8 / price_for AS cents FROM lot
       WHERE price_cents IS NOT NULL AND price_for > 0 AND material_code IS NOT NULL
       ORDER BY material_code, received_at DESC, id),
     sold AS (
       SELECT material_code AS material, min(price_cents * 100.0 / (pack * greatest(usable, 1)))::float8 AS cents
       FROM material_source GROUP BY 1)
     SELECT m.code AS material, coalesce(paid.cents, sold.cents) AS cents,
       CASE WHEN paid.cents IS NULL THEN 'source' ELSE 'delivery' END AS by
     FROM material m LEFT JOIN paid ON paid.material = m.code LEFT JOIN sold ON sold.material = m.code
     WHERE coalesce(paid.cents, sold.cents) IS NOT NULL ORDER BY m.code`,
  );
