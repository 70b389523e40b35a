<script setup lang="ts">
import { computed } from "vue";
import { choiceTakesAway } from "@kasten/core/needs";
import { hookOf, type FlyChoice, type Recipe } from "@kasten/core/recipe";
import { takenAwaySentence } from "@kasten/core/sentences";
import { useCatalogue } from "./catalogue";

/** What a choice takes away from the fly as its pattern has it, told where the choice is made. */
const props = defineProps<{ recipe: Recipe; choice: FlyChoice }>();
const { hooks, materials } = useCatalogue();
const sentences = computed(() => {
  const model = hooks.value.get(hookOf(props.recipe, props.choice));
  if (!model) return [];
  const request = { recipe: props.recipe, choice: props.choice, model, materials: materials.value };
  return [...new Set(choiceTakesAway(request).map(takenAwaySentence))];
});
</script>

<template>
  <section v-if="sentences.length > 0" class="callout" aria-label="What this choice takes away">
    <p class="font-bold">Against the fly as the pattern has it:</p>
    <ul class="list-disc pl-5">
      <li v-for="s in sentences" :key="s">{{ s }}</li>
    </ul>
  </section>
</template>
