<script setup lang="ts">
import { computed } from "vue";
import type { Plan } from "@kasten/contract/schedule";
import DataTable from "../parts/DataTable.vue";
import DozenCount from "../parts/DozenCount.vue";
import type { Column } from "../parts/column";
import { day, ofHundred } from "../parts/format";
import { timeOf } from "./planTime";

/** The plan by batch: who ties it, when it begins and when it is ready. */
const props = defineProps<{ plan: Plan }>();
type Batch = Plan["batches"][number];
type Work = Plan["work"][number];
/** The first work on each batch, and its tying: of several where it is split. */
const firsts = computed(() => {
  const [work, ties] = [new Map<string, Work>(), new Map<string, Work[]>()];
  for (const w of props.plan.work) {
    if (!work.has(w.batch)) work.set(w.batch, w);
    if (w.kind === "tie") ties.set(w.batch, [...(ties.get(w.batch) ?? []), w]);
  }
  return { work, ties };
});
const tierOf = (b: Batch): string | undefined =>
  firsts.value.ties
    .get(b.id)
    ?.map((w) => props.plan.people.find((q) => q.id === w.person)?.name ?? "")
    .join(" and ");
const startOf = (b: Batch): number | undefined => firsts.value.work.get(b.id)?.start;
const pinWords = (b: Batch): string => {
  if (!b.pin) return "";
  const who = props.plan.people.find((p) => p.id === b.pin?.person)?.name ?? "somebody";
  return b.pin.fault ? `pinned to ${who}: ${b.pin.fault}` : `pinned to ${who}${b.pin.at ? ", at its time" : ""}`;
};
const standing = (b: Batch): string =>
  [b.held ?? (b.lateDays > 0 ? `late ${b.lateDays} d` : ""), b.waitsFor ? `waits for ${b.waitsFor}` : "", pinWords(b)]
    .filter(Boolean)
    .join(", ");
/** Less sure than this wants a look. */
const UNSURE = 0.8;
const columns: Column<Batch>[] = [
  { id: "number", head: "Batch", value: (b) => b.number },
  { id: "fly", head: "Fly", value: (b) => `${b.patternName} ${b.size}` },
  { id: "owed", head: "Owed", word: "owed", end: true, value: (b) => b.owed },
  { id: "due", head: "Due", class: "whitespace-nowrap", value: (b) => b.due },
  { id: "ready", head: "Ready", class: "whitespace-nowrap", value: (b) => b.ready },
  { id: "odds", head: "Of 100 cases on time", word: "odds", end: true, value: (b) => b.odds },
  { id: "who", head: "Who ties it", value: tierOf },
  {
    id: "begins",
    head: "Begins",
    mono: true,
    class: "text-[0.94rem]",
    value: startOf,
    copied: (b) => (startOf(b) === undefined ? "" : timeOf(props.plan, startOf(b) ?? 0)),
  },
  { id: "standing", head: "How it stands", quiet: true, value: standing },
];
</script>

<template>
  <DataTable name="plan" label="The plan by batch" :rows="plan.batches" :columns="columns" :row-key="(b) => b.id">
    <template #cell-number="{ row: b }"
      ><RouterLink class="link fig" :to="`/batches/${b.id}`">{{ b.number }}</RouterLink></template
    >
    <template #cell-fly="{ row: b }"
      >{{ b.patternName }} <span class="fig">{{ b.size }}</span></template
    >
    <template #cell-owed="{ row: b }"><DozenCount :flies="b.owed" /></template>
    <template #cell-due="{ row: b }">{{ day(b.due) }}</template>
    <template #cell-ready="{ row: b }">{{ b.ready ? day(b.ready) : "" }}</template>
    <template #cell-odds="{ row: b }"
      ><template v-if="b.odds !== null"
        ><span :class="b.odds < UNSURE ? 'font-bold text-call' : ''" class="fig">{{ ofHundred(b.odds) }}</span
        ><span v-if="b.breaks && b.odds < 0.98" class="block text-[0.86rem] text-soft">{{ b.breaks }}</span></template
      ></template
    >
    <template #cell-begins="{ row: b }">{{ startOf(b) === undefined ? "" : timeOf(plan, startOf(b) ?? 0) }}</template>
    <template #cell-standing="{ row: b }"
      ><span v-if="b.held" class="tag tag-call">{{ b.held }}</span
      ><span v-else-if="b.lateDays > 0" class="tag tag-call">late {{ b.lateDays }} d</span
      ><span v-if="b.waitsFor" class="tag">waits for {{ b.waitsFor }}</span
      ><span v-if="b.pin" class="tag" :class="{ 'tag-call': b.pin.fault }">{{ pinWords(b) }}</span></template
    >
    <template #empty>Nothing to plan yet: the plan makes itself from open batches and people’s hours.</template>
  </DataTable>
</template>
