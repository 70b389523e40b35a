import { toRaw, watch } from "vue";
import { rehomed, type Component, type Recipe, type RecipeStep } from "@kasten/core/recipe";
import { useCatalogue } from "./catalogue";
import { resaid, settled, withFact, type Draft } from "./draft";
import { useDraftReading } from "./useDraftReading";
import { inWholes, useKeptDraft } from "./useKeptDraft";
import { useTiedFly } from "./useTiedFly";

/** What of a recipe a line tells that stands in the form beside the text as well. */
const factOf = (about: "hook" | "finish", recipe: Recipe): string =>
  JSON.stringify(about === "hook" ? [recipe.hookModel, recipe.sizes] : recipe.finish);

/** The draft of a pattern, how it is understood, and the fly that it makes. One writer: the verbs below. */
export function useDraft(id: string, initial: () => Draft) {
  const { hooks } = useCatalogue();
  const kept = useKeptDraft(id, initial);
  const { draft } = kept;
  const { room, reading, readNow, current, isLate, hasFailed, recipe, cabinet } = useDraftReading(draft);
  const fly = useTiedFly(recipe, cabinet, draft.value.recipe);

  /** Changes the recipe beside its words; lines that the program said are said anew. */
  function change(of: (recipe: Recipe) => Recipe): void {
    const now = readNow();
    const next = of(now.recipe);
    const settledNow = settled(toRaw(draft.value), now);
    const text = resaid(settledNow, now.recipe, next, cabinet.value);
    draft.value = inWholes({ ...settledNow, recipe: next, text });
  }
  const setStep = (step: RecipeStep): void =>
    change((r) => ({ ...r, steps: r.steps.map((s) => (s.id === step.id ? step : s)) }));
  const setPart = (part: Component): void =>
    change((r) => ({ ...r, components: r.components.map((c) => (c.id === part.id ? part : c)) }));

  /** The text with a fact as a recipe has it, in the line that told it, where one does. */
  const withFactOf = (about: "hook" | "finish", next: Recipe): string =>
    withFact(toRaw(draft.value), readNow(), about, next, { ...room.value, materials: cabinet.value });
  // What is changed in the form beside the text goes into the line that told it.
  for (const about of ["hook", "finish"] as const)
    watch(
      () => factOf(about, draft.value.recipe),
      async (now) => {
        // Most often it is what was just read that settles.
        if (now === factOf(about, recipe.value)) return;
        const { recipe: told } = await current();
        if (factOf(about, draft.value.recipe) === factOf(about, told)) return;
        draft.value.text = withFactOf(about, toRaw(draft.value).recipe);
      },
    );

  /** Moves the pattern to another hook: lengths that were usual on the old family become usual on the new one. */
  function rehome(hookModel: string): string[] {
    const before = readNow().recipe;
    const families = [before.hookModel, hookModel].map((h) => hooks.value.get(h)?.family ?? "");
    const [from = "", to = ""] = families;
    const isOther = from !== "" && to !== "" && from !== to;
    const { recipe: next, changed } = isOther
      ? rehomed(before, hookModel, from, to)
      : { recipe: { ...before, hookModel }, changed: [] };
    draft.value.text = withFactOf("hook", next);
    change(() => next);
    return changed;
  }

  return { ...kept, reading, current, isLate, hasFailed, recipe, cabinet, ...fly, setStep, setPart, rehome };
}
