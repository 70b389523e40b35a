import type { Db } from "../database/rows";
import { patternEntity, type PatternRow } from "../recipes";

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
