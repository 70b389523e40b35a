<script setup lang="ts">
import { computed, reactive, ref } from "vue";
import type { BatchDetail } from "@kasten/contract/batches";
import { quantity } from "../parts/format";
import { baseOf, computedBase, writtenOf, writtenSign } from "../parts/written";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";

/** Taken, used, spoiled and back: it must add up for each material before the batch is closed. */
const props = defineProps<{ batch: BatchDetail; good: number; rejected: number; busy: boolean }>();
const emit = defineEmits<{
  leave: [];
  finish: [uses: { key: string; used: number; scrapped: number }[], minutes: number | undefined];
}>();
const tied = computed(() => props.good + props.rejected);
const rows = computed(() => props.batch.requirements.filter((r) => r.pulled > 0));
const uses = reactive(
  Object.fromEntries(
    rows.value.map((r) => {
      const use = Math.min(r.pulled, computedBase(r.perFly * tied.value, r.unit));
      return [r.key, { used: writtenOf(use, r.unit), scrapped: 0 }];
    }),
  ),
);
const minutes = ref<number | undefined>();
const inBase = (r: BatchDetail["requirements"][number], what: "used" | "scrapped") =>
  baseOf(uses[r.key]?.[what] || 0, r.unit);
const back = (r: BatchDetail["requirements"][number]) => r.pulled - inBase(r, "used") - inBase(r, "scrapped");
const adds = computed(() => rows.value.every((r) => back(r) >= 0));
const close = () =>
  emit(
    "finish",
    rows.value.map((r) => ({ key: r.key, used: inBase(r, "used"), scrapped: inBase(r, "scrapped") })),
    minutes.value || undefined,
  );
type Requirement = BatchDetail["requirements"][number];
const columns: Column<Requirement>[] = [
  { id: "material", head: "Material", lead: true },
  { id: "taken", head: "Taken", end: true, mono: true, class: "whitespace-nowrap" },
  { id: "used", head: "Used" },
  { id: "scrapped", head: "Spoiled" },
  { id: "back", head: "Back to the drawer", end: true, mono: true, class: "whitespace-nowrap" },
];
</script>

<template>
  <form class="sheet p-4" @submit.prevent="close">
    <h2>
      Finish batch {{ batch.number }}: <span class="fig">{{ good }}</span> good,
      <span class="fig">{{ rejected }}</span> rejected
    </h2>
    <p class="mb-2 text-soft">
      What was used leaves for good, what was spoiled goes to scrap, the rest back to its drawer. The figures are the
      computed use; put right what was different.
    </p>
    <DataTable label="What was used" :rows="rows" :columns="columns" :row-key="(r) => r.key">
      <template #cell-material="{ row: r }"
        >{{ r.materialName }}<span class="text-soft"> {{ r.role }}{{ r.side ? `, ${r.side}` : "" }}</span></template
      >
      <template #cell-taken="{ row: r }">{{ quantity(r.pulled, r.unit) }}</template>
      <template v-for="what in ['used', 'scrapped'] as const" :key="what" #[`cell-${what}`]="{ row: r }"
        ><input
          v-model.number="uses[r.key]![what]"
          class="field fig w-24 max-sm:min-h-[44px]"
          type="number"
          inputmode="decimal"
          min="0"
          step="any"
          :aria-label="`${what === 'used' ? 'Used' : 'Spoiled'} of ${r.materialName}, ${r.role}`"
        />
        {{ writtenSign[r.unit] }}</template
      >
      <template #cell-back="{ row: r }"
        ><span :class="{ 'font-bold text-call': back(r) < 0 }">{{
          back(r) < 0 ? `${quantity(-back(r), r.unit)} too much` : quantity(back(r), r.unit)
        }}</span></template
      >
    </DataTable>
    <div class="mt-3 flex flex-wrap items-end gap-3">
      <label
        ><span class="label">Minutes at the vise, if known</span
        ><input v-model.number="minutes" class="field fig w-28" type="number" min="0"
      /></label>
      <button class="btn btn-main min-h-[44px]" :disabled="busy || !adds">Finish the batch</button>
      <button type="button" class="btn min-h-[44px]" @click="$emit('leave')">Not yet</button>
      <span v-if="!adds" class="text-call">More is used and spoiled than was taken: correct it.</span>
    </div>
  </form>
</template>
