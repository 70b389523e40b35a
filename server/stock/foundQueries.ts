import { row, type Db } from "../database/rows";

/** How many reservations there are on lots of a material. */
export const claimsOnMaterial = async (db: Db, code: string): Promise<number> =>
  (
    await row<{ count: number }>(
      db,
      "SELECT count(*)::int AS count FROM reservation r JOIN lot l ON l.id = r.lot_id WHERE l.material_code = $1",
      [code],
    )
  )?.count ?? 0;

/** Whether anything but its own lots names a material: a recipe, a finished batch, a source, an order to a supplier. */
export const isMaterialNamed = async (db: Db, code: string): Promise<boolean> =>
  (
    await row<{ named: boolean }>(
      db,
      `SELECT EXISTS (SELECT 1 FROM pattern_version WHERE position(to_json($1::text)::text IN recipe::text) > 0)
         OR EXISTS (SELECT 1 FROM batch_use WHERE material_code = $1)
         OR EXISTS (SELECT 1 FROM material_outcome WHERE material_code = $1)
         OR EXISTS (SELECT 1 FROM material_source WHERE material_code = $1)
         OR EXISTS (SELECT 1 FROM purchase_line WHERE material_code = $1)
         OR EXISTS (SELECT 1 FROM lot WHERE material_code = $1)
         OR EXISTS (SELECT 1 FROM material WHERE figures->'blend'->'parts' ? $1) AS named`,
      [code],
    )
  )?.named ?? true;
