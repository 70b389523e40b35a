import { defineStore } from "pinia";
import { shallowReactive } from "vue";
import type { Recipe } from "@kasten/core/recipe";
import { readRecipes } from "@kasten/contract/patterns";
import { call } from "../http";

const MOST_AT_ONCE = 40;

/**
 * Recipes as they are needed: those asked for in the same moment are read together. A version never changes, so what
 * was read stays; a pattern without a version means its newest, which is renewed when the catalogue says that there is
 * a newer one.
 */
export const useRecipes = defineStore("recipes", () => {
  const known = shallowReactive(new Map<string, Recipe>());
  const faults = shallowReactive(new Map<string, string>());
  const asked = new Set<string>();
  let waiting: string[] = [];

  async function fetchWaiting(): Promise<void> {
    const batch = waiting.slice(0, MOST_AT_ONCE);
    waiting = waiting.slice(MOST_AT_ONCE);
    if (waiting.length > 0) void fetchWaiting();
    try {
      const { recipes } = await call(readRecipes, { query: { of: batch.join(",") } });
      for (const r of recipes) known.set(`${r.id}@${r.version}`, r.recipe as Recipe);
      for (const key of batch) if (!known.has(key)) faults.set(key, "This version of the pattern is not here.");
    } catch (error) {
      // Asked again when somebody looks again; what went wrong is shown where the fly would be.
      for (const key of batch) {
        asked.delete(key);
        faults.set(key, error instanceof Error ? error.message : "The recipe could not be read.");
      }
    }
  }

  /** The recipe, or undefined while it is on its way. */
  function recipe(id: string, version: number): Recipe | undefined {
    const key = `${id}@${version}`;
    const found = known.get(key);
    if (!found && !asked.has(key)) {
      asked.add(key);
      waiting.push(key);
      if (waiting.length === 1) setTimeout(() => void fetchWaiting());
    }
    return found;
  }
  const fault = (id: string, version: number): string | undefined => faults.get(`${id}@${version}`);
  /** A version just saved: no need to read it back. */
  const keep = (id: string, version: number, saved: Recipe): void => void known.set(`${id}@${version}`, saved);
  return { recipe, fault, keep };
});
