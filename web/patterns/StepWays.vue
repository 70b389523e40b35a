<script setup lang="ts">
import type { questionsOf } from "@kasten/core/methods";
import type { RecipeStep } from "@kasten/core/recipe";
import TextField from "../parts/TextField.vue";
import { textOf } from "../parts/fields";

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
      <label v-for="q in questions" :key="q.id"
        ><span class="block text-[0.88rem] text-soft">{{ q.asks }}</span
        ><select
          class="field"
          :value="now(q.id)"
          @change="set({ methods: { ...step.methods, [q.id]: textOf($event) } })"
        >
          <option v-for="s in q.schools(facts)" :key="s.id" :value="s.id">{{ s.words }}</option>
        </select></label
      >
    </div>
    <TextField
      class="mt-1 block"
      label="Why so; left empty where nobody gave a reason"
      :model-value="step.because"
      @update:model-value="set({ because: $event })"
    />
  </div>
</template>
