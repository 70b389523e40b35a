<script setup lang="ts">
import DressingFacts from "./DressingFacts.vue";
import type { Draft } from "./draft";
import FinishFacts from "./FinishFacts.vue";
import ParentFacts from "./ParentFacts.vue";
import PriceFacts from "./PriceFacts.vue";
import RestFacts from "./RestFacts.vue";
import VariantFacts from "./VariantFacts.vue";

/** What of a pattern is seldom changed; it comes at once when it is opened, so that no field moves under a hand. */
const draft = defineModel<Draft>({ required: true });
</script>

<template>
  <div class="grid gap-4 lg:grid-cols-2">
    <VariantFacts v-model="draft.recipe" class="lg:col-span-2" />
    <PriceFacts v-model="draft.recipe" />
    <FinishFacts v-model="draft.recipe" />
    <RestFacts v-model="draft" />
    <DressingFacts v-model="draft.recipe" />
    <ParentFacts v-model="draft" />
  </div>
</template>
