import { watchDebounced } from "@vueuse/core";
import { computed, ref, toRaw, watch, type Ref } from "vue";
import type { Material } from "@kasten/core/materials";
import type { Recipe } from "@kasten/core/recipe";
import type { RecipeReading } from "@kasten/core/words";
import { useBeside } from "../parts/useBeside";
import { useSession } from "../team";
import { useCatalogue } from "./catalogue";
import { inWholes } from "./useKeptDraft";
import { nothingRead, readDraft, settled, type Draft, type Room } from "./draft";
import { readBeside } from "../parts/thread";
import { startReader } from "./recipeThread";

/** The reading is what the next one starts from once the typing rests. */
const SETTLES_AFTER_MS = 250;
const LONGEST_NAME = 80;

const read = readBeside(startReader);

/** How a draft is understood: the recipe that its words make, in this room. */
export function useDraftReading(draft: Ref<Draft>) {
  const { materials, hooks } = useCatalogue();
  const { person } = useSession();
  const room = computed<Room>(() => ({
    materials: materials.value,
    hooks: [...hooks.value.values()],
    numberWords: { ...person.value?.numberWords },
  }));
  // The computation reads the plain draft: through the page's watching proxies it would take several times as long.
  const changes = ref(0);
  watch(
    draft,
    () => {
      changes.value++;
    },
    { deep: true, flush: "sync" },
  );
  const asked = computed(() => ({ draft: toRaw(draft.value), room: room.value, changes: changes.value }));
  const beside = useBeside(asked, (now) => read(JSON.stringify(now.draft), now.room), nothingRead(toRaw(draft.value)));
  const { answer: reading, isCurrent, isLate, hasFailed, current } = beside;
  /** For what a hand changes beside the text, which must not meet an older reading: it is read here if need be. */
  const readNow = (): RecipeReading => (isCurrent.value ? reading.value : readDraft(toRaw(draft.value), room.value));
  const recipe = computed<Recipe>(() => reading.value.recipe);
  watchDebounced(
    reading,
    (now) => {
      // What was typed since is read in a moment, and settles then.
      if (!isCurrent.value) return;
      const next = settled(toRaw(draft.value), now);
      const { recipe: was, lines, past } = toRaw(draft.value);
      if (JSON.stringify([next.recipe, next.lines, next.past]) === JSON.stringify([was, lines, past])) return;
      draft.value = inWholes({
        ...next,
        name: next.name || (now.name ?? "").slice(0, LONGEST_NAME),
        style: next.style || (now.style ?? "").slice(0, LONGEST_NAME),
      });
    },
    { debounce: SETTLES_AFTER_MS, immediate: true },
  );
  /** The cabinet with the materials that the recipe describes and that are not in it yet. */
  const cabinet = computed(
    () =>
      new Map<string, Material>([...materials.value, ...reading.value.newMaterials.map((m) => [m.code, m] as const)]),
  );
  return { room, reading, readNow, current, isLate, hasFailed, recipe, cabinet };
}
