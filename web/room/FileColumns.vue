<script setup lang="ts">
import { computed } from "vue";
import type { FileField, FilePreview } from "@kasten/contract/files";
import DataTable from "../parts/DataTable.vue";
import OneOf from "../parts/OneOf.vue";
import type { Column } from "../parts/column";

/** The columns of a file, each with its first cells and the field that it is. */
const props = defineProps<{ columns: FilePreview["columns"]; fields: readonly FileField[] }>();
const emit = defineEmits<{ set: [at: number, field: string | undefined] }>();
const rows = computed(() => props.columns.map((c, at) => ({ ...c, at })));
type Row = (typeof rows.value)[number];
const options = computed(() =>
  props.fields.map((f) => ({ id: f.id, name: f.required ? `${f.label} (needed)` : f.label })),
);
const helpOf = (id: string | null): string => props.fields.find((f) => f.id === id)?.help ?? "";
const asTable: Column<Row>[] = [
  { id: "head", head: "Head", lead: true, class: "font-semibold", value: (c) => c.head || "(no head)", fixed: true },
  { id: "samples", head: "First cells", class: "fig text-[0.9rem]", value: (c) => c.samples.join(" · "), fixed: true },
  { id: "field", head: "It is", class: "w-56" },
  { id: "help", head: "Written as", class: "text-[0.9rem] text-soft", value: (c) => helpOf(c.field), fixed: true },
];
</script>

<template>
  <DataTable label="Columns of the file" :rows="rows" :columns="asTable" :row-key="(c) => String(c.at)">
    <template #cell-field="{ row: c }"
      ><OneOf
        :label="`Column ${c.head || c.at + 1} is`"
        quiet
        none="left out"
        :options="options"
        :model-value="c.field ?? undefined"
        @update:model-value="emit('set', c.at, $event)"
    /></template>
  </DataTable>
</template>
