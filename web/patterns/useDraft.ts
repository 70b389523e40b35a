import { missingWords, noticesOf, orderWords } from "@kasten/core/sentences";
import { debounceFilter, useDebouncedRefHistory, useEventListener, useStorage, watchDebounced } from "@vueuse/core";
import { computed, ref, toRaw, watch } from "vue";
import { sizesBetween } from "@kasten/core/hooks";
import { sayStep } from "@kasten/core/words";
import { missingFrom, orderFaults, rehomed, type FlyChoice, type Recipe } from "@kasten/core/recipe";
import { type ComposedFly } from "@kasten/core/fly";
import { useSession } from "../team";
import { useCatalogue } from "./catalogue";
import { addLine, readRow, recipeOfDraft, type Draft } from "./draft";

const MOST_FAULTY = 8;
const KEEP_AFTER_MS = 150;
const KEEP_AT_LATEST_MS = 600;

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
  // What was typed in the last moment before the page goes is kept too, unless the draft was saved and let go.
  useEventListener(window, "pagehide", () => {
    if (!gone) localStorage.setItem(key, JSON.stringify(draft.value));
  });
  const letGo = (): void => {
    gone = true;
    localStorage.removeItem(key);
  };
  const { undo, redo, canUndo, canRedo } = useDebouncedRefHistory(draft, { deep: true, debounce: 400, capacity: 60 });
  /** What is usual on the hook, for lengths that nobody says. */
  const family = computed(() => hooks.value.get(draft.value.recipe.hookModel)?.family);
  const numberWords = computed(() => person.value?.numberWords ?? {});
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
  const readings = computed(() =>
    plain.value.draft.rows.map((_, i) =>
      readRow(plain.value.draft, i, materials.value, numberWords.value, family.value),
    ),
  );
  const recipe = computed<Recipe>(() => recipeOfDraft(plain.value.draft, readings.value));
  // The last understood step is kept with its row, so that half-typed words do not make the fly vanish; once the typing
  // rests, as keeping it makes everything be read again.
  watchDebounced(
    readings,
    (now) => {
      now.forEach((reading, i) => {
        const row = draft.value.rows[i];
        if (row && reading.step && JSON.stringify(reading.step) !== JSON.stringify(row.was)) row.was = reading.step;
      });
    },
    { debounce: 250 },
  );

  /** Sizes that the pattern allows: its ends and the even ones between; none while they cannot be read. */
  const sizes = computed(() => {
    try {
      return sizesBetween(draft.value.recipe.sizes);
    } catch {
      return []; // what is wrong with them is said among what is missing
    }
  });
  /** The fly that is shown: what was chosen, as far as the draft still has it. */
  const shown = computed<FlyChoice>(() => {
    const { variants, forms } = draft.value.recipe;
    const kept = (list: { id: string }[], id: string) => (list.some((x) => x.id === id) ? id : (list[0]?.id ?? ""));
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

  /** Moves the pattern to another hook: lengths that were usual on the old family become usual on the new one. */
  function rehome(hookModel: string): string[] {
    const [from, to] = [family.value ?? "", hooks.value.get(hookModel)?.family ?? ""];
    if (!from || !to || from === to) {
      draft.value.recipe.hookModel = hookModel;
      return [];
    }
    const { recipe: next, changed } = rehomed(recipe.value, hookModel, from, to);
    draft.value.recipe.hookModel = hookModel;
    const steps = new Map(next.steps.map((s) => [s.id, s]));
    draft.value.rows = draft.value.rows.map((row) => {
      const step = steps.get(row.id);
      return step && changed.includes(step.name) ? { ...row, was: step, text: sayStep(step) } : row;
    });
    return changed;
  }

  const move = (from: number, to: number): void => {
    if (to < 0 || to >= draft.value.rows.length || from === to) return;
    const row = draft.value.rows[from];
    if (row)
      draft.value.rows = [
        ...draft.value.rows.filter((_, i) => i !== from).slice(0, to),
        row,
        ...draft.value.rows.filter((_, i) => i !== from).slice(to),
      ];
  };
  const remove = (index: number): void => void (draft.value.rows = draft.value.rows.filter((_, i) => i !== index));
  /** Adds what was typed; before the knot when there is one, unless it is a knot itself. */
  function add(text: string): string | undefined {
    const { row, component, problem } = addLine(draft.value, text, materials.value, numberWords.value, family.value);
    if (problem !== undefined) return problem;
    if (component) draft.value.recipe.components.push(component);
    const knot = draft.value.rows.findIndex((r) => r.was?.do === "whip");
    const at = knot === -1 || row.was?.do === "whip" || row.was?.do === "act" ? draft.value.rows.length : knot;
    draft.value.rows = [...draft.value.rows.slice(0, at), row, ...draft.value.rows.slice(at)];
    return undefined;
  }
  return {
    draft,
    readings,
    recipe,
    tied,
    missing,
    notes,
    choice,
    shown,
    sizes,
    move,
    rehome,
    remove,
    add,
    letGo,
    undo,
    redo,
    canUndo,
    canRedo,
  };
}
