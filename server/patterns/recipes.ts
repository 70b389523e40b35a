import type { Recipe } from "@kasten/core/patterns";
import type { DataSource, EntityManager } from "typeorm";
import { rows } from "../database/source";

/** A version of a pattern, by "pattern@version". */
export type RecipeKey = `${string}@${number}`;
export const recipeKey = (id: string, version: number): RecipeKey => `${id}@${version}`;

/**
 * Versions never change once they are saved, so those that were read are kept for as long as the program runs: a read of the
 * room then costs one light query instead of all recipes. Nothing is kept from inside a transaction, which may yet be undone.
 */
const kept = new WeakMap<DataSource, Map<RecipeKey, Recipe>>();

const keptBy = (db: EntityManager): Map<RecipeKey, Recipe> => {
  const known = kept.get(db.connection) ?? new Map<RecipeKey, Recipe>();
  kept.set(db.connection, known);
  return known;
};

/** The recipes of these versions; a version that is not there is left out. */
export async function recipesOf(
  db: EntityManager,
  wanted: { id: string; version: number }[],
): Promise<Map<RecipeKey, Recipe>> {
  const known = keptBy(db);
  const missing = wanted.filter((w) => !known.has(recipeKey(w.id, w.version)));
  const found = new Map<RecipeKey, Recipe>();
  if (missing.length > 0) {
    const read = await rows<{ id: string; version: number; recipe: Recipe }>(
      db,
      `SELECT v.pattern_id AS id, v.version, v.recipe FROM unnest($1::text[], $2::int[]) AS w (id, version) JOIN pattern_version v ON v.pattern_id = w.id AND v.version = w.version`,
      [missing.map((m) => m.id), missing.map((m) => m.version)],
    );
    const isSettled = db.queryRunner?.isTransactionActive !== true;
    for (const r of read) {
      found.set(recipeKey(r.id, r.version), r.recipe);
      if (isSettled) known.set(recipeKey(r.id, r.version), r.recipe);
    }
  }
  for (const w of wanted) {
    const recipe = known.get(recipeKey(w.id, w.version));
    if (recipe) found.set(recipeKey(w.id, w.version), recipe);
  }
  return found;
}
