import { computed } from "vue";
import { composeFly, type ComposedFly } from "@kasten/core/fly";
import { hookOf, type FlyChoice, type Recipe } from "@kasten/core/recipe";
import { DomainError } from "@kasten/core/errors";
import type { Materials } from "@kasten/core/materials";
import { sentenceOf } from "@kasten/core/sentences";
import type { Catalogue as ReadCatalogue } from "@kasten/core/orders";
import { type PatternEntry } from "@kasten/contract/patterns";
import { catalogue } from "@kasten/contract/catalogue";
import type { ReplyOf } from "@kasten/contract/http";
import { call, useRead } from "../http";
import { useRecipes } from "./recipes";

export interface Tied {
  fly?: ComposedFly;
  /** Why it cannot be tied, and at which step. */
  fault?: string;
  step?: string;
  /** The recipe is on its way. */
  pending?: boolean;
}

/** Patterns, materials, hooks, customers and settings: what reading an order and drawing a fly need. */
export function useCatalogue() {
  const query = useRead({ key: ["catalogue"], query: () => call(catalogue), staleTime: 600_000, gcTime: 3_600_000 });
  const recipes = useRecipes();
  const materials = computed(() => new Map((query.data.value?.materials ?? []).map((m) => [m.code, m])));
  const patterns = computed(() => new Map((query.data.value?.patterns ?? []).map((p) => [p.id, p])));
  const hooks = computed(() => new Map((query.data.value?.hooks ?? []).map((h) => [h.id, h])));

  /** A recipe, or undefined while it is on its way; the newest version when none is named. */
  function recipeOf(id: string, version?: number): Recipe | undefined {
    const wanted = version ?? patterns.value.get(id)?.version;
    return wanted === undefined ? undefined : recipes.recipe(id, wanted);
  }

  /** Whether a recipe is still on its way: what stands below what it tells would move when it comes. */
  const isComing = (id: string, version: number): boolean =>
    recipeOf(id, version) === undefined && recipes.fault(id, version) === undefined;

  /** One fly by computation, in the page itself; or the sentence that says why not. */
  function tie(
    recipe: Recipe,
    choice: FlyChoice,
    options: { keepProfiles?: boolean; incomplete?: boolean; materials?: Materials } = {},
  ): Tied {
    const model = hooks.value.get(hookOf(recipe, choice));
    if (!model)
      return {
        fault: recipe.hookModel ? `The hook “${recipe.hookModel}” is not known here.` : "The hook is not named.",
      };
    return attempt(() => composeFly(recipe, choice, model, options.materials ?? materials.value, options));
  }

  /** A fly of a pattern, in a version or its newest. */
  function fly(
    id: string | undefined,
    choice: FlyChoice,
    options: { version?: number; keepProfiles?: boolean } = {},
  ): Tied {
    const entry = patterns.value.get(id ?? "");
    if (!entry) return query.data.value ? { fault: "The pattern is not known." } : { pending: true };
    const recipe = recipeOf(entry.id, options.version);
    if (recipe) return tie(recipe, choice, options);
    const fault = recipes.fault(entry.id, options.version ?? entry.version);
    return fault === undefined ? { pending: true } : { fault };
  }

  return { data: query.data, refetch: query.refetch, materials, patterns, hooks, recipeOf, isComing, fly, tie };
}

/** What the reader of an order may recognise, of the catalogue as it is here. */
export const forReading = (all: ReplyOf<typeof catalogue>, numberWords: Record<string, number>): ReadCatalogue => ({
  today: all.today,
  patterns: all.patterns.map((p) => ({ id: p.id, name: p.name, sizes: p.sizes, variants: p.variants, forms: p.forms })),
  customers: all.customers,
  seasons: all.settings.seasons,
  numberWords,
});

function attempt(compose: () => ComposedFly): Tied {
  try {
    return { fly: compose() };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { fault: sentenceOf(error), step: error.step?.id };
  }
}

export const variantName = (p: PatternEntry | undefined, id: string): string =>
  p?.variants.find((v) => v.id === id)?.name ?? id;
export const formName = (p: PatternEntry | undefined, id: string): string =>
  p && p.forms.length > 1 ? (p.forms.find((f) => f.id === id)?.name ?? id) : "";
