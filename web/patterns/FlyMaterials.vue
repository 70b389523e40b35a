<script setup lang="ts">
import { workingOf, type Requirement } from "@kasten/core/needs";
import type { ComposedFly } from "@kasten/core/fly";
import type { FlyChoice } from "@kasten/core/recipe";
import type { Working } from "@kasten/contract/materials";
import DataTable from "../parts/DataTable.vue";
import NumberWords from "../parts/NumberWords.vue";
import type { Column } from "../parts/column";
import { quantity } from "../parts/format";
import { useWorking } from "../parts/working";
import { DOZEN } from "./usePattern";

/** What a dozen takes, each quantity with its working. */
const props = defineProps<{
  id: string;
  choice: FlyChoice;
  fly?: ComposedFly;
  materials: Requirement[];
  /** What the recipe leaves open, in words, by requirement. */
  open: Map<string, string>;
}>();
const panel = useWorking();
function show(r: Requirement): void {
  if (props.fly)
    panel.show({
      title: `${r.role}, ${r.materialName}, for a dozen`,
      words: r.words,
      working: workingOf(r, props.fly, DOZEN) as Working,
      fly: { pattern: props.id, ...props.choice },
    });
}
const columns: Column<Requirement>[] = [
  { id: "part", head: "Part" },
  { id: "material", head: "Material" },
  { id: "quantity", head: "Quantity", end: true, class: "whitespace-nowrap" },
];
</script>

<template>
  <DataTable
    tight
    quiet-head
    label="Materials for a dozen"
    :rows="materials"
    :columns="columns"
    :row-key="(r) => r.key"
  >
    <template #cell-part="{ row: r }"
      ><b class="text-[0.9rem]">{{ r.role }}{{ r.side ? ` ${r.side}` : "" }}</b></template
    >
    <template #cell-material="{ row: r }"
      >{{ r.materialName }}<span class="block text-[0.88rem] text-soft"><NumberWords :words="r.words" /></span
      ><span v-if="open.get(r.key)" class="block text-[0.88rem] text-soft"
        ><NumberWords :words="open.get(r.key) ?? ''" /></span
    ></template>
    <template #cell-quantity="{ row: r }"
      ><button class="num text-lg" :aria-label="`Working of ${r.role}`" @click="show(r)">
        {{ quantity(r.issue, r.unit) }}
      </button></template
    >
  </DataTable>
</template>
