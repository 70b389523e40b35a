<script setup lang="ts">
import { X } from "lucide-vue-next";
import { computed } from "vue";
import { dressings, type Dressing, type Recipe } from "@kasten/core/recipe";
import ListBox from "../parts/ListBox.vue";
import NumberField from "../parts/NumberField.vue";
import TextField from "../parts/TextField.vue";
import { optionsOf } from "../parts/option";
import RowList from "../parts/RowList.vue";
import TickBox from "../parts/TickBox.vue";
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
</script>

<template>
  <section class="grid content-start gap-2">
    <h3 class="label">Dressing</h3>
    <ListBox label="It is dressed" :options="optionsOf(dressings)" :model-value="own" @update:model-value="setOwn" />
    <div class="flex flex-wrap gap-x-3">
      It may be dressed
      <TickBox
        v-for="d in others"
        :key="d"
        :model-value="band().includes(d)"
        @update:model-value="setBand(band().includes(d) ? band().filter((x) => x !== d) : [...band(), d])"
        >{{ d }}</TickBox
      >
    </div>
    <NumberField
      label="Wraps of thread that may come together at one place, at most"
      :min="1"
      :max="200"
      :step="1"
      placeholder="any"
      :model-value="recipe.mostWraps"
      @update:model-value="recipe.mostWraps = Math.round($event ?? 0) || undefined"
    />
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
        ><TextField
          class="min-w-32 flex-1"
          label="why it stays bare"
          quiet
          placeholder="why"
          :model-value="row.why"
          @update:model-value="set({ why: $event })"
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
      <ListBox
        class="inline-block w-40"
        label="The next shorter part"
        quiet
        placeholder="then …"
        :options="laid.filter((x) => !stagger().includes(x.id)).map((s) => ({ value: s.id, label: s.name ?? s.id }))"
        model-value=""
        @update:model-value="setStagger([...stagger(), $event])"
      />
      <NumberField
        v-if="stagger().length > 1"
        class="ml-2 w-44"
        label="each shorter by, at least"
        unit="mm"
        :min="0"
        :step="0.5"
        :model-value="recipe.stagger?.leastMm"
        @update:model-value="setStagger(stagger(), $event ?? 0)"
      />
    </div>
  </section>
</template>
