<script setup lang="ts">
import { computed } from "vue";
import { hookOf, hookOtherwise } from "@kasten/core/recipe";
import { differenceWords } from "@kasten/core/words";
import { useCatalogue } from "./catalogue";

/** Where the hook that is taken is otherwise than the recipe says of it; nothing where it is all that is said. */
const props = defineProps<{
  pattern: string;
  version?: number;
  choice: { form: string; use?: Record<string, string> };
}>();
const { recipeOf, hooks } = useCatalogue();
const words = computed(() => {
  const recipe = recipeOf(props.pattern, props.version);
  const model = recipe && hooks.value.get(hookOf(recipe, props.choice));
  const difference = recipe && model && hookOtherwise(recipe, props.choice, model);
  return model && difference ? differenceWords(model.name, difference) : "";
});
</script>

<template>
  <p v-if="words" class="callout mb-3" role="note">{{ words }}</p>
</template>
