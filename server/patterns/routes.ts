import { exportPatterns, importPatterns, patternVersions, readRecipes, savePattern } from "@kasten/contract/patterns";
import type { ReplyOf } from "@kasten/contract/http";
import type { Register, TextChange } from "../http/handle";
import { currentVersions, recipeKey, recipesOf } from "../recipes";
import { bookOf } from "./book";
import { saveVersion, versionsOf } from "./versions";

/** "pattern" or "pattern@version". */
const parseKey = (text: string): { id: string; version?: number } => {
  const at = text.lastIndexOf("@");
  return at === -1 ? { id: text } : { id: text.slice(0, at), version: Number(text.slice(at + 1)) };
};

export type TakeIn = (change: TextChange) => Promise<ReplyOf<typeof importPatterns>>;

export function patternRoutes(register: Register, { takeIn }: { takeIn: TakeIn }): void {
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
        return recipe ? [{ id: w.id, version: w.version, current: w.version === w.newest, recipe }] : [];
      }),
    };
  });
  register(patternVersions, async ({ db, params }) => ({ versions: await versionsOf(db, params.id) }));
  register(savePattern, ({ db, person, params, body }) => saveVersion(db, person, params.id, body));
  register(exportPatterns, ({ db, query }) => bookOf(db, query.of));
  register.handedOn(importPatterns, takeIn);
}
