<script setup lang="ts">
import type { readStock } from "@kasten/contract/stock";
import type { ReplyOf } from "@kasten/contract/http";
import DataTable from "../parts/DataTable.vue";
import NumberWords from "../parts/NumberWords.vue";
import type { Column } from "../parts/column";
import { moment, quantity } from "../parts/format";

/** What came and went, signed and with its reason. */
type Stock = ReplyOf<typeof readStock>;
type Movement = Stock["movements"][number];
const props = defineProps<{ stock: Stock }>();
const why = (x: Movement): string => `${x.reason}${x.note ? `: ${x.note}` : ""}${x.batch ? `, batch ${x.batch}` : ""}`;
const columns: Column<Movement>[] = [
  { id: "at", head: "When", mono: true, class: "whitespace-nowrap", value: (x) => x.at },
  { id: "who", head: "Who", value: (x) => x.person },
  { id: "why", head: "Why", value: why },
  { id: "lot", head: "Lot", mono: true, value: (x) => x.lot },
  {
    id: "much",
    head: "How much",
    end: true,
    mono: true,
    class: "whitespace-nowrap",
    value: (x) => x.quantity,
    copied: (x) => quantity(x.quantity, props.stock.unit),
  },
  { id: "from", head: "From", value: (x) => x.from },
  { id: "to", head: "To", value: (x) => x.to },
];
</script>

<template>
  <DataTable
    name="movements"
    label="Movements"
    :rows="stock.movements"
    :columns="columns"
    :row-key="(x) => String(x.id)"
  >
    <template #cell-at="{ row: x }">{{ moment(x.at) }}</template>
    <template #cell-much="{ row: x }"><NumberWords :words="quantity(x.quantity, stock.unit)" /></template>
    <template #empty>Nothing has come or gone yet.</template>
  </DataTable>
</template>
