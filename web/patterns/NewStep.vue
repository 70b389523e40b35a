<script setup lang="ts">
import { ref, useTemplateRef } from "vue";

/** The line in which a new step is written; what cannot be taken stays there, with what is wrong with it. */
const props = defineProps<{ add: (line: string) => string | undefined }>();
const line = ref("");
const problem = ref("");
const fresh = useTemplateRef<HTMLInputElement>("fresh");
function append(): void {
  if (!line.value.trim()) return;
  problem.value = props.add(line.value) ?? "";
  if (!problem.value) line.value = "";
}
defineExpose({ focus: () => fresh.value?.focus() });
</script>

<template>
  <form class="mt-2 flex gap-2" @submit.prevent="append">
    <input
      ref="fresh"
      v-model="line"
      class="field w-full"
      aria-label="A new step"
      placeholder="A new step: tail: olive pheasant tail, 6 fibres, = half shank"
      spellcheck="false"
      autocomplete="off"
    /><button class="btn">Add <span class="key">Enter</span></button>
  </form>
  <p v-if="problem" class="mt-1 text-call" role="alert">{{ problem }}</p>
</template>
