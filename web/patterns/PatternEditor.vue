<script setup lang="ts">
import { useQueryCache } from "@pinia/colada";
import { computed, defineAsyncComponent, nextTick, ref, useTemplateRef } from "vue";
import { useRouter } from "vue-router";
import { sameContent, type Component, type Recipe, type RecipeStep } from "@kasten/core/recipe";
import { savePattern, type PatternEntry } from "@kasten/contract/patterns";
import RefusalNote from "../parts/RefusalNote.vue";
import { tellKeys } from "../parts/keySheet";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "./catalogue";
import { draftOf, emptyRecipe, fileOf, slug, type Draft } from "./draft";
import EditorHead from "./EditorHead.vue";
import EditorSide from "./EditorSide.vue";
import NewStep from "./NewStep.vue";
import PatternFacts from "./PatternFacts.vue";
import { useRecipes } from "./recipes";
import StepRow from "./StepRow.vue";
import { useDraft } from "./useDraft";
import { useRowDrag } from "./useRowDrag";
const StepDetails = defineAsyncComponent(() => import("./StepDetails.vue"));

const PartDetails = defineAsyncComponent(() => import("./PartDetails.vue"));

/** Where a recipe is written: words in, fly out, as they are typed. */
const props = defineProps<{ id: string; entry?: PatternEntry; recipe?: Recipe }>();
const router = useRouter();
const { materials, refetch } = useCatalogue();
const recipes = useRecipes();
const cache = useQueryCache();
const { busy, refusal, send } = useChange();
const begin = (): Draft =>
  props.entry && props.recipe
    ? draftOf({ ...props.entry, recipe: props.recipe })
    : { base: 0, name: "", style: "", origin: "", species: "", recipe: emptyRecipe(), rows: [] };
const {
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
} = useDraft(props.id, begin);
if (props.entry && draft.value.base > props.entry.version) draft.value = begin();

tellKeys([
  { keys: ["Enter"], does: "go to the next step" },
  { keys: ["Alt", "↑ ↓"], does: "move the step" },
  { keys: ["Alt", "⌫"], does: "take the step out" },
  { keys: ["Ctrl", "Z"], does: "undo" },
]);
const open = ref<string>();
const looked = ref<string>();
const note = ref("");
const problem = ref("");
const rehomedSteps = ref<string[]>([]);
useRowDrag(
  useTemplateRef<HTMLElement>("list"),
  computed({
    get: () => draft.value.rows,
    set: (moved) => {
      draft.value.rows = moved;
    },
  }),
);
const rows = useTemplateRef<InstanceType<typeof StepRow>[]>("rows");
const fresh = useTemplateRef<InstanceType<typeof NewStep>>("fresh");
const component = (id: string | undefined): Component | undefined =>
  draft.value.recipe.components.find((c) => c.id === id);
const facts = (id: string | undefined) => {
  const c = component(id);
  const m = materials.value.get(c?.material[0]?.value ?? "");
  return {
    role: c?.role,
    material: m?.name ?? (c ? (c.asStated ? `“${c.asStated}”` : "no material yet") : ""),
    colour: m?.colour,
    sizes: (c?.material.length ?? 0) > 1,
  };
};
const original = props.recipe && fileOf(begin(), props.id, props.recipe);
const isChanged = computed(() => !original || !sameContent(fileOf(draft.value, props.id, recipe.value), original));

function setStep(index: number, step: RecipeStep): void {
  const row = draft.value.rows[index];
  if (row) row.was = step;
}
function setPart(part: Component): void {
  const at = draft.value.recipe.components.findIndex((c) => c.id === part.id);
  if (at >= 0) draft.value.recipe.components[at] = part;
}
async function moveBy(index: number, by: number): Promise<void> {
  move(index, index + by);
  await nextTick();
  rows.value?.[index + by]?.focus();
}
function next(index: number): void {
  const below = rows.value?.[index + 1];
  if (below) below.focus();
  else fresh.value?.focus();
}
function forget(): void {
  draft.value = begin();
  refusal.value = null;
}
async function save(base: number): Promise<void> {
  const id = props.entry?.id ?? slug(draft.value.name);
  if (!id || !draft.value.style.trim()) {
    problem.value = "Give the pattern a name and a style before it is saved.";
    return;
  }
  const pattern = fileOf(draft.value, id, recipe.value);
  const reply = await send(
    savePattern,
    { params: { id }, body: { base, note: note.value, pattern } },
    base === 0 ? "Written" : "Saved as a new version; running batches keep theirs",
  );
  if (!reply) return;
  recipes.keep(id, reply.version, pattern.recipe as Recipe);
  await Promise.all([refetch(), cache.invalidateQueries({ key: ["versions", id] })]);
  letGo();
  await router.push(`/patterns/${id}`);
}
</script>

<template>
  <EditorHead
    v-model="note"
    :entry="entry"
    :base="draft.base"
    :can-undo="canUndo"
    :can-redo="canRedo"
    :can-save="isChanged"
    :busy="busy"
    @undo="undo()"
    @redo="redo()"
    @drop="forget"
    @save="save(draft.base)"
  />
  <RefusalNote :refusal="refusal" />
  <div v-if="refusal?.problem.changes && refusal.problem.version !== undefined" class="callout mb-3">
    <p v-for="c in refusal.problem.changes" :key="c.field">
      <b>{{ c.field }}</b>: {{ c.yours || "nothing" }} → {{ c.theirs || "nothing" }}
    </p>
    <button class="btn mt-1" @click="save(refusal.problem.version)">
      Save mine on top of version {{ refusal.problem.version }}
    </button>
  </div>
  <PatternFacts v-model="draft" class="mb-3" @rehome="rehomedSteps = rehome($event)" />
  <p v-if="rehomedSteps.length > 0" class="sheet mb-3 p-2" role="status">
    Moved to another family of hooks: {{ rehomedSteps.join(", ") }} took its usual lengths; what was set on purpose
    stayed.
  </p>
  <div class="grid grid-cols-[minmax(0,1fr)] gap-4 lg:grid-cols-[minmax(0,1.5fr)_minmax(21rem,1fr)]">
    <section aria-label="Steps" class="min-w-0">
      <ol ref="list" class="border border-rule">
        <StepRow
          v-for="(row, i) in draft.rows"
          :key="row.id"
          ref="rows"
          v-model="row.text"
          :number="i + 1"
          :role="
            row.was?.name && row.was.name !== 'step'
              ? row.was.name
              : (facts(row.component).role ?? row.was?.do ?? 'step')
          "
          :material="facts(row.component).material"
          :colour="facts(row.component).colour"
          :sizes="facts(row.component).sizes"
          :reading="readings[i] ?? { understood: [], assumed: [], doubts: [], rest: [] }"
          :notes="notes.get(row.id) ?? []"
          :open="open === row.id"
          :first="i === 0"
          :last="i === draft.rows.length - 1"
          @move="moveBy(i, $event)"
          @remove="remove(i)"
          @toggle="open = open === row.id ? undefined : row.id"
          @next="next(i)"
          @look="looked = $event ? row.id : undefined"
        >
          <div v-if="open === row.id" class="mt-2 grid gap-2">
            <PartDetails
              v-if="component(row.component)"
              :model-value="component(row.component) as Component"
              :others="draft.recipe.components.filter((c) => c.id !== row.component && c.role !== 'hook')"
              @update:model-value="setPart"
            />
            <StepDetails
              v-if="row.was"
              :model-value="row.was"
              :recipe="recipe"
              @update:model-value="setStep(i, $event)"
            />
          </div>
        </StepRow>
      </ol>
      <NewStep ref="fresh" :add="add" />
      <p v-if="problem" class="mt-1 text-call" role="alert">{{ problem }}</p>
      <p class="mt-1 text-[0.88rem] text-soft">
        Say it as at the bench: 10 fibres · 3 turns · = half shank · noodle 90 mm sparse · 2 strands folded · 5 turns
        counter · from mid-shank to bend. <span class="key">Alt ↑</span> <span class="key">Alt ↓</span> move a step,
        <span class="key">Alt ⌫</span> takes it out.
      </p>
    </section>
    <EditorSide
      :id="id"
      :name="draft.name"
      :recipe="draft.recipe"
      :shown="shown"
      :sizes="sizes"
      :tied="tied"
      :missing="missing"
      :looked="looked"
      @choose="choice = { ...choice, ...$event }"
    />
  </div>
</template>
