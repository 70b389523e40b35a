<script setup lang="ts">
import { computed, ref } from "vue";
import { listPlanVersions, readPlanVersion } from "@kasten/contract/schedule";
import { call, useRead } from "../http";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";
import { day, moment } from "../parts/format";

/** The plans that were published: when, by whom, and what each changed against the one before. */
const versions = useRead({ key: ["plan", "versions"], query: () => call(listPlanVersions) });
type Version = NonNullable<typeof versions.data.value>["versions"][number];
const opened = ref<number>();
const one = useRead({
  key: () => ["plan", "versions", opened.value ?? 0],
  query: () => call(readPlanVersion, { params: { number: opened.value ?? 0 } }),
  enabled: () => opened.value !== undefined,
});
const columns: Column<Version>[] = [
  { id: "number", head: "Plan", value: (v) => v.number },
  { id: "at", head: "Published", value: (v) => v.at },
  { id: "by", head: "By", value: (v) => v.by },
  { id: "note", head: "About", value: (v) => v.note },
  { id: "batches", head: "Batches", end: true, value: (v) => v.batches },
  { id: "late", head: "Late in it", end: true, value: (v) => v.late },
  { id: "open", head: "", quiet: true },
];
const rows = computed(() => versions.data.value?.versions);
</script>

<template>
  <DataTable
    name="plan-versions"
    label="Published plans"
    :rows="rows"
    :columns="columns"
    :row-key="(v) => String(v.number)"
  >
    <template #cell-at="{ row: v }">{{ moment(v.at) }}</template>
    <template #cell-open="{ row: v }"
      ><button
        type="button"
        class="btn btn-plain !min-h-8"
        @click="opened = opened === v.number ? undefined : v.number"
      >
        {{ opened === v.number ? "Close" : "What it changed" }}
      </button></template
    >
    <template #empty>No plan has been published yet.</template>
  </DataTable>
  <section v-if="opened && one.data.value" class="sheet mt-2 p-3" :aria-label="`Plan ${opened}`">
    <h3>Plan {{ opened }}</h3>
    <ul v-if="one.data.value.differences.length > 0">
      <li v-for="d in one.data.value.differences" :key="d.batch">Batch {{ d.number }}: {{ d.sentence }}</li>
    </ul>
    <p v-else class="text-soft">It changed nothing, or was the first.</p>
    <p class="mt-1 text-soft">
      Ready by it:
      {{
        one.data.value.batches
          .filter((b) => b.ready)
          .map((b) => `batch ${b.number} ${day(b.ready ?? "")}`)
          .join(", ")
      }}
    </p>
  </section>
</template>
