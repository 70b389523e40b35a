<script setup lang="ts">
import { X } from "lucide-vue-next";
import { computed } from "vue";
import { dressings, type Dressing, type Recipe } from "@kasten/core/recipe";
import RowList from "../parts/RowList.vue";
import TickBox from "../parts/TickBox.vue";
import { textOf } from "../parts/fields";
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
type Bare = NonNullable<Recipe["bare"]>[number];
const bareByTheEye = (): Bare => ({ from: { landmark: "eye" }, to: { eyeLengths: 1 } });
const laid = computed(() => recipe.value.steps.filter((s) => s.do === "lay" && s.shown));
const stagger = () => recipe.value.stagger?.steps ?? [];
function setStagger(steps: string[], leastMm = recipe.value.stagger?.leastMm ?? 2): void {
  recipe.value.stagger = steps.length > 0 ? { steps, leastMm } : undefined;
}
const nameOf = (id: string): string => recipe.value.steps.find((s) => s.id === id)?.name ?? id;
function put(event: Event): void {
  if (textOf(event)) setStagger([...stagger(), textOf(event)]);
  (event.target as HTMLSelectElement).value = "";
}
</script>

<template>
  <section class="grid content-start gap-2">
    <h3 class="label">Dressing</h3>
    <label
      >It is dressed
      <select class="field" :value="own" @change="setOwn(textOf($event) as Dressing)">
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
        @change="recipe.mostWraps = Math.round(Number(textOf($event))) || undefined"
    /></label>
    <RowList
      v-model="recipe.bare"
      label="Stretches that stay bare"
      add="a bare stretch"
      take-out="Take this stretch out"
      :fresh="bareByTheEye"
    >
      <template #default="{ row, set }">
        <PlaceField :model-value="row.from" label="bare from" @update:model-value="set({ from: $event })" /><span
          class="pt-2"
          >to</span
        ><PlaceField :model-value="row.to" label="bare to" @update:model-value="set({ to: $event })" /><TickBox
          class="pt-2"
          :model-value="row.thread"
          @update:model-value="set({ thread: $event })"
          >thread may lie there</TickBox
        ><input
          class="field min-w-32 flex-1"
          :value="row.why ?? ''"
          placeholder="why"
          aria-label="why it stays bare"
          maxlength="400"
          @change="set({ why: textOf($event) || undefined })"
        />
      </template>
    </RowList>
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
          @change="setStagger(stagger(), Number(textOf($event)) || 0)"
        />
        mm at least</label
      >
    </div>
  </section>
</template>
