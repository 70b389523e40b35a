<script setup lang="ts">
import { computed, defineAsyncComponent } from "vue";
import FoldOut from "../parts/FoldOut.vue";
import ListBox from "../parts/ListBox.vue";
import NumberField from "../parts/NumberField.vue";
import { currencySign } from "../parts/format";
import { useCatalogue } from "./catalogue";
import type { Draft } from "./draft";
const MoreFacts = defineAsyncComponent(() => import("./MoreFacts.vue"));

/** What a pattern is beside its steps: name, hook, sizes, colours, weight forms, finish, minutes and price. */
const draft = defineModel<Draft>({ required: true });
const emit = defineEmits<{ rehome: [hookModel: string] }>();
const { hooks, data } = useCatalogue();
const r = computed(() => draft.value.recipe);
const styles = computed(() => [...new Set((data.value?.patterns ?? []).map((p) => p.style))].sort());
const hookOptions = computed(() => [
  { value: "", label: "not named yet" },
  ...[...hooks.value.values()].map((h) => ({ value: h.id, label: `${h.id} ${h.name}` })),
]);
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
      <ListBox
        class="min-w-44"
        label="Hook"
        :options="hookOptions"
        :model-value="r.hookModel"
        @update:model-value="emit('rehome', $event)"
      />
      <label
        ><span class="label">Sizes</span
        ><span class="flex items-center gap-1"
          ><input v-model="r.sizes.from" class="field fig w-16" aria-label="From size" /> to
          <input v-model="r.sizes.to" class="field fig w-16" aria-label="To size" /></span
      ></label>
      <NumberField
        class="w-28"
        label="Minutes a fly"
        :min="0"
        :step="0.1"
        :least="0"
        :model-value="r.minutesPerFly"
        @update:model-value="r.minutesPerFly = $event ?? 0"
      />
      <NumberField
        class="w-32"
        label="Price a dozen"
        :unit="currencySign()"
        :min="0"
        :step="0.5"
        :least="0"
        :model-value="r.pricePerDozenCents / 100"
        @update:model-value="r.pricePerDozenCents = Math.round(($event ?? 0) * 100)"
      />
    </div>
    <FoldOut class="sheet p-3" title="Colours, weights, finish and the rest">
      <MoreFacts v-model="draft" />
    </FoldOut>
  </div>
</template>
