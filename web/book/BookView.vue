<script setup lang="ts">
import type { ReplyOf } from "@kasten/contract/http";
import { listEvents, listFinished } from "@kasten/contract/book";
import { call, usePages } from "../http";
import HistoryList from "../parts/HistoryList.vue";
import DozenCount from "../parts/DozenCount.vue";
import ShowMore from "../parts/ShowMore.vue";
import { dayYear } from "../parts/format";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";
import PromiseTable from "./PromiseTable.vue";

const finished = usePages({
  key: () => ["finished"],
  read: (cursor) => call(listFinished, { query: { cursor } }),
  rows: (page) => page.batches,
});
const log = usePages({
  key: () => ["log"],
  read: (cursor) => call(listEvents, { query: { cursor } }),
  rows: (page) => page.events,
});
const percent = (x: number) => `${(100 * x).toFixed(1)} %`;
type Yield = ReplyOf<typeof listFinished>["yields"][number];
type Finished = ReplyOf<typeof listFinished>["batches"][number];
const figure = <Row,>(id: string, head: string, value: Column<Row>["value"], extra = ""): Column<Row> => ({
  id,
  head,
  end: true,
  mono: true,
  value,
  class: extra,
});
const yields: Column<Yield>[] = [
  { id: "pattern", head: "Pattern", lead: true, value: (y) => y.patternName },
  figure("batches", "Batches", (y) => y.batches),
  figure("good", "Good", (y) => y.good),
  figure("rejected", "Rejected", (y) => y.rejected),
  figure("rate", "Reject rate, with the prior", (y) => y.rejectRate),
  figure("starts", "To start for 10 dz", (y) => y.startsForTenDozen, "text-lg"),
];
const usedOf = (b: Finished): string =>
  b.uses
    .flatMap((u) => (u.ratio === null || u.ratio === 1 ? [] : [`${u.component} × ${u.ratio.toFixed(2)}`]))
    .slice(0, 4)
    .join(", ");
const batches: Column<Finished>[] = [
  { id: "number", head: "Batch", mono: true, value: (b) => b.number },
  { id: "fly", head: "Fly", value: (b) => `${b.patternName} ${b.size}` },
  { id: "finished", head: "Finished", class: "whitespace-nowrap", value: (b) => b.finishedAt },
  { id: "owed", head: "Owed", end: true, value: (b) => b.owed },
  figure("good", "Good", (b) => b.good),
  figure("rejected", "Rejected", (b) => b.rejected),
  {
    id: "why",
    head: "Why",
    class: "text-[0.92rem]",
    value: (b) => b.reasons.map((r) => `${r.reason} ${r.count}`).join(", "),
  },
  figure("minutes", "Minutes a fly", (b) => b.minutesPerFly),
  { id: "used", head: "Used against computed", class: "text-[0.9rem] text-soft", value: usedOf },
];
</script>

<template>
  <h1 class="mb-3">Book</h1>
  <h2 class="mb-1">What the batches have taught</h2>
  <DataTable
    name="yields"
    class="mb-5"
    label="What the batches have taught"
    :rows="finished.first.value?.yields"
    :columns="yields"
    :row-key="(y) => y.pattern"
  >
    <template #cell-rate="{ row: y }">{{ percent(y.rejectRate) }}</template>
    <template #empty
      >Nothing yet. Each batch that is closed teaches its rejects, its minutes and what it really used.</template
    >
  </DataTable>
  <h2 class="mb-1">How promises were kept</h2>
  <PromiseTable class="mb-5" />
  <h2 class="mb-1">Finished batches</h2>
  <DataTable
    name="finished"
    class="mb-3"
    label="Finished batches"
    :rows="finished.first.value && finished.rows.value"
    :columns="batches"
    :row-key="(b) => b.id"
  >
    <template #cell-fly="{ row: b }"
      >{{ b.patternName }} <span class="fig">{{ b.size }}</span></template
    >
    <template #cell-finished="{ row: b }">{{ dayYear(b.finishedAt) }}</template>
    <template #cell-owed="{ row: b }"><DozenCount :flies="b.owed" /></template>
    <template #empty>No batch has been finished yet.</template>
  </DataTable>
  <ShowMore
    what="batches"
    class="mb-5"
    :more="finished.more.value"
    :loading="finished.loading.value"
    @more="finished.showMore"
  />
  <h2 class="mb-1">Who did what</h2>
  <HistoryList class="sheet px-3" :events="log.rows.value" />
  <ShowMore what="entries" :more="log.more.value" :loading="log.loading.value" @more="log.showMore" />
</template>
