<script setup lang="ts">
import { computed } from "vue";
import type { Recipe, RecipeStep } from "@kasten/core/recipe";
import OneOf from "../parts/OneOf.vue";
import TickBox from "../parts/TickBox.vue";

/** Where a step stands among the others: what covers it, what it comes after, what it may go before. */
const step = defineModel<RecipeStep>({ required: true });
const props = defineProps<{ recipe: Recipe }>();
const others = computed(() => props.recipe.steps.filter((s) => s.id !== step.value.id));
const set = (change: Partial<RecipeStep>): void => {
  step.value = { ...step.value, ...change } as RecipeStep;
};
</script>

<template>
  <OneOf
    label="Need not be tidy: covered by"
    none="no later step"
    :options="others"
    :model-value="step.coveredBy"
    @update:model-value="set({ coveredBy: $event })"
  />
  <div>
    <OneOf
      label="Comes after"
      none="nothing in particular"
      :options="others"
      :model-value="step.after?.[0]?.step"
      @update:model-value="set({ after: $event ? [{ step: $event, hard: step.after?.[0]?.hard }] : undefined })"
    />
    <TickBox
      v-if="step.after?.[0]"
      :model-value="step.after[0].hard"
      @update:model-value="set({ after: step.after.map((a, i) => (i === 0 ? { ...a, hard: $event } : a)) })"
      >no remedy later</TickBox
    >
  </div>
  <OneOf
    label="May just as well go before"
    none="no other step"
    :options="others"
    :model-value="step.mayPrecede"
    @update:model-value="set({ mayPrecede: $event })"
  />
</template>
