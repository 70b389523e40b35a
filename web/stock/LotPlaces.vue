<script setup lang="ts">
import type { LotPage } from "@kasten/contract/stock";
import DataTable from "../parts/DataTable.vue";
import NumberWords from "../parts/NumberWords.vue";
import type { Column } from "../parts/column";
import { quantity } from "../parts/format";

/** Where a lot lies, and which batches claim it. */
type Place = LotPage["places"][number];
const props = defineProps<{ lot: LotPage }>();
const much = (q: number): string => quantity(q, props.lot.material.unit);
const columns: Column<Place>[] = [
  { id: "place", head: "Where", lead: true, value: (p) => p.name },
  { id: "there", head: "There", end: true, mono: true, class: "text-lg", value: (p) => p.quantity },
  { id: "claims", head: "Put by for", value: (p) => p.claims.map((c) => c.number).join(", ") },
];
</script>

<template>
  <DataTable
    name="lot places"
    label="Where it lies"
    :rows="lot.places"
    :columns="columns"
    :row-key="(p) => String(p.placeId)"
  >
    <template #cell-there="{ row: p }"><NumberWords :words="much(p.quantity)" /></template>
    <template #cell-claims="{ row: p }"
      ><span v-if="p.claims.length === 0" class="text-soft">nobody</span
      ><template v-for="c in p.claims" :key="c.id + c.key"
        ><RouterLink class="link mr-3 inline-block" :to="`/batches/${c.id}`"
          >batch {{ c.number }}, {{ c.pattern }}: <span class="fig">{{ much(c.quantity) }}</span></RouterLink
        ></template
      ></template
    >
    <template #empty>Nothing of it is left. Its history stays.</template>
  </DataTable>
</template>
