<script setup lang="ts">
import type { LotPage } from "@kasten/contract/stock";
import { dayYear } from "../parts/format";
import CodeLabel from "./CodeLabel.vue";

/** A label for the lot: scanned into the cabinet's field, it opens this page. */
defineProps<{ lot: LotPage }>();
</script>

<template>
  <CodeLabel :code="lot.code" :about="`lot ${lot.code}`">
    <p class="font-semibold">{{ lot.material.name }}</p>
    <p class="fig text-xl">{{ lot.code }}</p>
    <p v-if="lot.dyeLot">dye lot {{ lot.dyeLot }}</p>
    <p v-if="lot.barb">barbs {{ lot.barb[0] }}–{{ lot.barb[1] }} mm {{ lot.side ?? "" }}</p>
    <p>{{ dayYear(lot.receivedAt) }}</p>
    <p v-if="lot.material.lead" class="font-semibold">LEAD: wash your hands</p>
    <p v-if="lot.apartUntil">kept apart until {{ dayYear(lot.apartUntil) }}</p>
  </CodeLabel>
</template>
