import { useQuery } from "@pinia/colada";
import { computed } from "vue";
import { composeFly, type ComposedFly, type FlyChoice } from "@kasten/core/patterns";
import { DomainError, sentenceOf } from "@kasten/core/errors";
import type { Catalogue as ReadCatalogue } from "@kasten/core/orders";
import { catalogue, type PatternData } from "@kasten/contract/patterns";
import { call } from "../http";

/** Patterns, materials, hooks, customers and settings: what reading an order and drawing a fly need. */
export function useCatalogue() {
  const query = useQuery({ key: ["catalogue"], query: () => call(catalogue), staleTime: 600_000, gcTime: 3_600_000 });
  const materials = computed(() => new Map((query.data.value?.materials ?? []).map((m) => [m.code, m])));
  const patterns = computed(() => new Map((query.data.value?.patterns ?? []).map((p) => [p.id, p])));
  const hooks = computed(() => new Map((query.data.value?.hooks ?? []).map((h) => [h.id, h])));

  /** One fly by computation, in the page itself; or the sentence that says why not. */
  function fly(pattern: PatternData | undefined, choice: FlyChoice, keepProfiles = false): { fly?: ComposedFly; fault?: string } {
    const model = pattern && hooks.value.get(pattern.recipe.hookModel);
    if (!pattern || !model) return { fault: "The pattern or its hook is not known." };
    try {
      return { fly: composeFly(pattern.recipe, choice, model, materials.value, { keepProfiles }) };
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      return { fault: sentenceOf(error) };
    }
  }
  const forReading = (numberWords: Record<string, number>): ReadCatalogue => ({
    today: query.data.value?.today ?? "",
    patterns: (query.data.value?.patterns ?? []).map((p) => ({ id: p.id, name: p.name, sizes: p.recipe.sizes, variants: p.recipe.variants, forms: p.recipe.forms })),
    customers: query.data.value?.customers ?? [],
    seasons: query.data.value?.settings.seasons ?? [],
    numberWords,
  });
  return { data: query.data, materials, patterns, hooks, fly, forReading };
}
export const variantName = (p: PatternData | undefined, id: string): string => p?.recipe.variants.find((v) => v.id === id)?.name ?? id;
export const formName = (p: PatternData | undefined, id: string): string => (p && p.recipe.forms.length > 1 ? (p.recipe.forms.find((f) => f.id === id)?.name ?? id) : "");
