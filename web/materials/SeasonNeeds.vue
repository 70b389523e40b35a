<script setup lang="ts">
import { computed } from "vue";
import { listSeasonNeeds, type SeasonNeed } from "@kasten/contract/materials";
import { call, useRead } from "../http";
import DataTable from "../parts/DataTable.vue";
import NumberWords from "../parts/NumberWords.vue";
import type { Column } from "../parts/column";
import { dayYear, money, quantity } from "../parts/format";
import NeededMaterial from "./NeededMaterial.vue";

/** What standing orders that are not written yet will need, beyond what the open batches take. */
const all = useRead({ key: ["standing", "needs"], query: () => call(listSeasonNeeds) });
const rows = computed(() => all.data.value?.needs);
const unknown = computed(() => all.data.value?.unknown ?? []);
const short = computed(() => rows.value?.filter((n) => n.short > 0).length ?? 0);
const barbOf = ({ barb }: SeasonNeed): string =>
  barb ? `barbs ${barb.map((mm) => Number(mm.toFixed(1))).join("–")} mm` : "";
const whatToDo = (n: SeasonNeed): string => {
  if (n.short === 0) return "there is enough";
  if (n.milled) return "mill it from its parts, when its orders are written";
  const { proposal: p } = n;
  return p
    ? `order ${p.packs} × ${p.packWords} from ${p.supplier}, ${money(p.priceCents)}, by ${dayYear(n.orderBy ?? "")}`
    : "find a supplier";
};
const amount = (id: string, head: string, of: (n: SeasonNeed) => number, more = ""): Column<SeasonNeed> => ({
  id,
  head,
  end: true,
  mono: true,
  class: `whitespace-nowrap ${more}`,
  value: (n) => of(n) || undefined,
  copied: (n) => quantity(of(n), n.unit),
  fixed: true,
});
const columns: Column<SeasonNeed>[] = [
  {
    id: "material",
    head: "Material",
    lead: true,
    value: (n) => [n.materialName, n.side, n.area && `from the ${n.area}`, barbOf(n)].filter(Boolean).join(" "),
  },
  amount("need", "Needed", (n) => n.need, "text-lg"),
  amount("free", "Left for it", (n) => n.free),
  amount("short", "Short", (n) => n.short),
  { id: "do", head: "What to do", class: "max-w-80 text-[0.93rem]", value: whatToDo },
  { id: "first", head: "First for", value: (n) => n.firstFor, copied: (n) => n.firstFor, class: "whitespace-nowrap" },
  {
    id: "orders",
    head: "Standing orders",
    mono: true,
    class: "text-[0.9rem]",
    value: (n) => n.orders.map((o) => o.number).join(", "),
    fixed: true,
  },
];
</script>

<template>
  <p class="mb-3 text-soft">
    What the standing orders will need when they come up again, against what the open batches leave.
    <template v-if="short > 0"
      >Of <b class="fig text-call">{{ short }}</b> there will not be enough.</template
    >
  </p>
  <p v-for="u in unknown" :key="u.id + u.line" class="callout mb-2">
    {{ u.line }} of <RouterLink class="link" :to="`/orders/${u.id}`">order {{ u.number }}</RouterLink> is not reckoned:
    {{ u.why }}
  </p>
  <DataTable
    name="season-needs"
    label="Materials for standing orders"
    :rows="rows"
    :columns="columns"
    :row-key="(n) => [n.material, n.side, n.area, n.barb?.join('-')].join('|')"
  >
    <template #cell-material="{ row: n }"
      ><NeededMaterial :need="n" /> <span v-if="n.barb" class="ml-1 text-soft">{{ barbOf(n) }}</span></template
    >
    <template #cell-need="{ row: n }"><NumberWords :words="quantity(n.need, n.unit)" /></template>
    <template #cell-free="{ row: n }"><NumberWords :words="quantity(n.free, n.unit)" /></template>
    <template #cell-short="{ row: n }"
      ><span v-if="n.short > 0" class="tag tag-call">{{ quantity(n.short, n.unit) }}</span></template
    >
    <template #cell-do="{ row: n }"
      ><span :class="{ 'text-soft': n.short === 0 }">{{ whatToDo(n) }}</span></template
    >
    <template #cell-first="{ row: n }">{{ dayYear(n.firstFor) }}</template>
    <template #cell-orders="{ row: n }"
      ><RouterLink
        v-for="o in n.orders"
        :key="o.id"
        class="link mr-1 inline-block min-h-[24px] min-w-[28px] text-center"
        :to="`/orders/${o.id}`"
        :title="`${quantity(o.need, n.unit)} for ${dayYear(o.next)}`"
        >{{ o.number }}</RouterLink
      ></template
    >
    <template #empty
      >No order stands. Open an order and make it a standing one: what it will need when it comes up again is summed
      here.</template
    >
  </DataTable>
</template>
