<script setup lang="ts">
import { useQueryCache } from "@pinia/colada";
import { Redo2, Undo2 } from "lucide-vue-next";
import { computed, ref, nextTick, useTemplateRef } from "vue";
import { useRouter } from "vue-router";
import { VueDraggable } from "vue-draggable-plus";
import { requirementsOf } from "@kasten/core/needs";
import { proportionsOf } from "@kasten/core/fly";
import { sameContent, type Component, type Recipe, type RecipeStep } from "@kasten/core/recipe";
import { savePattern, type PatternEntry } from "@kasten/contract/patterns";
import NumberWords from "../parts/NumberWords.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { lengthFigure } from "../parts/units";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "./catalogue";
import { draftOf, emptyRecipe, fileOf, slug, type Draft } from "./draft";
import FlyPicture from "./FlyPicture.vue";
import PartDetails from "./PartDetails.vue";
import PatternFacts from "./PatternFacts.vue";
import { useRecipes } from "./recipes";
import StepDetails from "./StepDetails.vue";
import StepRow from "./StepRow.vue";
import { useDraft } from "./useDraft";

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

const open = ref<string>();
const looked = ref<string>();
const note = ref("");
const line = ref("");
const lineProblem = ref("");
const rehomedSteps = ref<string[]>([]);
const inside = ref(false);
const rows = useTemplateRef<InstanceType<typeof StepRow>[]>("rows");
const fresh = useTemplateRef<HTMLInputElement>("fresh");
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
const pick = (size: string): void => void (choice.value = { ...choice.value, size });
const needs = computed(() => (tied.value.fly ? requirementsOf(tied.value.fly, 12) : []));
const lengths = computed(() => (tied.value.fly ? proportionsOf(tied.value.fly).slice(0, 7) : []));
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
function addFresh(): void {
  if (!line.value.trim()) return;
  lineProblem.value = add(line.value) ?? "";
  if (!lineProblem.value) line.value = "";
}
function forget(): void {
  draft.value = begin();
  refusal.value = null;
}
async function save(base: number): Promise<void> {
  const id = props.entry?.id ?? slug(draft.value.name);
  if (!id || !draft.value.style.trim()) {
    lineProblem.value = "Give the pattern a name and a style before it is saved.";
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
  <div class="mb-2 flex flex-wrap items-center justify-between gap-2">
    <h1>
      {{ entry ? `Editing ${entry.name}` : "A new pattern" }}
      <span v-if="draft.base > 0" class="font-normal text-soft"
        >from version <span class="fig">{{ draft.base }}</span></span
      >
    </h1>
    <div class="flex flex-wrap items-center gap-1">
      <button class="btn btn-plain" :disabled="!canUndo" aria-label="Undo" @click="undo()"><Undo2 :size="18" /></button
      ><button class="btn btn-plain" :disabled="!canRedo" aria-label="Redo" @click="redo()">
        <Redo2 :size="18" />
      </button>
      <input
        v-model="note"
        class="field w-56"
        placeholder="what this version changes"
        aria-label="What this version changes"
        maxlength="400"
      />
      <button class="btn" :disabled="!isChanged" @click="forget">Drop what I changed</button>
      <button class="btn btn-main" :disabled="busy || !isChanged" @click="save(draft.base)">
        {{ entry ? "Save as a new version" : "Save the pattern" }}
      </button>
    </div>
  </div>
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
      <VueDraggable v-model="draft.rows" tag="ol" handle=".handle" :animation="120" class="border border-rule">
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
      </VueDraggable>
      <form class="mt-2 flex gap-2" @submit.prevent="addFresh">
        <input
          ref="fresh"
          v-model="line"
          class="field w-full"
          aria-label="A new step"
          placeholder="A new step: tail: olive pheasant tail, 6 fibres, = half shank"
          spellcheck="false"
          autocomplete="off"
        /><button class="btn">Add <span class="key">Enter</span></button>
      </form>
      <p v-if="lineProblem" class="mt-1 text-call" role="alert">{{ lineProblem }}</p>
      <p class="mt-1 text-[0.88rem] text-soft">
        Say it as at the bench: 10 fibres · 3 turns · = half shank · noodle 90 mm sparse · 2 strands folded · 5 turns
        counter · from mid-shank to bend. <span class="key">Alt ↑</span> <span class="key">Alt ↓</span> move a step,
        <span class="key">Alt ⌫</span> takes it out.
      </p>
    </section>
    <aside class="min-w-0">
      <div class="lg:sticky lg:top-16">
        <div class="mb-1 flex flex-wrap items-center gap-1">
          <button
            v-for="s in sizes"
            :key="s"
            class="btn fig !min-h-8 !px-2"
            :class="{ 'btn-main': s === shown.size }"
            :aria-pressed="s === shown.size"
            @click="pick(s)"
          >
            {{ s }}
          </button>
          <select
            v-if="draft.recipe.variants.length > 1"
            :value="shown.variant"
            class="field !min-h-8"
            aria-label="Colour"
            @change="choice = { ...choice, variant: ($event.target as HTMLSelectElement).value }"
          >
            <option v-for="v in draft.recipe.variants" :key="v.id" :value="v.id">{{ v.name }}</option>
          </select>
          <select
            v-if="draft.recipe.forms.length > 1"
            :value="shown.form"
            class="field !min-h-8"
            aria-label="Weight"
            @change="choice = { ...choice, form: ($event.target as HTMLSelectElement).value }"
          >
            <option v-for="f in draft.recipe.forms" :key="f.id" :value="f.id">{{ f.name }}</option>
          </select>
          <label class="ml-1 flex items-center gap-1"
            ><input v-model="inside" type="checkbox" class="h-5 w-5" />see inside</label
          >
        </div>
        <figure class="h-64 border border-rule bg-[var(--fly-ground)]" data-testid="drawing">
          <FlyPicture
            v-if="tied.fly"
            :fly="tied.fly"
            :seed="id"
            :title="`${draft.name}, size ${shown.size}`"
            :inside="inside"
            measures
            :letters="38"
            :step="looked"
          />
          <figcaption v-else class="flex h-full items-center justify-center p-4 text-center text-[#33443f]">
            {{ tied.whole ?? "Name the hook, the sizes and the thread: then the fly is drawn." }}
          </figcaption>
        </figure>
        <p v-if="tied.fly" class="mt-1 flex flex-wrap items-baseline gap-x-3">
          <span
            ><span class="fig">{{ tied.fly.tied.mass.total.toFixed(0) }}</span
            ><span class="unit">mg</span></span
          ><span
            ><span class="fig">{{ Number(tied.fly.minutes.toFixed(2)) }}</span
            ><span class="unit">min a fly</span></span
          ><span v-for="p in lengths" :key="p.step + p.kind" class="text-[0.92rem]"
            ><span class="text-soft">{{ p.part }}</span> <span class="fig">{{ lengthFigure(p.mm) }}</span></span
          >
        </p>
        <table v-if="needs.length > 0" class="sheet mt-2">
          <caption class="px-2 pt-1 text-left text-[0.9rem] font-semibold">
            For a dozen
          </caption>
          <thead class="sr-only">
            <tr>
              <th scope="col">Part</th>
              <th scope="col">Quantity</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="n in needs" :key="n.key">
              <td class="!py-0.5">
                {{ n.role }} <span class="text-[0.88rem] text-soft">{{ n.materialName }}</span>
              </td>
              <td class="!py-0.5 text-right"><NumberWords :words="n.words" /></td>
            </tr>
          </tbody>
        </table>
        <div v-if="missing.length > 0" class="callout mt-2">
          <p class="font-semibold">Not complete; it can be saved all the same.</p>
          <ul tabindex="0" class="max-h-40 list-disc overflow-y-auto pl-5 text-[0.93rem]">
            <li v-for="m in missing" :key="m">{{ m }}</li>
          </ul>
        </div>
      </div>
    </aside>
  </div>
</template>
