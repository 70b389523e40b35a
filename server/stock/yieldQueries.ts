import type { LotUse } from "@kasten/core/learning";
import { rows, type Db } from "../database/rows";

/** A lot of which something was tied: how much is gone, for how many flies. */
export interface TiedLot extends LotUse {
  id: string;
}

/**
 * What the lots of a material have tied. A lot that shared a batch with others has its share of the flies; what was
 * thrown away is gone as well: it is a skin's yield that is learned, waste and all.
 */
export const tiedLots = (db: Db, material: string): Promise<TiedLot[]> =>
  rows(
    db,
    `SELECT l.id,
       sum(CASE WHEN t.kind = 'scrap' AND t.code <> 'COUNT' OR v.reason = 'tied on flies' THEN v.quantity ELSE 0 END)::float8
         AS gone,
       COALESCE(sum(CASE WHEN v.reason = 'tied on flies' THEN v.quantity::float8 / NULLIF(u.used, 0) * u.flies END), 0) AS flies
     FROM lot l JOIN movement v ON v.lot_id = l.id JOIN place t ON t.id = v.to_place
     LEFT JOIN batch_use u ON u.batch_id = v.batch_id AND u.key = v.batch_key
     WHERE l.material_code = $1 GROUP BY l.id
     HAVING bool_or(v.reason = 'tied on flies')`,
    [material],
  );

/** What skins of a material gave when they were sorted: feathers of each class on one skin, and how many skins. */
export const skinYield = async (
  db: Db,
  material: string,
): Promise<{ skins: number; classes: { fromMm: number; toMm: number; perSkin: number }[] } | null> => {
  const found = await rows<{ fromMm: number; toMm: number; count: number; skins: number }>(
    db,
    `SELECT l.barb_from_um / 1000.0::float8 AS "fromMm", l.barb_to_um / 1000.0::float8 AS "toMm", sum(v.quantity)::int AS count,
       (SELECT count(DISTINCT s.skin_id)::int FROM lot s WHERE s.material_code = $1 AND s.skin_id IS NOT NULL) AS skins
     FROM lot l JOIN movement v ON v.lot_id = l.id AND v.reason = 'sorted' JOIN place t ON t.id = v.to_place
     WHERE l.material_code = $1 AND l.skin_id IS NOT NULL AND t.kind = 'drawer' AND l.barb_from_um IS NOT NULL
     GROUP BY 1, 2 ORDER BY 1, 2`,
    [material],
  );
  const [first] = found;
  if (!first) return null;
  const classes = found.map(({ fromMm, toMm, count }) => ({ fromMm, toMm, perSkin: count / first.skins }));
  return { skins: first.skins, classes };
};
