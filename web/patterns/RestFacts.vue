<script setup lang="ts">
import TextField from "../parts/TextField.vue";
import TickBox from "../parts/TickBox.vue";
import { textOf, wordsByComma } from "../parts/fields";
import type { Draft } from "./draft";

/** Where a pattern comes from, what it asks of people, what it must not be, and what is still to be asked. */
const draft = defineModel<Draft>({ required: true });
const lines = (text: string | undefined): string[] | undefined => {
  const all = (text ?? "")
    .split("\n")
    .map((t) => t.trim())
    .filter(Boolean);
  return all.length > 0 ? all : undefined;
};
const whole = (event: Event): number => Math.round(Number(textOf(event)));
</script>

<template>
  <section class="grid content-start gap-2">
    <label
      ><span class="label">Comes from</span><input v-model="draft.origin" class="field w-full" maxlength="200"
    /></label>
    <label
      ><span class="label">For fish</span><input v-model="draft.species" class="field w-full" maxlength="200"
    /></label>
    <TextField
      label="Skills, by comma"
      :model-value="draft.recipe.skills.join(', ')"
      @update:model-value="draft.recipe.skills = wordsByComma($event) ?? []"
    />
    <label
      ><span class="label">Minutes multiply by, when tied step by step</span
      ><input
        class="field fig w-24"
        type="number"
        min="0.1"
        max="5"
        step="0.05"
        :value="draft.recipe.stepByStepFactor"
        @change="draft.recipe.stepByStepFactor = Number(textOf($event)) || 1"
    /></label>
    <label
      ><span class="label">Shank may be longer or shorter by, steps</span
      ><input
        class="field fig w-24"
        type="number"
        min="0"
        max="6"
        :value="draft.recipe.shankTolerance ?? 0"
        @change="draft.recipe.shankTolerance = whole($event) || undefined"
    /></label>
    <TextField
      label="Not to be, one a line"
      :rows="2"
      :model-value="(draft.recipe.avoid ?? []).join('\n')"
      @update:model-value="draft.recipe.avoid = lines($event)"
    />
    <TextField
      label="Still to be asked, one a line; it holds the pattern back"
      :rows="2"
      :model-value="(draft.recipe.queries ?? []).map((q) => q.question).join('\n')"
      @update:model-value="draft.recipe.queries = lines($event)?.map((question) => ({ about: 'asked', question }))"
    />
    <TickBox v-model="draft.recipe.sample">for showing only: sets no quantities, takes no orders</TickBox>
  </section>
</template>
