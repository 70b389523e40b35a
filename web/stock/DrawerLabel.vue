<script setup lang="ts">
import CodeLabel from "./CodeLabel.vue";

/** A label for the front of a drawer: scanned into the cabinet's field, it opens that drawer. */
defineProps<{ code: string; name: string; materials: string[] }>();
const MOST_NAMED = 4;
</script>

<template>
  <CodeLabel :code="code" :about="`drawer ${code}`">
    <p class="fig text-3xl font-bold">{{ code }}</p>
    <p v-if="name !== `Drawer ${code}`">{{ name }}</p>
    <p v-for="m in materials.slice(0, MOST_NAMED)" :key="m">{{ m }}</p>
    <p v-if="materials.length > MOST_NAMED">and {{ materials.length - MOST_NAMED }} more</p>
  </CodeLabel>
</template>
