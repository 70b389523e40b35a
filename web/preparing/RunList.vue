<script setup lang="ts">
import type { PrepRun } from "@kasten/contract/preparing";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";
import { dayYear } from "../parts/format";

/** What was prepared last: for which batches, what it made, how it was done, how long it took. */
defineProps<{ runs: PrepRun[] }>();
const howWords = ({ how }: PrepRun): string =>
  [
    how.passes === undefined ? "" : `${how.passes} ${how.passes === 1 ? "pass" : "passes"}`,
    how.chopMm === undefined ? "" : `chopped to ${how.chopMm} mm`,
    how.bath ?? "",
    how.lostMg === undefined ? "" : `${Math.round(how.lostMg)} mg lost in the mill`,
  ]
    .filter(Boolean)
    .join("; ");
const columns: Column<PrepRun>[] = [
  { id: "at", head: "When", class: "whitespace-nowrap", value: (r) => r.at },
  { id: "what", head: "What", lead: true, value: (r) => r.title },
  { id: "how", head: "How", class: "max-w-72", value: (r) => [howWords(r), r.note].filter(Boolean).join(". ") },
  { id: "made", head: "Made", value: (r) => r.lots.map((l) => l.code).join(", ") },
  { id: "for", head: "For batches", mono: true, value: (r) => r.batches.map((b) => b.number).join(", ") },
  { id: "minutes", head: "Minutes", end: true, mono: true, value: (r) => r.minutes ?? undefined },
  { id: "who", head: "Who", value: (r) => r.person },
];
</script>

<template>
  <DataTable name="runs" label="Preparation that was done" :rows="runs" :columns="columns" :row-key="(r) => r.id">
    <template #cell-at="{ row: r }">{{ dayYear(r.at) }}</template>
    <template #cell-made="{ row: r }"
      ><template v-for="(l, i) in r.lots" :key="l.id"
        ><template v-if="i > 0">, </template
        ><RouterLink class="link" :to="`/lots/${l.id}`">{{ l.code }}</RouterLink></template
      ></template
    >
    <template #cell-for="{ row: r }"
      ><template v-for="(b, i) in r.batches" :key="b.id"
        ><template v-if="i > 0">, </template
        ><RouterLink class="link fig" :to="`/batches/${b.id}`">{{ b.number }}</RouterLink></template
      ></template
    >
    <template #empty>Nothing has been logged yet.</template>
  </DataTable>
</template>
