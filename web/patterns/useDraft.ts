import { missingWords, noticesOf, orderWords } from "@kasten/core/sentences";
import { debounceFilter, useDebouncedRefHistory, useEventListener, useStorage, watchDebounced } from "@vueuse/core";
import { computed, ref, toRaw, watch } from "vue";
import { sizesBetween } from "@kasten/core/hooks";
import type { Material } from "@kasten/core/materials";
import {
  missingFrom,
  orderFaults,
  rehomed,
  type Component,
  type FlyChoice,
  type Recipe,
  type RecipeStep,
} from "@kasten/core/recipe";
import { type ComposedFly } from "@kasten/core/fly";
import { useSession } from "../team";
import { useCatalogue } from "./catalogue";
import { emptyDraft, readDraft, resaid, settled, withFact, type Draft, type Room } from "./draft";

const MOST_FAULTY = 8;
const KEEP_AFTER_MS = 150;
const KEEP_AT_LATEST_MS = 600;
/** The reading is what the next one starts from once the typing rests. */
const SETTLES_AFTER_MS = 250;

/** The draft of a pattern, how it is understood, and the fly that it makes. One writer: the verbs below. */
export function useDraft(id: string, initial: () => Draft) {
  const { materials, hooks, tie } = useCatalogue();
  const { person } = useSession();
  const key = `kasten.draft.${id}`;
  /** Saved and let go: nothing more is kept of it. */
  let gone = false;
  const later = debounceFilter(KEEP_AFTER_MS, { maxWait: KEEP_AT_LATEST_MS });
  const draft = useStorage<Draft>(key, initial(), undefined, {
    deep: true,
    eventFilter: (invoke, options) => later(() => (gone ? undefined : invoke()), options),
  });
  // What was kept by a version that had no text is taken up as far as it has the same parts.
  if (typeof draft.value.text !== "string") draft.value = { ...emptyDraft(), ...initial() };
  // What was typed in the last moment before the page goes is kept too, unless the draft was saved and let go.
  useEventListener(window, "pagehide", () => {
    if (!gone) localStorage.setItem(key, JSON.stringify(draft.value));
  });
  const letGo = (): void => {
    gone = true;
    localStorage.removeItem(key);
  };
  const { undo, redo, canUndo, canRedo } = useDebouncedRefHistory(draft, { deep: true, debounce: 400, capacity: 60 });
  const room = computed<Room>(() => ({
    materials: materials.value,
    hooks: [...hooks.value.values()],
    numberWords: person.value?.numberWords ?? {},
  }));
  const choice = ref<FlyChoice>({
    size: draft.value.recipe.sizes.from,
    variant: draft.value.recipe.variants[0]?.id ?? "",
    form: draft.value.recipe.forms[0]?.id ?? "",
  });

  // The computation reads the plain draft: through the page's watching proxies it would take several times as long.
  const changes = ref(0);
  watch(
    draft,
    () => {
      changes.value++;
    },
    { deep: true, flush: "sync" },
  );
  const plain = computed(() => ({ draft: toRaw(draft.value), changes: changes.value }));
  const reading = computed(() => readDraft(plain.value.draft, room.value));
  const recipe = computed<Recipe>(() => reading.value.recipe);
  watchDebounced(
    reading,
    (now) => {
      const next = settled(toRaw(draft.value), now);
      const { recipe: was, lines, past } = toRaw(draft.value);
      if (JSON.stringify([next.recipe, next.lines, next.past]) === JSON.stringify([was, lines, past])) return;
      Object.assign(draft.value, { recipe: next.recipe, lines: next.lines, past: next.past });
      if (!draft.value.name && now.name) draft.value.name = now.name.slice(0, 80);
      if (!draft.value.style && now.style) draft.value.style = now.style.slice(0, 80);
    },
    { debounce: SETTLES_AFTER_MS, immediate: true },
  );
  /** The cabinet with the materials that the recipe describes and that are not in it yet. */
  const cabinet = computed(
    () =>
      new Map<string, Material>([...materials.value, ...reading.value.newMaterials.map((m) => [m.code, m] as const)]),
  );

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
    for (const f of orderFaults(recipe.value)) add(f.then, `${orderWords({ ...f, ...f.names })}.`, f.hard);
    for (const n of tied.value.fly ? noticesOf(tied.value.fly) : []) add(n.step, n.sentence, false);
    return at;
  });

  /** Changes the recipe beside its words; lines that the program said are said anew. */
  function change(next: Recipe): void {
    const before = recipe.value;
    const settledNow = settled(toRaw(draft.value), reading.value);
    draft.value = { ...settledNow, recipe: next, text: resaid(settledNow, before, next, cabinet.value) };
  }
  const setStep = (step: RecipeStep): void =>
    change({ ...recipe.value, steps: recipe.value.steps.map((s) => (s.id === step.id ? step : s)) });
  const setPart = (part: Component): void =>
    change({ ...recipe.value, components: recipe.value.components.map((c) => (c.id === part.id ? part : c)) });
  // What is changed in the form beside the text goes into the line that told it, where one does.
  const said = (about: "hook" | "finish", recipe: Recipe): string =>
    JSON.stringify(about === "hook" ? [recipe.hookModel, recipe.sizes] : recipe.finish);
  for (const about of ["hook", "finish"] as const)
    watch(
      () => said(about, draft.value.recipe),
      (now) => {
        if (now === said(about, recipe.value)) return;
        const plainDraft = toRaw(draft.value);
        draft.value.text = withFact(plainDraft, reading.value, about, plainDraft.recipe, {
          ...room.value,
          materials: cabinet.value,
        });
      },
    );

  /** Moves the pattern to another hook: lengths that were usual on the old family become usual on the new one. */
  function rehome(hookModel: string): string[] {
    const families = [recipe.value.hookModel, hookModel].map((h) => hooks.value.get(h)?.family ?? "");
    const [from = "", to = ""] = families;
    const isOther = from !== "" && to !== "" && from !== to;
    const { recipe: next, changed } = isOther
      ? rehomed(recipe.value, hookModel, from, to)
      : { recipe: { ...recipe.value, hookModel }, changed: [] };
    const text = withFact(toRaw(draft.value), reading.value, "hook", next, { ...room.value, materials: cabinet.value });
    draft.value.text = text;
    change(next);
    return changed;
  }

  return {
    draft,
    reading,
    recipe,
    cabinet,
    tied,
    missing,
    notes,
    choice,
    shown,
    sizes,
    setStep,
    setPart,
    rehome,
    letGo,
    undo,
    redo,
    canUndo,
    canRedo,
  };
}
