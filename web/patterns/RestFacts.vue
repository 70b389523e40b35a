<script setup lang="ts">
import NumberField from "../parts/NumberField.vue";
import TextField from "../parts/TextField.vue";
import TickBox from "../parts/TickBox.vue";
import { wordsByComma } from "../parts/fields";
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
</script>

<template>
  <section class="grid content-start gap-2">
    <TextField
      label="Comes from"
      :most="200"
      :model-value="draft.origin"
      @update:model-value="draft.origin = $event ?? ''"
    />
    <TextField
      label="For fish"
      :most="200"
      :model-value="draft.species"
      @update:model-value="draft.species = $event ?? ''"
    />
    <TextField
      label="Skills, by comma"
      :model-value="draft.recipe.skills.join(', ')"
      @update:model-value="draft.recipe.skills = wordsByComma($event) ?? []"
    />
    <NumberField
      label="Minutes multiply by, when tied step by step"
      :min="0.1"
      :max="5"
      :step="0.05"
      :model-value="draft.recipe.stepByStepFactor"
      @update:model-value="draft.recipe.stepByStepFactor = $event || 1"
    />
    <NumberField
      label="Shank may be longer or shorter by, steps"
      :min="0"
      :max="6"
      :step="1"
      :model-value="draft.recipe.shankTolerance ?? 0"
      @update:model-value="draft.recipe.shankTolerance = Math.round($event ?? 0) || undefined"
    />
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
