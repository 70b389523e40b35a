<script setup lang="ts">
import { computed } from "vue";
import type { LotPage } from "@kasten/contract/stock";
import ListBox from "../parts/ListBox.vue";

/** Which of the drawers that a lot lies in; none to choose where it lies in one. */
const props = defineProps<{ drawers: LotPage["places"] }>();
const place = defineModel<number>({ required: true });
const options = computed(() => props.drawers.map((p) => ({ value: p.placeId, label: p.name })));
</script>

<template>
  <ListBox v-if="options.length > 1" v-model="place" label="From" :options="options" />
</template>
