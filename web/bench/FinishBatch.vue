<script setup lang="ts">
import { computed, ref } from "vue";
import type { BatchDetail } from "@kasten/contract/batches";
import type { KitUseSaid } from "@kasten/contract/bench";
import { textOf } from "../parts/fields";
import { quantity } from "../parts/format";
import { writtenSign } from "../parts/written";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";
import { useCatalogue } from "../patterns";
import { useKitUses } from "./kitUses";

/** Taken, used, spoiled and back: it must add up for each material before the batch is closed. */
const props = defineProps<{ batch: BatchDetail; good: number; rejected: number; busy: boolean }>();
const emit = defineEmits<{ leave: []; finish: [uses: KitUseSaid[], minutes: number | undefined] }>();
const { rows, of, set, back, wrong, said, isTouched } = useKitUses(
  () => props.batch,
  () => ({ good: props.good, rejected: props.rejected }),
);
const { materials } = useCatalogue();
/** What its offcuts are still good for. */
const keptFor = (r: Requirement): string | undefined => materials.value.get(r.material)?.secondLife;
const minutes = ref<number | undefined>();
const adds = computed(() => rows.value.every((r) => wrong(r) === undefined));
const close = () => emit("finish", said.value, minutes.value || undefined);
type Requirement = BatchDetail["requirements"][number];
const columns: Column<Requirement>[] = [
  { id: "material", head: "Material", lead: true },
  { id: "taken", head: "Taken", end: true, mono: true, class: "whitespace-nowrap" },
  { id: "used", head: "Used" },
  { id: "scrapped", head: "Spoiled" },
  { id: "back", head: "Back to the drawer", end: true, mono: true, class: "whitespace-nowrap" },
  { id: "kept", head: "Of that, lengths kept, such as 80 60", class: "w-44" },
  { id: "why", head: "Why, if it does not agree", class: "w-56" },
];
</script>

<template>
  <form class="sheet p-4" @submit.prevent="close">
    <h2>
      Finish batch {{ batch.number }}: <span class="fig">{{ good }}</span> good,
      <span class="fig">{{ rejected }}</span> rejected
    </h2>
    <p class="mb-2 text-soft">
      What was used leaves for good, what was spoiled goes to scrap, the rest back to its drawer. Proposed is what these
      flies would take. Put right what you counted or measured: only that is learned from.
    </p>
    <DataTable label="What was used" :rows="rows" :columns="columns" :row-key="(r) => r.key">
      <template #cell-material="{ row: r }"
        >{{ r.materialName }}<span class="ml-2 text-soft">{{ r.role }}{{ r.side ? `, ${r.side}` : "" }}</span
        ><span v-if="isTouched(r)" class="tag ml-2">as you say</span
        ><span v-if="keptFor(r)" class="block text-[0.9rem] text-soft">Keep what is cut off: {{ keptFor(r) }}</span
        ><span v-if="wrong(r)" role="alert" class="block text-[0.9rem] text-call">{{ wrong(r) }}</span></template
      >
      <template #cell-taken="{ row: r }">{{ quantity(r.pulled, r.unit) }}</template>
      <template v-for="what in ['used', 'scrapped'] as const" :key="what" #[`cell-${what}`]="{ row: r }"
        ><span class="whitespace-nowrap"
          ><input
            :value="of(r)[what]"
            class="field fig w-24 max-sm:min-h-[44px]"
            type="number"
            inputmode="decimal"
            min="0"
            step="any"
            :aria-label="`${what === 'used' ? 'Used' : 'Spoiled'} of ${r.materialName}, ${r.role}`"
            @input="set(r, what, Number(textOf($event)))"
          />
          {{ writtenSign[r.unit] }}</span
        ></template
      >
      <template #cell-back="{ row: r }"
        ><span :class="{ 'font-bold text-call': back(r) < 0 }">{{
          back(r) < 0 ? `${quantity(-back(r), r.unit)} too much` : quantity(back(r), r.unit)
        }}</span></template
      >
      <template #cell-kept="{ row: r }"
        ><span v-if="r.unit === 'um'" class="whitespace-nowrap"
          ><input
            :value="of(r).offcuts"
            class="field fig w-28 max-sm:min-h-[44px]"
            inputmode="decimal"
            :aria-label="`Lengths of ${r.materialName} kept as remnants, ${r.role}`"
            @input="set(r, 'offcuts', textOf($event))"
          />
          mm</span
        ></template
      >
      <template #cell-why="{ row: r }"
        ><input
          :value="of(r).why"
          class="field w-full max-sm:min-h-[44px]"
          maxlength="200"
          :aria-label="`Why ${r.materialName}, ${r.role}, does not agree with the flies`"
          @input="set(r, 'why', textOf($event))"
      /></template>
    </DataTable>
    <div class="mt-3 flex flex-wrap items-end gap-3">
      <label
        ><span class="label">Minutes at the vise, if known</span
        ><input v-model.number="minutes" class="field fig w-28" type="number" min="0"
      /></label>
      <button class="btn btn-main min-h-[44px]" :disabled="busy || !adds">Finish the batch</button>
      <button type="button" class="btn min-h-[44px]" @click="$emit('leave')">Not yet</button>
    </div>
  </form>
</template>
