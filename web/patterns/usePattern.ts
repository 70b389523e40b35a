import { noticesOf, sentenceOf } from "@kasten/core/sentences";
import { computed, type MaybeRefOrGetter, type Ref, toValue } from "vue";
import { compareSizes, sizesBetween, sizeWithin } from "@kasten/core/hooks";
import { hookRequirement, rangesOf, requirementsOf, type Requirement } from "@kasten/core/needs";
import { cautionsOf, checksOf } from "@kasten/core/bench";
import { hookOf, type FlyChoice, type Recipe } from "@kasten/core/recipe";
import { proportionsOf } from "@kasten/core/fly";
import { quantity } from "../parts/format";
import { length } from "../parts/units";
import { useCatalogue, type Tied } from "./catalogue";

export const DOZEN = 12;

/** Sizes to choose from: those that the hook is kept in and the pattern allows, else every even size of its span. */
export function useSizes(pattern: MaybeRefOrGetter<string>) {
  const { patterns, hooks } = useCatalogue();
  return computed(() => {
    const p = patterns.value.get(toValue(pattern));
    if (!p || !p.sizes.from || !p.sizes.to) return [];
    const kept = (hooks.value.get(p.hookModel)?.rows ?? []).map((r) => r.size).filter((s) => sizeWithin(s, p.sizes));
    if (kept.length > 0) return kept.sort(compareSizes).reverse();
    return sizesBetween(p.sizes);
  });
}

/** One fly of a pattern with everything that its page shows. */
export function usePatternFly(
  pattern: MaybeRefOrGetter<string>,
  choice: MaybeRefOrGetter<FlyChoice>,
  version?: MaybeRefOrGetter<number | undefined>,
) {
  const { hooks, recipeOf, fly } = useCatalogue();
  const tied = computed(() =>
    fly(toValue(pattern), toValue(choice), { keepProfiles: true, version: toValue(version) }),
  );
  const materials = computed(() => {
    const f = tied.value.fly;
    const recipe = recipeOf(toValue(pattern), toValue(version));
    const model = recipe && hooks.value.get(hookOf(recipe, toValue(choice)));
    return f && model ? [hookRequirement(model, f.hook.size, DOZEN), ...requirementsOf(f, DOZEN)] : [];
  });
  const proportions = computed(() => (tied.value.fly ? proportionsOf(tied.value.fly) : []));
  const cautions = computed(() => (tied.value.fly ? cautionsOf(tied.value.fly) : []));
  const checks = computed(() => (tied.value.fly ? checksOf(tied.value.fly, length) : []));
  const notices = computed(() => (tied.value.fly ? noticesOf(tied.value.fly) : []));
  return { tied, materials, proportions, cautions, checks, notices };
}

/** What stated ranges leave open for a dozen: in words, by requirement; and why not all of it can be tied. */
export function useRanges(
  recipe: Ref<Recipe | undefined>,
  choice: Ref<FlyChoice>,
  tied: Ref<Tied>,
  requirements: Ref<Requirement[]>,
) {
  const { hooks, materials } = useCatalogue();
  return computed(() => {
    const model = recipe.value && hooks.value.get(hookOf(recipe.value, choice.value));
    if (!recipe.value || !model || !tied.value.fly) return { words: new Map<string, string>(), fault: undefined };
    const fly = { recipe: recipe.value, choice: choice.value, model, materials: materials.value };
    const { ranges, fault } = rangesOf(fly, DOZEN);
    const words = new Map(
      ranges.map((r) => {
        const unit = requirements.value.find((m) => m.key === r.key)?.unit ?? "count";
        return [r.key, `${quantity(r.least, unit)} to ${quantity(r.most, unit)}, as far as the recipe leaves it open`];
      }),
    );
    return { words, fault: fault && sentenceOf(fault) };
  });
}
