<script setup lang="ts">
import { computed } from "vue";
import type { proportionsOf } from "@kasten/core/fly";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";
import { lengthFigure, units } from "../parts/units";

/** Lengths to set against the ruler, and those of the fly beside it. */
type Proportions = ReturnType<typeof proportionsOf>;
const props = defineProps<{ proportions: Proportions; beside?: Proportions }>();
const rows = computed(() =>
  props.proportions.map((p) => ({
    ...p,
    then: props.beside?.find((q) => q.step === p.step && q.kind === p.kind)?.mm,
  })),
);
type Row = (typeof rows.value)[number];
const columns = computed<Column<Row>[]>(() => [
  { id: "part", head: "Part", value: (p) => p.part, fixed: true },
  { id: "rule", head: "Rule", class: "text-soft", value: (p) => p.rule, fixed: true },
  {
    id: "mm",
    head: units.value,
    end: true,
    mono: true,
    class: "text-lg",
    value: (p) => lengthFigure(p.mm),
    fixed: true,
  },
  ...(props.beside
    ? [
        {
          id: "then",
          head: "right",
          end: true,
          mono: true,
          class: "text-lg",
          value: (p: Row) => (p.then === undefined ? "–" : lengthFigure(p.then)),
          fixed: true,
        },
      ]
    : []),
]);
</script>

<template>
  <DataTable tight label="Lengths against the ruler" :rows="rows" :columns="columns" :row-key="(p) => p.step + p.kind">
    <template #cell-part="{ row: p }"
      ><b class="text-[0.9rem]">{{ p.part }}</b
      ><span v-if="p.kind === 'barb'" class="text-soft">, barbs</span></template
    >
    <template #empty>No length of this fly is measured.</template>
  </DataTable>
</template>
