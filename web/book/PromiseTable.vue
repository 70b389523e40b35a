<script setup lang="ts">
import { computed } from "vue";
import type { ReplyOf } from "@kasten/contract/http";
import { readPromises } from "@kasten/contract/book";
import { call, useRead } from "../http";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";
import { ofHundred } from "../parts/format";

/** How promises were kept, month by month, against how probable they were held to be. */
const promises = useRead({ key: ["promises"], query: () => call(readPromises) });
type Month = ReplyOf<typeof readPromises>["months"][number];
const rows = computed(() => promises.data.value?.months);
const share = (m: Month): number => m.kept / m.lines;
const percent = (x: number): string => `${ofHundred(x)} %`;
const late = (m: Month): string => m.late.map((c) => `${c.cause} ${c.lines}`).join(", ");
const columns: Column<Month>[] = [
  { id: "month", head: "Month", value: (m) => m.month },
  { id: "lines", head: "Promises", end: true, mono: true, value: (m) => m.lines },
  { id: "kept", head: "Kept", end: true, mono: true, value: (m) => m.kept },
  { id: "share", head: "Kept of 100", end: true, mono: true, class: "text-lg", value: share },
  { id: "odds", head: "Held to be", end: true, mono: true, value: (m) => m.odds ?? undefined },
  { id: "late", head: "What held the others", class: "text-[0.92rem]", value: late },
];
</script>

<template>
  <DataTable name="promises" label="How promises were kept" :rows="rows" :columns="columns" :row-key="(m) => m.month">
    <template #cell-share="{ row: m }">{{ percent(share(m)) }}</template>
    <template #cell-odds="{ row: m }">{{ m.odds === null ? "" : percent(m.odds) }}</template>
    <template #empty>Nothing yet: a promise is told of here once its day has passed.</template>
  </DataTable>
</template>
