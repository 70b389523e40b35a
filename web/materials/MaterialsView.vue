<script setup lang="ts">
import { computed, defineAsyncComponent } from "vue";
import { useRoute, useRouter } from "vue-router";
import TabSet from "../parts/TabSet.vue";
import NeedsTable from "./NeedsTable.vue";
const BuyingPlan = defineAsyncComponent(() => import("../buying").then((b) => b.BuyingPlan));
const SeasonNeeds = defineAsyncComponent(() => import("./SeasonNeeds.vue"));
const PurchaseList = defineAsyncComponent(() => import("../buying").then((b) => b.PurchaseList));

/** What the open batches need, what of it has to be ordered, and what is on its way. */
const route = useRoute();
const router = useRouter();
const sides = [
  { id: "needs", label: "Needed" },
  { id: "order", label: "To order" },
  { id: "seasons", label: "Standing orders" },
  { id: "sent", label: "Orders to suppliers" },
];
const side = computed({
  get: () => sides.find((s) => s.id === route.query.side)?.id ?? "needs",
  set: (to) => void router.replace({ query: { ...route.query, side: to } }),
});
</script>

<template>
  <h1 class="mb-2">Materials for the open batches</h1>
  <TabSet v-model="side" label="Materials" :tabs="sides">
    <template #needs><NeedsTable /></template>
    <template #order><BuyingPlan /></template>
    <template #seasons><SeasonNeeds /></template>
    <template #sent><PurchaseList /></template>
  </TabSet>
</template>
