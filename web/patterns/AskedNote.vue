<script setup lang="ts">
import { computed } from "vue";
import { isPlain, type Asked } from "@kasten/core/recipe";
import { askedWords } from "@kasten/core/sentences";
import { useCatalogue } from "./catalogue";

/** What is asked of some flies beside their pattern, in words, for everyone who handles them; nothing where nothing is. */
const props = defineProps<{
  pattern: string;
  size: string;
  variant: string;
  form: string;
  version?: number;
  asked: Asked;
}>();
const { recipeOf, materials } = useCatalogue();
const words = computed(() => {
  const recipe = isPlain(props.asked) ? undefined : recipeOf(props.pattern, props.version);
  return recipe ? askedWords(recipe, props, props.asked, materials.value).join("; ") : "";
});
</script>

<template>
  <p v-if="words" class="asked"><b>To be tied:</b> {{ words }}</p>
</template>

<style scoped>
.asked {
  border-left: 4px double var(--deep);
  background: var(--well);
  color: var(--ink);
  padding: 0.15rem 0.6rem;
  margin: 0.2rem 0;
}
</style>
