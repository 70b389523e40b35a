<script setup lang="ts">
import { useQueryCache } from "@pinia/colada";
import { computed, ref } from "vue";
import { useRouter } from "vue-router";
import { sameContent, type Recipe } from "@kasten/core/recipe";
import type { Material } from "@kasten/core/materials";
import { saveMaterial } from "@kasten/contract/materials";
import { savePattern, type PatternEntry } from "@kasten/contract/patterns";
import { CodeField } from "../editor";
import RefusalNote from "../parts/RefusalNote.vue";
import { tellKeys } from "../parts/keySheet";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "./catalogue";
import { draftOf, emptyDraft, fileOf, slug, type Draft } from "./draft";
import EditorHead from "./EditorHead.vue";
import EditorSide from "./EditorSide.vue";
import LineFacts from "./LineFacts.vue";
import NewMaterials from "./NewMaterials.vue";
import PatternFacts from "./PatternFacts.vue";
import { useRecipes } from "./recipes";
import { useDraft } from "./useDraft";
import { useRecipeText } from "./useRecipeText";

/** Where a recipe is written: one text, a line a step; the fly comes out as it is typed. */
const props = defineProps<{ id: string; entry?: PatternEntry; recipe?: Recipe }>();
const router = useRouter();
const { materials, refetch } = useCatalogue();
const recipes = useRecipes();
const cache = useQueryCache();
const { busy, refusal, send } = useChange();
const begin = (): Draft =>
  props.entry && props.recipe ? draftOf({ ...props.entry, recipe: props.recipe }, materials.value) : emptyDraft();
const {
  draft,
  reading,
  current,
  isLate,
  hasFailed,
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
} = useDraft(props.id, begin);
if (props.entry && draft.value.base > props.entry.version) draft.value = begin();
const text = computed({
  get: () => draft.value.text,
  set: (typed) => {
    draft.value.text = typed;
  },
});
const { cursor, lineAt, line, marks, questions, notices, offers } = useRecipeText({
  reading,
  text,
  materials: cabinet,
  notes,
});

tellKeys([
  { keys: ["Enter"], does: "begin the next step" },
  { keys: ["Alt", "↑ ↓"], does: "move the line" },
  { keys: ["Ctrl", "Z"], does: "undo" },
  { keys: ["Ctrl", "Space"], does: "show what may stand here" },
]);
const note = ref("");
const problem = ref("");
const rehomedSteps = ref<string[]>([]);
const opened = begin();
const original = props.recipe && fileOf(opened, props.id, props.recipe);
/** As it would be saved, without the lines as typed: to have opened it is no change. */
const isChanged = computed(() => {
  if (!original) return draft.value.text.trim() !== "" || draft.value.name !== "";
  const now = fileOf(draft.value, props.id, recipe.value);
  const told = original.recipe.told === undefined && draft.value.text === opened.text ? undefined : now.recipe.told;
  return !sameContent({ ...now, recipe: { ...now.recipe, told } }, original);
});
const open = computed(() => reading.value.lines.reduce((sum, l) => sum + l.asks.length, 0));
const looked = computed(() => line.value?.steps[0]);

function forget(): void {
  draft.value = begin();
  refusal.value = null;
}
/** Materials that were described while writing are there before the pattern that is tied of them. */
async function addMaterials(described: readonly Material[]): Promise<boolean> {
  for (const material of described) {
    const body = { material: JSON.parse(JSON.stringify(material)) as typeof material, version: 0 };
    if (!(await send(saveMaterial, { params: { id: material.code }, body }, `${material.name} is in the cabinet`)))
      return false;
  }
  return true;
}
async function save(base: number): Promise<void> {
  const id = props.entry?.id ?? slug(draft.value.name);
  if (!id || !draft.value.style.trim()) {
    problem.value = "Give the pattern a name and a style before it is saved.";
    return;
  }
  const { recipe: read, newMaterials } = await current();
  const pattern = fileOf(draft.value, id, read);
  if (!(await addMaterials(newMaterials))) return;
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
    <section aria-label="The recipe" class="min-w-0">
      <CodeField
        id="recipe-text"
        v-model="text"
        label="The recipe, a line a step"
        placeholder="Tell it as at the bench, a line a step, or paste a whole recipe: Hook, Thread, Tail: olive pheasant tail, 6 fibres, half the shank …"
        handles
        :rows="14"
        :marks="marks"
        :questions="questions"
        :offers="offers"
        @cursor="cursor = $event"
      />
      <p v-if="problem" class="mt-1 text-call" role="alert">{{ problem }}</p>
      <p v-if="hasFailed" class="mt-1 text-call" role="alert">
        What is written cannot be read just now. It is kept in this browser: load the page again.
      </p>
      <p class="mt-1 text-[0.88rem] text-soft" role="status" data-testid="understood">
        <template v-if="isLate && draft.text.trim() !== ''">Reading what is written …</template>
        <template v-else-if="open > 0"
          ><span class="fig">{{ open }}</span> {{ open === 1 ? "question is" : "questions are" }} open; it can be saved
          all the same, and stays from the bench until {{ open === 1 ? "it is" : "they are" }} answered.</template
        >
        <template v-else-if="draft.text.trim() !== ''">Every line is understood.</template>
        What is in [square brackets] is kept as an instruction.
      </p>
      <ul v-if="notices.length > 0" class="mt-2 text-[0.92rem]" aria-label="Told about the lines">
        <li v-for="n in notices" :key="`${n.line} ${n.sentence}`" class="border-t border-rule py-0.5 text-call">
          <span class="fig text-soft">line {{ n.line }}</span> {{ n.sentence }}
        </li>
      </ul>
      <NewMaterials :materials="reading.newMaterials" />
    </section>
    <EditorSide
      :id="id"
      :name="draft.name"
      :recipe="recipe"
      :shown="shown"
      :sizes="sizes"
      :tied="tied"
      :missing="isLate ? [] : missing"
      :looked="looked"
      @choose="choice = { ...choice, ...$event }"
    >
      <LineFacts
        v-if="line && line.text.trim() !== ''"
        class="mt-2"
        :number="lineAt + 1"
        :line="line"
        :recipe="recipe"
        :fly="tied.fly"
        :materials="cabinet"
        :notes="notes"
        @step="setStep"
        @part="setPart"
      />
    </EditorSide>
  </div>
</template>
