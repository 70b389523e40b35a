import { row, type Db } from "../database/rows";
import { patternEntity, type PatternRow } from "../recipes";

/**
 * The version of what the world is made of, with the older recipes to which open batches are bound: those change when
 * batches do.
 */
export async function worldVersion(db: Db): Promise<{ version: number; bound: string }> {
  const found = await row<{ version: number; bound: string | null }>(
    db,
    `SELECT version, (
       SELECT string_agg(DISTINCT b.pattern_id || '@' || b.pattern_version, ' ') FROM batch b
       JOIN pattern p ON p.id = b.pattern_id
       WHERE b.state NOT IN ('finished', 'dissolved') AND b.pattern_version <> p.version) AS bound
     FROM world_version`,
  );
  if (!found) throw new Error("world_version has no row: the schema is not as its migrations make it.");
  return { ...found, bound: found.bound ?? "" };
}

/** Current versions of all patterns, and those to which open batches are bound. */
export function versionsInUse(db: Db): Promise<(PatternRow & { current: boolean })[]> {
  return db
    .createQueryBuilder(patternEntity, "p")
    .innerJoin("pattern_version", "v", "v.patternId = p.id")
    .select("p.id", "id")
    .addSelect("p.name", "name")
    .addSelect("p.style", "style")
    .addSelect("p.origin", "origin")
    .addSelect("p.species", "species")
    .addSelect("v.version", "version")
    .addSelect("v.version = p.version", "current")
    .where("v.version = p.version")
    .orWhere(
      `(v.patternId, v.version) IN (
        SELECT b.pattern_id, b.pattern_version FROM batch b WHERE b.state NOT IN ('finished', 'dissolved'))`,
    )
    .orderBy("p.name")
    .getRawMany();
}
