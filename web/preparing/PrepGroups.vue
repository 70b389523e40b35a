<script setup lang="ts">
import { computed, ref } from "vue";
import type { PrepGroupData } from "@kasten/contract/preparing";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";
import { day } from "../parts/format";
import TogetherForm from "./TogetherForm.vue";

/** Each row is one piece of work, for all batches that want it; opened, it says for which of them it is done. */
const props = defineProps<{ groups: PrepGroupData[]; can: boolean }>();
const emit = defineEmits<{ done: [] }>();
const keyOf = (g: PrepGroupData): string => `${g.kind}|${g.material}`;
const opened = ref<string>();
const chosen = computed(() => props.groups.find((g) => keyOf(g) === opened.value));
const saved = (g: PrepGroupData): number => g.apart - g.minutes;
const MOST_NAMED = 4;
const columns: Column<PrepGroupData>[] = [
  { id: "work", head: "Work", lead: true, value: (g) => g.title, fixed: true },
  { id: "for", head: "For batches", mono: true, value: (g) => g.tasks.map((t) => t.number).join(", ") },
  { id: "due", head: "First due", class: "whitespace-nowrap", value: (g) => g.tasks[0]?.due ?? "" },
  { id: "minutes", head: "Together", end: true, mono: true, class: "whitespace-nowrap", value: (g) => g.minutes },
  {
    id: "saved",
    head: "Saved",
    end: true,
    mono: true,
    class: "whitespace-nowrap",
    value: (g) => saved(g) || undefined,
  },
  { id: "do", head: "Do it", act: true, end: true, class: "w-32" },
];
function done(): void {
  opened.value = undefined;
  emit("done");
}
</script>

<template>
  <p class="mb-2 text-soft">
    Like work for several batches is done once: what is fixed about it is spent once, and a blend is one charge of the
    mill.
  </p>
  <TogetherForm
    v-if="chosen && can"
    :key="keyOf(chosen)"
    class="mb-3"
    :group="chosen"
    @done="done"
    @leave="opened = undefined"
  />
  <DataTable
    name="preparations"
    label="Preparation for the open batches"
    :rows="groups"
    :columns="columns"
    :row-key="keyOf"
  >
    <template #cell-work="{ row: g }"
      >{{ g.title }}<span v-if="g.station" class="tag ml-2">{{ g.station }}</span
      ><span v-for="c in g.cautions" :key="c" class="block text-[0.88rem] text-call">{{ c }}</span></template
    >
    <template #cell-for="{ row: g }"
      ><template v-for="(t, i) in g.tasks.slice(0, MOST_NAMED)" :key="t.batch"
        ><template v-if="i > 0">, </template
        ><RouterLink class="link fig" :to="`/batches/${t.batch}`">{{ t.number }}</RouterLink></template
      ><template v-if="g.tasks.length > MOST_NAMED"> and {{ g.tasks.length - MOST_NAMED }} more</template></template
    >
    <template #cell-due="{ row: g }">{{ g.tasks[0] ? day(g.tasks[0].due) : "" }}</template>
    <template #cell-minutes="{ row: g }">{{ g.minutes }}<span class="unit">min</span></template>
    <template #cell-saved="{ row: g }"
      ><template v-if="saved(g) > 0">{{ saved(g) }}<span class="unit">min</span></template></template
    >
    <template #cell-do="{ row: g }"
      ><button v-if="can" class="btn !min-h-8" @click="opened = keyOf(g)">
        Log<span class="sr-only">: {{ g.title }}</span>
      </button></template
    >
    <template #empty>Nothing is left to prepare away from the vise.</template>
  </DataTable>
</template>
