<script setup lang="ts">
import type { Component, Recipe, RecipeStep } from "@kasten/core/recipe";
import PartDetails from "./PartDetails.vue";
import StepDetails from "./StepDetails.vue";

/** The ways and details of a line: its part and its steps, which come at once, so that no field moves under a hand. */
defineProps<{ recipe: Recipe; component?: Component; steps: RecipeStep[] }>();
defineEmits<{ step: [step: RecipeStep]; part: [part: Component] }>();
</script>

<template>
  <div class="grid gap-2">
    <PartDetails
      v-if="component"
      :model-value="component"
      :others="recipe.components.filter((c) => c.id !== component?.id && c.role !== 'hook')"
      @update:model-value="$emit('part', $event)"
    />
    <StepDetails
      v-for="step in steps"
      :key="step.id"
      :model-value="step"
      :recipe="recipe"
      @update:model-value="$emit('step', $event)"
    />
  </div>
</template>
