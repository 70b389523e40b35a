<script setup lang="ts">
import type { BatchDetail } from "@kasten/contract/batches";
import type { RequirementData } from "@kasten/contract/materials";
import ColourSwatch from "../parts/ColourSwatch.vue";
import DataTable from "../parts/DataTable.vue";
import NumberWords from "../parts/NumberWords.vue";
import type { Column } from "../parts/column";
import { quantity } from "../parts/format";
import { useWorking } from "../parts/working";

const props = defineProps<{ batch: BatchDetail }>();
const panel = useWorking();
const reservedOf = (r: RequirementData) => r.reserved.reduce((n, x) => n + x.quantity, 0);
function show(r: RequirementData): void {
  const { pattern, size, variant, form } = props.batch;
  panel.show({
    title: `${r.role}, ${r.materialName}`,
    words: r.words,
    working: r.working,
    fly: { pattern, size, variant, form },
  });
}
const whatToDo = (r: RequirementData): string =>
  r.short > 0
    ? `short ${quantity(r.short, r.unit)}. ${r.remedy ?? ""}`
    : reservedOf(r) + r.pulled >= r.issue
      ? "ready"
      : "reserve it";
const held = (r: RequirementData): string =>
  r.reserved.map((x) => `${quantity(x.quantity, r.unit)} ${x.place} ${x.lotCode}`).join("; ");
const columns: Column<RequirementData>[] = [
  { id: "part", head: "Part", lead: true, value: (r) => [r.role, r.side].filter(Boolean).join(" ") },
  { id: "material", head: "Material", value: (r) => r.materialName },
  {
    id: "issue",
    head: "Issue",
    word: "issue",
    class: "whitespace-nowrap",
    value: (r) => r.issue,
    copied: (r) => quantity(r.issue, r.unit),
    fixed: true,
  },
  {
    id: "words",
    head: "In bench words",
    word: "bench words",
    class: "text-[0.94rem]",
    value: (r) => r.words,
    fixed: true,
  },
  {
    id: "free",
    head: "Free in drawers",
    end: true,
    mono: true,
    class: "whitespace-nowrap",
    value: (r) => r.free,
    copied: (r) => quantity(r.free, r.unit),
    fixed: true,
  },
  {
    id: "reserved",
    head: "Reserved",
    word: "reservation",
    class: "text-[0.92rem]",
    value: (r) => held(r) + (r.pulled > 0 ? " in the kit" : ""),
    fixed: true,
  },
  { id: "do", head: "What to do", class: "max-w-64 text-[0.92rem]", value: whatToDo },
];
</script>

<template>
  <DataTable
    name="requirements"
    label="Materials of the batch"
    :rows="batch.requirements"
    :columns="columns"
    :row-key="(r) => r.key"
  >
    <template #cell-part="{ row: r }"
      ><b class="text-[0.94rem]"
        >{{ r.role }}<span v-if="r.side"> {{ r.side }}</span></b
      ></template
    >
    <template #cell-material="{ row: r }"
      ><ColourSwatch :colour="r.colour" class="mr-1.5" /><RouterLink class="link" :to="`/stock/${r.material}`">{{
        r.materialName
      }}</RouterLink
      ><span v-if="r.lead" class="tag tag-call ml-1">lead</span></template
    >
    <template #cell-issue="{ row: r }"
      ><button class="num text-lg" :aria-label="`Working of ${r.role}: ${quantity(r.issue, r.unit)}`" @click="show(r)">
        <NumberWords :words="quantity(r.issue, r.unit)" /></button
    ></template>
    <template #cell-words="{ row: r }"><NumberWords :words="r.words" /></template>
    <template #cell-free="{ row: r }"><NumberWords :words="quantity(r.free, r.unit)" /></template>
    <template #cell-reserved="{ row: r }"
      ><span v-for="x in r.reserved" :key="x.lot" class="block"
        ><span class="fig"><NumberWords :words="quantity(x.quantity, r.unit)" /></span> {{ x.place }}
        <span class="text-soft">{{ x.lotCode }}{{ x.dyeLot ? `, dye lot ${x.dyeLot}` : "" }}</span></span
      ><span v-if="r.pulled > 0" class="tag tag-done">in the kit {{ quantity(r.pulled, r.unit) }}</span></template
    >
    <template #cell-do="{ row: r }"
      ><template v-if="r.short > 0"
        ><span class="tag tag-call">short {{ quantity(r.short, r.unit) }}</span> {{ r.remedy }}</template
      ><span v-else-if="reservedOf(r) + r.pulled >= r.issue" class="text-done">ready</span
      ><span v-else class="text-soft">reserve it</span></template
    >
  </DataTable>
</template>
