import { In } from "typeorm";
import type { Recipe } from "@kasten/core/recipe";
import type { Db } from "../database/rows";
import { patternEntity, patternVersionEntity } from "./entities";

/** A version of a pattern, by "pattern@version". */
export type RecipeKey = `${string}@${number}`;
export const recipeKey = (id: string, version: number): RecipeKey => `${id}@${version}`;

/**
 * Versions never change once they are saved, so those that were read are kept for as long as the program runs: a read
 * of the room then costs one light query instead of all recipes. Nothing is kept from inside a transaction, which may
 * yet be undone.
 */
const kept = new WeakMap<Db["connection"], Map<RecipeKey, Recipe>>();

const keptBy = (db: Db): Map<RecipeKey, Recipe> => {
  const known = kept.get(db.connection) ?? new Map<RecipeKey, Recipe>();
  kept.set(db.connection, known);
  return known;
};

/** The recipes of these versions; a version that is not there is left out. */
export async function recipesOf(db: Db, wanted: { id: string; version: number }[]): Promise<Map<RecipeKey, Recipe>> {
  const known = keptBy(db);
  const found = new Map<RecipeKey, Recipe>();
  for (const r of await read(
    db,
    wanted.filter((w) => !known.has(recipeKey(w.id, w.version))),
  )) {
    const key = recipeKey(r.patternId, r.version);
    found.set(key, r.recipe);
    if (db.queryRunner?.isTransactionActive !== true) known.set(key, r.recipe);
  }
  for (const w of wanted) {
    const recipe = known.get(recipeKey(w.id, w.version));
    if (recipe) found.set(recipeKey(w.id, w.version), recipe);
  }
  return found;
}

async function read(db: Db, missing: { id: string; version: number }[]) {
  if (missing.length === 0) return [];
  const [ids, versions] = [missing.map((m) => m.id), missing.map((m) => m.version)];
  return db
    .createQueryBuilder(patternVersionEntity, "v")
    .where("(v.patternId, v.version) IN (SELECT * FROM unnest(:ids::text[], :versions::int[]))", { ids, versions })
    .getMany();
}

/** Newest version by pattern; patterns that are not there are left out. */
export async function currentVersions(db: Db, ids: string[]): Promise<Map<string, number>> {
  const found = await db
    .getRepository(patternEntity)
    .find({ where: { id: In(ids) }, select: { id: true, version: true } });
  return new Map(found.map((p) => [p.id, p.version]));
}
