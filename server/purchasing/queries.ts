import { rows, type Db } from "../database/rows";

/** How many materials each supplier has. */
export async function materialsBySupplier(db: Db): Promise<Map<string, number>> {
  const counted = await rows<{ id: string; n: number }>(
    db,
    `SELECT supplier_id AS id, count(*)::int AS n FROM material_source GROUP BY 1`,
  );
  return new Map(counted.map((c) => [c.id, c.n]));
}
