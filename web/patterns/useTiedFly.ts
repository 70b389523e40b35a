import { missingWords, noticesOf, orderNotices } from "@kasten/core/sentences";
import { computed, ref, type Ref } from "vue";
import { type ComposedFly } from "@kasten/core/fly";
import { sizesBetween } from "@kasten/core/hooks";
import type { Material } from "@kasten/core/materials";
import { missingFrom, orderFaults, type FlyChoice, type Recipe } from "@kasten/core/recipe";
import { useCatalogue } from "./catalogue";

const MOST_FAULTY = 8;

/** The fly that a recipe makes, for the size and dress that is chosen; and what is to be said of it. */
export function useTiedFly(
  recipe: Readonly<Ref<Recipe>>,
  cabinet: Readonly<Ref<Map<string, Material>>>,
  first: Recipe,
) {
  const { tie } = useCatalogue();
  const choice = ref<FlyChoice>({
    size: first.sizes.from,
    variant: first.variants[0]?.id ?? "",
    form: first.forms[0]?.id ?? "",
  });
  /** Sizes that the pattern allows: its ends and the even ones between; none while they cannot be read. */
  const sizes = computed(() => {
    try {
      return sizesBetween(recipe.value.sizes);
    } catch {
      return []; // what is wrong with them is said among what is missing
    }
  });
  /** The fly that is shown: what was chosen, as far as the draft still has it. */
  const shown = computed<FlyChoice>(() => {
    const { variants, forms } = recipe.value;
    const kept = (list: { id: string }[], wanted: string) =>
      list.some((x) => x.id === wanted) ? wanted : (list[0]?.id ?? "");
    return {
      ...choice.value,
      size: sizes.value.includes(choice.value.size) ? choice.value.size : (sizes.value[0] ?? ""),
      variant: kept(variants, choice.value.variant),
      form: kept(forms, choice.value.form),
    };
  });
  /** The fly as far as it can be tied: a faulty step is told, left out, and the rest tied without it. */
  const tied = computed<{ fly?: ComposedFly; faults: Map<string, string>; whole?: string }>(() => {
    const faults = new Map<string, string>();
    if (sizes.value.length === 0) return { faults };
    let steps = recipe.value.steps;
    // A part without a material yet is left out with its steps.
    const components = recipe.value.components.filter((c) => c.role === "hook" || c.material.length > 0);
    for (let n = 0; n < MOST_FAULTY; n++) {
      const attempt = tie({ ...recipe.value, components, steps }, shown.value, {
        keepProfiles: true,
        incomplete: true,
        materials: cabinet.value,
      });
      if (attempt.fly) return { fly: attempt.fly, faults };
      if (attempt.step === undefined) return { faults, whole: attempt.fault };
      faults.set(attempt.step, attempt.fault ?? "");
      steps = steps.filter((s) => s.id !== attempt.step);
    }
    return { faults };
  });
  const missing = computed(() => missingFrom(recipe.value).map(missingWords));
  /** What is to be said at a step: what cannot be tied, a wrong order, and what crowds. */
  const notes = computed(() => {
    const at = new Map<string, { sentence: string; hard: boolean }[]>();
    const add = (step: string, sentence: string, hard: boolean) =>
      at.set(step, [...(at.get(step) ?? []), { sentence, hard }]);
    for (const [step, sentence] of tied.value.faults) add(step, sentence, true);
    for (const n of orderNotices(orderFaults(recipe.value))) add(n.step, n.sentence, n.hard);
    for (const n of tied.value.fly ? noticesOf(tied.value.fly) : []) add(n.step, n.sentence, false);
    return at;
  });
  return { choice, sizes, shown, tied, missing, notes };
}
