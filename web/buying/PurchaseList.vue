<script setup lang="ts">
import { listPurchases, type Purchase } from "@kasten/contract/purchasing";
import { call, useRead } from "../http";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";
import { day, money } from "../parts/format";
import { comesWords } from "./words";

/** Orders to suppliers: what is written, on its way, and what has come. */
const purchases = useRead({ key: ["purchases"], query: () => call(listPurchases) });
const columns: Column<Purchase>[] = [
  { id: "number", head: "Order", lead: true, mono: true, value: (p) => p.number },
  { id: "supplier", head: "Supplier", class: "font-semibold", value: (p) => p.supplier },
  { id: "state", head: "State", value: (p) => p.state },
  { id: "comes", head: "Comes", value: (p) => p.confirmedOn ?? p.expectedOn ?? "" },
  {
    id: "what",
    head: "What",
    class: "max-w-96 text-[0.93rem]",
    value: (p) => p.lines.map((l) => l.materialName).join(", "),
  },
  {
    id: "sum",
    head: "Sum",
    end: true,
    mono: true,
    value: (p) => p.goodsCents + p.freightCents,
    copied: (p) => money(p.goodsCents + p.freightCents),
  },
];
</script>

<template>
  <DataTable
    name="purchases"
    label="Orders to suppliers"
    :rows="purchases.data.value?.purchases"
    :columns="columns"
    :row-key="(p) => p.id"
  >
    <template #cell-number="{ row: p }"
      ><RouterLink class="link" :to="`/purchases/${p.id}`">{{ p.number }}</RouterLink></template
    >
    <template #cell-state="{ row: p }"
      ><span class="tag" :class="{ 'tag-call': p.state === 'draft' }">{{
        p.state === "draft" ? "written, not sent" : p.state
      }}</span></template
    >
    <template #cell-comes="{ row: p }">{{ comesWords(p, day) }}</template>
    <template #cell-sum="{ row: p }">{{ money(p.goodsCents + p.freightCents) }}</template>
    <template #empty>No order has been written yet. What should be ordered stands under “To order”.</template>
  </DataTable>
</template>
