<script setup lang="ts">
import type { LotPage } from "@kasten/contract/stock";
import DataTable from "../parts/DataTable.vue";
import NumberWords from "../parts/NumberWords.vue";
import type { Column } from "../parts/column";
import { moment, quantity } from "../parts/format";

/** A lot's history from both sides: what came and went, which batches it went into, and how it was counted. */
type Movement = LotPage["movements"][number];
type Used = LotPage["batches"][number];
type Count = LotPage["counts"][number];
const props = defineProps<{ lot: LotPage }>();
const much = (q: number): string => quantity(q, props.lot.material.unit);
const movements: Column<Movement>[] = [
  { id: "at", head: "When", mono: true, class: "whitespace-nowrap", value: (m) => m.at },
  { id: "who", head: "Who", value: (m) => m.person },
  { id: "why", head: "Why", value: (m) => `${m.reason}${m.note ? `: ${m.note}` : ""}` },
  { id: "much", head: "How much", end: true, mono: true, value: (m) => m.quantity, copied: (m) => much(m.quantity) },
  { id: "from", head: "From", value: (m) => m.from },
  { id: "to", head: "To", value: (m) => m.to },
];
const batches: Column<Used>[] = [
  { id: "batch", head: "Batch", lead: true, value: (b) => b.number },
  { id: "fly", head: "Fly", value: (b) => `${b.pattern} ${b.size}` },
  { id: "used", head: "Tied with", end: true, mono: true, value: (b) => b.used, copied: (b) => much(b.used) },
];
const counts: Column<Count>[] = [
  { id: "at", head: "When", mono: true, class: "whitespace-nowrap", value: (c) => c.at },
  { id: "who", head: "Who", value: (c) => c.person },
  { id: "how", head: "How", value: (c) => c.how },
  { id: "counted", head: "Counted", end: true, mono: true, value: (c) => c.counted },
  { id: "off", head: "Off by", end: true, mono: true, value: (c) => c.counted - c.expected },
  { id: "note", head: "Note", value: (c) => c.note },
];
</script>

<template>
  <div class="grid gap-4">
    <DataTable
      name="lot movements"
      label="Movements"
      :rows="lot.movements"
      :columns="movements"
      :row-key="(m) => String(m.id)"
    >
      <template #cell-at="{ row: m }">{{ moment(m.at) }}</template>
      <template #cell-much="{ row: m }"><NumberWords :words="much(m.quantity)" /></template>
      <template #cell-why="{ row: m }"
        >{{ m.reason }}<template v-if="m.note">: {{ m.note }}</template
        ><template v-if="m.batch">, batch {{ m.batch }}</template></template
      >
    </DataTable>
    <DataTable
      v-if="lot.batches.length > 0"
      name="lot batches"
      label="Batches it went into"
      :rows="lot.batches"
      :columns="batches"
      :row-key="(b) => b.id"
    >
      <template #cell-batch="{ row: b }"
        ><RouterLink class="link fig" :to="`/batches/${b.id}`">{{ b.number }}</RouterLink></template
      >
      <template #cell-used="{ row: b }"><NumberWords :words="much(b.used)" /></template>
    </DataTable>
    <DataTable
      v-if="lot.counts.length > 0"
      name="lot counts"
      label="Counts"
      :rows="lot.counts"
      :columns="counts"
      :row-key="(c) => c.at + c.how"
    >
      <template #cell-at="{ row: c }">{{ moment(c.at) }}</template>
      <template #cell-counted="{ row: c }"
        ><NumberWords :words="much(c.counted)" /><span v-if="c.plusMinus" class="text-soft">
          ± {{ much(c.plusMinus) }}</span
        ></template
      >
      <template #cell-off="{ row: c }"
        >{{ c.counted === c.expected ? "" : c.counted > c.expected ? "+" : "−"
        }}<NumberWords v-if="c.counted !== c.expected" :words="much(Math.abs(c.counted - c.expected))"
      /></template>
    </DataTable>
  </div>
</template>
