import type { Recipe } from "@kasten/core/recipe";
import type { PatternEntry } from "@kasten/contract/patterns";
import type { Settings } from "@kasten/contract/settings";
import type { Db } from "../database/rows";
import { readHooks, type KnownHook } from "../hooks";
import { readMaterials, type KeptMaterial } from "../materials";
import { entryOf, recipeKey, recipesOf } from "../recipes";
import { readSettings } from "../settings";
import { worldVersion, versionsInUse } from "./queries";

/** All that the computation draws on. It is never changed: another state of the room is another world. */
export interface World {
  settings: Settings;
  materials: Map<string, KeptMaterial>;
  hooks: Map<string, KnownHook>;
  patterns: Map<string, PatternEntry & { recipe: Recipe }>;
  /** Recipes by "pattern@version", current ones and those of open batches. */
  recipes: Map<string, { recipe: Recipe; name: string }>;
}

/** A world is only read anew when its version is another. */
const kept = new WeakMap<Db["connection"], { version: number; world: World; bound: string }>();

/** The world as it is now: from memory, when nothing that it is made of has changed. */
export async function readWorld(db: Db): Promise<World> {
  const { version, bound } = await worldVersion(db);
  const known = kept.get(db.connection);
  if (known?.version === version && known.bound === bound) return known.world;
  const world = await readWhole(db);
  kept.set(db.connection, { version, world, bound });
  return world;
}

async function readWhole(db: Db): Promise<World> {
  const [settings, hooks, materials] = [await readSettings(db), await readHooks(db), await readMaterials(db)];
  const versions = await versionsInUse(db);
  const found = await recipesOf(db, versions);
  const world: World = { settings, hooks, materials, patterns: new Map(), recipes: new Map() };
  for (const { current, ...v } of versions) {
    const key = recipeKey(v.id, v.version);
    const recipe = found.get(key);
    if (!recipe) continue;
    world.recipes.set(key, { recipe, name: v.name });
    if (current) world.patterns.set(v.id, { ...entryOf(v, recipe), recipe });
  }
  return world;
}
