<script setup lang="ts">
import { computed, ref } from "vue";
import { reserveAllAnew } from "@kasten/contract/batches";
import { listNeeds, type Need } from "@kasten/contract/materials";
import { call, useRead } from "../http";
import DataTable from "../parts/DataTable.vue";
import NumberWords from "../parts/NumberWords.vue";
import SwitchField from "../parts/SwitchField.vue";
import type { Column } from "../parts/column";
import RefusalNote from "../parts/RefusalNote.vue";
import { day, money, quantity } from "../parts/format";
import { say } from "../parts/say";
import { useChange } from "../parts/useChange";
import { useSession } from "../team";
import NeededMaterial from "./NeededMaterial.vue";

const needs = useRead({ key: ["needs"], query: () => call(listNeeds) });
const onlyShort = ref(false);
const all = computed(() => needs.data.value?.needs);
const rows = computed(() => all.value?.filter((n) => !onlyShort.value || n.short > 0));
const short = computed(() => all.value?.filter((n) => n.short > 0).length ?? 0);
const { may } = useSession();
const { busy, refusal, send } = useChange();
async function anew(): Promise<void> {
  const done = await send(reserveAllAnew, { body: {} });
  if (done) say(`${done.batches} batches reserved anew; ${done.short} are short of something`);
}
/** How far what is there goes, as a bar: reserved, free, and what is missing. */
const share = (part: number, whole: number) => `${Math.max(0, Math.min(100, (100 * part) / Math.max(1, whole)))}%`;
const whatToDo = (n: Need): string => {
  if (n.short === 0) return "covered";
  const { proposal } = n;
  if (n.toOrder === 0 && n.comesOn) return `${quantity(n.coming, n.unit)} comes ${day(n.comesOn)}`;
  const way = proposal
    ? `order ${proposal.packs} × ${proposal.packWords} from ${proposal.supplier}, here by ${day(proposal.arrives)}`
    : n.milled
      ? "mill it from its parts"
      : "find a supplier";
  return `short ${quantity(n.short, n.unit)}: ${way}`;
};
const MOST_BATCHES = 6;
const amount = (id: string, head: string, of: (n: Need) => number, more: Partial<Column<Need>> = {}): Column<Need> => ({
  id,
  head,
  end: true,
  mono: true,
  class: "whitespace-nowrap",
  value: (n) => of(n) || undefined,
  copied: (n) => quantity(of(n), n.unit),
  fixed: true,
  ...more,
});
const columns: Column<Need>[] = [
  { id: "drawer", head: "Drawer", mono: true, value: (n) => n.drawer },
  {
    id: "material",
    head: "Material",
    lead: true,
    value: (n) => [n.materialName, n.side, n.area && `from the ${n.area}`].filter(Boolean).join(" "),
  },
  amount("need", "Needed", (n) => n.need, { class: "whitespace-nowrap text-lg" }),
  amount("there", "In drawers", (n) => n.inDrawers),
  amount("reserved", "Reserved", (n) => n.reserved),
  { id: "cover", head: "Covered", quiet: true, class: "w-36 min-w-20" },
  { id: "do", head: "What to do", class: "max-w-80 text-[0.93rem]", value: whatToDo },
  {
    id: "batches",
    head: "Batches",
    mono: true,
    class: "text-[0.9rem]",
    value: (n) => n.batches.map((b) => b.number).join(", "),
    fixed: true,
  },
];
</script>

<template>
  <div class="mb-3 flex flex-wrap items-baseline justify-between gap-2">
    <p class="text-soft">What the open batches need, with what is there and what is missing.</p>
    <SwitchField v-model="onlyShort"
      >only the <b class="fig" :class="{ 'text-call': short > 0 }">{{ short }}</b> that are short</SwitchField
    >
  </div>
  <DataTable
    name="needs"
    label="Materials for the open batches"
    :rows="rows"
    :columns="columns"
    :row-key="(n) => [n.material, n.side, n.area].join('|')"
  >
    <template #cell-material="{ row: n }"><NeededMaterial :need="n" /></template>
    <template #cell-need="{ row: n }"><NumberWords :words="quantity(n.need, n.unit)" /></template>
    <template #cell-there="{ row: n }"><NumberWords :words="quantity(n.inDrawers, n.unit)" /></template>
    <template #cell-reserved="{ row: n }">{{ n.reserved > 0 ? quantity(n.reserved, n.unit) : "" }}</template>
    <template #cell-cover="{ row: n }"
      ><svg viewBox="0 0 100 8" preserveAspectRatio="none" class="h-2.5 w-full" aria-hidden="true">
        <rect width="100" height="8" fill="var(--well)" />
        <rect :width="share(n.need - n.short, n.need)" height="8" fill="var(--rule-strong)" />
        <rect :width="share(n.reserved, n.need)" height="8" fill="var(--deep)" /></svg
    ></template>
    <template #cell-do="{ row: n }"
      ><template v-if="n.short > 0"
        ><span v-if="n.coming > 0 && n.comesOn" class="tag mr-1"
          >{{ quantity(n.coming, n.unit) }} comes {{ day(n.comesOn) }}</span
        ><span v-if="n.toOrder > 0" class="tag tag-call">short {{ quantity(n.toOrder, n.unit) }}</span>
        <template v-if="n.proposal"
          >Order <b class="fig">{{ n.proposal.packs }} × {{ n.proposal.packWords }}</b> from {{ n.proposal.supplier }},
          {{ money(n.proposal.priceCents) }}: here by <b>{{ day(n.proposal.arrives) }}</b></template
        ><template v-else-if="n.milled"
          >Mill it from its parts: log the milling on batch {{ n.batches[0]?.number }}</template
        ><template v-else-if="n.toOrder > 0">Find a supplier.</template></template
      ><span v-else class="text-soft">covered</span></template
    >
    <template #cell-batches="{ row: n }"
      ><RouterLink
        v-for="b in n.batches.slice(0, MOST_BATCHES)"
        :key="b.id"
        class="link mr-1 inline-block min-h-[24px] min-w-[28px] text-center"
        :to="`/batches/${b.id}`"
        :title="`${b.pattern}: ${quantity(b.issue, n.unit)}, due ${day(b.due)}`"
        >{{ b.number }}</RouterLink
      ><span v-if="n.batchCount > MOST_BATCHES" class="text-soft"
        >+&nbsp;{{ n.batchCount - MOST_BATCHES }}</span
      ></template
    >
    <template #empty>{{
      onlyShort
        ? "Nothing is short."
        : "No open batch needs anything. Batches make themselves from orders; what they need is summed here."
    }}</template>
  </DataTable>
  <p class="mt-2 text-[0.9rem] text-soft">
    Earlier batches take first. Open a batch to reserve its lots and print its pull sheet; when a delivery comes, take
    it in at its order.
    <button v-if="may('make up batches')" class="link" :disabled="busy" @click="anew">
      Reserve all planned batches anew, the earliest due first
    </button>
  </p>
  <RefusalNote :refusal="refusal" />
</template>
