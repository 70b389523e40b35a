<script setup lang="ts">
import { inReadersUnits } from "./units";

/** A quantity in words, its figures large and its units small. */
const props = defineProps<{ words: string }>();
const pieces = () =>
  inReadersUnits(props.words)
    .split(/(\d[\d.,]*)/)
    .filter((p) => p !== "");
</script>

<template>
  <span
    ><template v-for="(p, i) in pieces()" :key="i"
      ><span v-if="/^\d/.test(p)" class="fig">{{ p }}</span
      ><span v-else class="font-sans text-[0.88em]">{{ p }}</span></template
    ></span
  >
</template>
