<script setup lang="ts">
import { Plus, X } from "lucide-vue-next";
import { computed } from "vue";
import { dressings, type Dressing, type Recipe } from "@kasten/core/recipe";
import PlaceField from "./PlaceField.vue";

/** How densely it is dressed, what stays bare, and what is staggered. */
const recipe = defineModel<Recipe>({ required: true });
const own = computed<Dressing>(() => recipe.value.density ?? "standard");
const others = computed(() => dressings.filter((d) => d !== own.value));
const band = (): Dressing[] => recipe.value.densityBand ?? [];
function setBand(list: Dressing[]): void {
  recipe.value.densityBand = list.length > 0 ? list : undefined;
}
function setOwn(d: Dressing): void {
  recipe.value.density = d === "standard" ? undefined : d;
  setBand(band().filter((x) => x !== d));
}
const bare = () => recipe.value.bare ?? [];
const setBare = (i: number, change: Partial<ReturnType<typeof bare>[number]>): void =>
  void (recipe.value.bare = bare().map((x, j) => (j === i ? { ...x, ...change } : x)));
const laid = computed(() => recipe.value.steps.filter((s) => s.do === "lay" && s.shown));
const stagger = () => recipe.value.stagger?.steps ?? [];
function setStagger(steps: string[], leastMm = recipe.value.stagger?.leastMm ?? 2): void {
  recipe.value.stagger = steps.length > 0 ? { steps, leastMm } : undefined;
}
const nameOf = (id: string): string => recipe.value.steps.find((s) => s.id === id)?.name ?? id;
const text = (event: Event): string => (event.target as HTMLInputElement).value;
function put(event: Event): void {
  if (text(event)) setStagger([...stagger(), text(event)]);
  (event.target as HTMLSelectElement).value = "";
}
</script>

<template>
  <section class="grid content-start gap-2">
    <h3 class="label">Dressing</h3>
    <label
      >It is dressed
      <select class="field" :value="own" @change="setOwn(text($event) as Dressing)">
        <option v-for="d in dressings" :key="d">{{ d }}</option>
      </select></label
    >
    <p>
      It may be dressed
      <label v-for="d in others" :key="d" class="mr-3 inline-flex items-center gap-1"
        ><input
          type="checkbox"
          class="h-5 w-5"
          :checked="band().includes(d)"
          @change="setBand(band().includes(d) ? band().filter((x) => x !== d) : [...band(), d])"
        />{{ d }}</label
      >
    </p>
    <label
      >Wraps of thread that may come together at one place, at most
      <input
        class="field fig w-20"
        type="number"
        min="1"
        max="200"
        :value="recipe.mostWraps ?? ''"
        placeholder="any"
        @change="recipe.mostWraps = Math.round(Number(text($event))) || undefined"
    /></label>
    <div>
      <span class="label">Stretches that stay bare</span>
      <div v-for="(b, i) in bare()" :key="i" class="mb-1 flex flex-wrap items-start gap-2">
        <PlaceField :model-value="b.from" label="bare from" @update:model-value="setBare(i, { from: $event })" /><span
          class="pt-2"
          >to</span
        ><PlaceField :model-value="b.to" label="bare to" @update:model-value="setBare(i, { to: $event })" /><label
          class="flex items-center gap-1 pt-2"
          ><input
            type="checkbox"
            class="h-5 w-5"
            :checked="b.thread"
            @change="setBare(i, { thread: ($event.target as HTMLInputElement).checked || undefined })"
          />thread may lie there</label
        ><input
          class="field min-w-32 flex-1"
          :value="b.why ?? ''"
          placeholder="why"
          aria-label="why it stays bare"
          maxlength="400"
          @change="setBare(i, { why: text($event) || undefined })"
        /><button
          type="button"
          class="btn btn-plain"
          aria-label="Take this stretch out"
          @click="recipe.bare = bare().length > 1 ? bare().filter((_, j) => j !== i) : undefined"
        >
          <X :size="16" />
        </button>
      </div>
      <button
        type="button"
        class="btn btn-plain !min-h-7"
        @click="recipe.bare = [...bare(), { from: { landmark: 'eye' }, to: { eyeLengths: 1 } }]"
      >
        <Plus :size="16" aria-hidden="true" />a bare stretch
      </button>
    </div>
    <div v-if="laid.length > 1">
      <span class="label">Staggered on purpose, longest first</span>
      <span v-for="(id, i) in stagger()" :key="id" class="mr-1 inline-flex items-center"
        >{{ i > 0 ? "> " : "" }}{{ nameOf(id)
        }}<button
          type="button"
          class="btn btn-plain !min-h-7"
          :aria-label="`Take ${nameOf(id)} out`"
          @click="setStagger(stagger().filter((x) => x !== id))"
        >
          <X :size="14" /></button
      ></span>
      <select class="field !min-h-7" value="" aria-label="The next shorter part" @change="put">
        <option value="">then …</option>
        <option v-for="s in laid.filter((x) => !stagger().includes(x.id))" :key="s.id" :value="s.id">
          {{ s.name }}
        </option>
      </select>
      <label v-if="stagger().length > 1" class="ml-2"
        >each shorter by
        <input
          class="field fig !min-h-7 w-16"
          type="number"
          min="0"
          step="0.5"
          :value="recipe.stagger?.leastMm"
          @change="setStagger(stagger(), Number(text($event)) || 0)"
        />
        mm at least</label
      >
    </div>
  </section>
</template>
