<script setup lang="ts">
import { computed, ref } from "vue";
import type { Fate, FilePreview } from "@kasten/contract/files";
import DataTable from "../parts/DataTable.vue";
import RadioSet from "../parts/RadioSet.vue";
import type { Column } from "../parts/column";

/** What becomes of each line of a file; those that are wrong come first. */
const props = defineProps<{ preview: FilePreview }>();
type Row = FilePreview["lines"][number];
const words: Record<Fate, string> = { new: "new", changes: "changes", same: "there already", wrong: "not right" };
const only = ref<Fate | "all">("all");
const options = computed(() => [
  { value: "all" as const, label: `all ${Object.values(props.preview.counts).reduce((a, b) => a + b, 0)}` },
  ...(Object.keys(words) as Fate[])
    .filter((f) => props.preview.counts[f] > 0)
    .map((f) => ({ value: f, label: `${words[f]} ${props.preview.counts[f]}` })),
]);
const rows = computed(() => props.preview.lines.filter((l) => only.value === "all" || l.fate === only.value));
const columns: Column<Row>[] = [
  { id: "line", head: "Line", end: true, mono: true, value: (l) => l.line },
  { id: "fate", head: "Fate", class: "whitespace-nowrap", value: (l) => words[l.fate] },
  { id: "says", head: "What becomes of it", value: (l) => l.says },
  { id: "shown", head: "As it stands", class: "fig text-[0.86rem] text-soft", value: (l) => l.shown.join(" · ") },
];
</script>

<template>
  <section>
    <h2 class="mb-1">What becomes of each line</h2>
    <RadioSet v-model="only" class="mb-2" label="Lines shown" quiet :options="options" />
    <DataTable label="Lines of the file" :rows="rows" :columns="columns" :row-key="(l) => String(l.line)">
      <template #cell-fate="{ row: l }"
        ><span class="tag" :class="{ 'tag-call': l.fate === 'wrong', 'tag-done': l.fate === 'new' }">{{
          words[l.fate]
        }}</span></template
      >
    </DataTable>
  </section>
</template>
