import { computed, ref, watch, type Ref } from "vue";
import { useRoute } from "vue-router";
import type { ComposedFly } from "@kasten/core/fly";
import { ownDressing } from "@kasten/core/methods";
import { dressedAs } from "@kasten/core/needs";
import { dressings, type Dressing, type FlyChoice, type Recipe } from "@kasten/core/recipe";
import type { PatternEntry } from "@kasten/contract/patterns";

/** The fly that a pattern's page shows: first what its address names, then what the person chooses. */
export function useChoice(entry: Ref<PatternEntry | undefined>, recipe: Ref<Recipe | undefined>, sizes: Ref<string[]>) {
  const route = useRoute();
  const query = (name: string): string | undefined =>
    typeof route.query[name] === "string" ? route.query[name] : undefined;
  const start = (size: string | undefined): FlyChoice => ({
    size: size ?? "",
    variant: query("variant") ?? entry.value?.variants[0]?.id ?? "",
    form: query("form") ?? entry.value?.forms[0]?.id ?? "",
  });
  const choice = ref<FlyChoice>(start(query("size")));
  /** The fly beside it: the smallest, until one is chosen. */
  const other = ref<FlyChoice>(start(undefined));
  watch(
    [entry, sizes],
    () => {
      if (!choice.value.size || !choice.value.variant) choice.value = start(query("size") ?? sizes.value[0]);
      if (!other.value.size) other.value = start(sizes.value.at(-1));
    },
    { immediate: true },
  );
  const optional = computed(() => {
    const omitted = recipe.value?.forms.find((f) => f.id === choice.value.form)?.omit ?? [];
    return recipe.value?.components.filter((c) => c.optional && !omitted.includes(c.id)) ?? [];
  });
  function take(component: string, material: string | undefined): void {
    const rest = Object.fromEntries(Object.entries(choice.value.use ?? {}).filter(([k]) => k !== component));
    choice.value = { ...choice.value, use: material === undefined ? rest : { ...rest, [component]: material } };
  }
  return { choice, other, optional, take };
}

/** How densely it may be dressed, and dressing it so. */
export function useDressing(
  choice: Ref<FlyChoice>,
  recipe: Ref<Recipe | undefined>,
  fly: Ref<ComposedFly | undefined>,
) {
  const own = computed(() => ownDressing(recipe.value ?? {}));
  const isDressing = ([key]: [string, string]): boolean => key.endsWith("/dressing");
  const ways = () => Object.entries(choice.value.methods ?? {});
  const ratings = computed<Dressing[]>(() =>
    recipe.value ? dressings.filter((d) => d === own.value || recipe.value?.densityBand?.includes(d)) : [],
  );
  const rating = computed<Dressing>(() => (ways().find(isDressing)?.[1] as Dressing | undefined) ?? own.value);
  function dress(dressing: Dressing): void {
    const others = Object.fromEntries(ways().filter((w) => !isDressing(w)));
    const dressed = fly.value && dressing !== own.value ? dressedAs(fly.value, dressing) : {};
    choice.value = { ...choice.value, methods: { ...others, ...dressed } };
  }
  return { ratings, rating, dress };
}
