<script setup lang="ts">
import type { questionsOf } from "@kasten/core/methods";
import type { RecipeStep } from "@kasten/core/recipe";
import ListBox from "../parts/ListBox.vue";
import TextField from "../parts/TextField.vue";

/** Where good tiers do it differently: which way this pattern takes, and why. */
const step = defineModel<RecipeStep>({ required: true });
const props = defineProps<{
  facts: Parameters<typeof questionsOf>[0];
  questions: ReturnType<typeof questionsOf>;
}>();
const now = (id: string): string =>
  step.value.methods?.[id] ?? props.questions.find((q) => q.id === id)?.usual(props.facts) ?? "";
const set = (change: Partial<RecipeStep>): void => {
  step.value = { ...step.value, ...change } as RecipeStep;
};
</script>

<template>
  <div>
    <span class="label">Ways, where good tiers differ</span>
    <div class="flex flex-wrap gap-3">
      <ListBox
        v-for="q in questions"
        :key="q.id"
        :label="q.asks"
        :options="q.schools(facts).map((s) => ({ value: s.id, label: s.words }))"
        :model-value="now(q.id)"
        @update:model-value="set({ methods: { ...step.methods, [q.id]: $event } })"
      />
    </div>
    <TextField
      class="mt-1 block"
      label="Why so; left empty where nobody gave a reason"
      :model-value="step.because"
      @update:model-value="set({ because: $event })"
    />
  </div>
</template>
