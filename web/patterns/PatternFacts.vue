<script setup lang="ts">
import { computed } from "vue";
import { textOf } from "../parts/fields";
import { useCatalogue } from "./catalogue";
import type { Draft } from "./draft";
import DressingFacts from "./DressingFacts.vue";
import FinishFacts from "./FinishFacts.vue";
import ParentFacts from "./ParentFacts.vue";
import RestFacts from "./RestFacts.vue";
import VariantFacts from "./VariantFacts.vue";

/** What a pattern is beside its steps: name, hook, sizes, colours, weight forms, finish, minutes and price. */
const draft = defineModel<Draft>({ required: true });
const emit = defineEmits<{ rehome: [hookModel: string] }>();
const { hooks, data } = useCatalogue();
const r = computed(() => draft.value.recipe);
const styles = computed(() => [...new Set((data.value?.patterns ?? []).map((p) => p.style))].sort());
const number = (event: Event): number => Math.max(0, Number(textOf(event)) || 0);
</script>

<template>
  <div class="grid gap-4">
    <div class="flex flex-wrap items-end gap-3">
      <label class="min-w-52 flex-1"
        ><span class="label">Name</span
        ><input v-model="draft.name" class="field w-full text-lg font-semibold" maxlength="80" required
      /></label>
      <label class="min-w-40"
        ><span class="label">Style</span
        ><input v-model="draft.style" class="field w-full" maxlength="80" list="styles" /></label
      ><datalist id="styles"><option v-for="s in styles" :key="s" :value="s"></option></datalist>
      <label for="hook-model" class="grid"
        ><span class="label">Hook</span
        ><select
          id="hook-model"
          :value="r.hookModel"
          class="field"
          aria-label="Hook"
          @change="emit('rehome', textOf($event))"
        >
          <option value="">not named yet</option>
          <option v-for="h in hooks.values()" :key="h.id" :value="h.id">{{ h.id }} {{ h.name }}</option>
        </select></label
      >
      <label
        ><span class="label">Sizes</span
        ><span class="flex items-center gap-1"
          ><input v-model="r.sizes.from" class="field fig w-16" aria-label="From size" /> to
          <input v-model="r.sizes.to" class="field fig w-16" aria-label="To size" /></span
      ></label>
      <label
        ><span class="label">Minutes a fly</span
        ><input
          class="field fig w-20"
          type="number"
          min="0"
          step="0.1"
          :value="r.minutesPerFly"
          @change="r.minutesPerFly = number($event)"
      /></label>
      <label
        ><span class="label">Price a dozen, €</span
        ><input
          class="field fig w-24"
          type="number"
          min="0"
          step="0.5"
          :value="r.pricePerDozenCents / 100"
          @change="r.pricePerDozenCents = Math.round(number($event) * 100)"
      /></label>
    </div>
    <details class="sheet p-3">
      <summary class="font-semibold">Colours, weights, finish and the rest</summary>
      <div class="mt-2 grid gap-4 lg:grid-cols-2">
        <VariantFacts v-model="draft.recipe" class="lg:col-span-2" />
        <FinishFacts v-model="draft.recipe" />
        <RestFacts v-model="draft" />
        <DressingFacts v-model="draft.recipe" />
        <ParentFacts v-model="draft" />
      </div>
    </details>
  </div>
</template>
