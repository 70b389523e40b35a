<script setup lang="ts">
import type { BatchDetail } from "@kasten/contract/batches";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";

/** Work before the vise, logged by whoever did it, with the cautions of the batch beside it. */
defineProps<{ batch: BatchDetail; busy: boolean; can: boolean }>();
defineEmits<{ done: [task: BatchDetail["prep"][number]] }>();
type Task = BatchDetail["prep"][number];
const columns: Column<Task>[] = [
  { id: "work", head: "Work", lead: true, value: (t) => t.title, fixed: true },
  {
    id: "minutes",
    head: "Minutes",
    end: true,
    mono: true,
    class: "whitespace-nowrap",
    value: (t) => t.minutes,
    fixed: true,
  },
  { id: "done", head: "Done", act: true, end: true, class: "w-40" },
];
</script>

<template>
  <section>
    <h2 class="mb-1">Preparation</h2>
    <DataTable
      label="Preparation"
      quiet-head
      :rows="batch.prep"
      :columns="columns"
      :row-key="(t) => t.kind + (t.component ?? '')"
    >
      <template #cell-work="{ row: t }"
        >{{ t.title }}<span v-if="t.station" class="tag ml-2">{{ t.station }}</span></template
      >
      <template #cell-minutes="{ row: t }">{{ t.minutes }}<span class="unit">min</span></template>
      <template #cell-done="{ row: t }"
        ><span v-if="t.done" class="tag tag-done">done, {{ t.doneBy }}</span
        ><span v-else-if="!t.needed" class="text-soft">it is there already</span
        ><button v-else-if="can" class="btn !min-h-8" :disabled="busy" @click="$emit('done', t)">
          Log as done<span class="sr-only">: {{ t.title }}</span>
        </button></template
      >
      <template #empty>Nothing to prepare away from the vise.</template>
    </DataTable>
    <h2 v-if="batch.cautions.length" class="mb-1 mt-4">Cautions</h2>
    <ul class="list-disc pl-5 text-[0.95rem]">
      <li v-for="c in batch.cautions" :key="c">{{ c }}</li>
    </ul>
    <p class="mt-1 text-[0.88rem] text-soft">
      Local law, the makers’ data sheets and professional advice go before anything said here.
    </p>
  </section>
</template>
