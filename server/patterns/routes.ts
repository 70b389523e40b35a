import {
  catalogue,
  exportPatterns,
  importPatterns,
  patternVersions,
  readRecipes,
  saveMaterial,
  savePattern,
  type RecipeData,
} from "@kasten/contract/patterns";
import type { Register } from "../http/handle";
import { bookOf, takeIn } from "./book";
import { keepMaterial } from "./materials";
import { recipeKey, recipesOf } from "./recipes";
import { saveVersion, versionsOf } from "./versions";
import { todayIn } from "./settings";
import { currentVersions, readCustomers, readWorld } from "./world";

/** "pattern" or "pattern@version". */
const parseKey = (text: string): { id: string; version?: number } => {
  const at = text.lastIndexOf("@");
  return at === -1 ? { id: text } : { id: text.slice(0, at), version: Number(text.slice(at + 1)) };
};

export function patternRoutes(register: Register): void {
  register(catalogue, async ({ db }) => {
    const world = await readWorld(db);
    return {
      today: todayIn(world.settings.timeZone),
      settings: world.settings,
      patterns: [...world.patterns.values()].map(({ recipe: _recipe, ...entry }) => entry),
      materials: [...world.materials.values()],
      hooks: [...world.hooks.values()],
      customers: await readCustomers(db),
    };
  });
  register(readRecipes, async ({ db, query }) => {
    const asked = query.of.map(parseKey);
    const current = await currentVersions(
      db,
      asked.map((a) => a.id),
    );
    const wanted = asked.flatMap((a) => {
      const newest = current.get(a.id);
      return newest === undefined
        ? []
        : [{ id: a.id, version: a.version !== undefined && Number.isInteger(a.version) ? a.version : newest, newest }];
    });
    const recipes = await recipesOf(db, wanted);
    return {
      recipes: wanted.flatMap((w) => {
        const recipe = recipes.get(recipeKey(w.id, w.version));
        return recipe
          ? [{ id: w.id, version: w.version, current: w.version === w.newest, recipe: recipe as RecipeData }]
          : [];
      }),
    };
  });
  register(patternVersions, async ({ db, params }) => ({ versions: await versionsOf(db, params.id) }));
  register(savePattern, ({ db, person, params, body }) => saveVersion(db, person, params.id, body));
  register(exportPatterns, ({ db, query }) => bookOf(db, query.of));
  register(importPatterns, ({ db, person, body }) => takeIn(db, person, body));
  register(saveMaterial, async ({ db, person, params, body }) => {
    await keepMaterial(db, person, params.id, body.material, body.drawer);
    return { ok: true as const };
  });
}
