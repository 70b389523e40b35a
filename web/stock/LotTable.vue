<script setup lang="ts">
import { computed } from "vue";
import type { readStock } from "@kasten/contract/stock";
import type { ReplyOf } from "@kasten/contract/http";
import NumberWords from "../parts/NumberWords.vue";
import { day, dayYear, quantity } from "../parts/format";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";
import { standingOf } from "./standing";

/** The lots of a material where they lie; a lot's own page counts, moves, sorts and describes it. */
type Stock = ReplyOf<typeof readStock>;
const props = defineProps<{ stock: Stock; today: string }>();
type Lot = Stock["lotList"][number];
const keyOf = (lot: Lot): string => lot.id + lot.placeId;
const classOf = (l: Lot): string => `${l.side ?? ""} ${l.barb ? `${l.barb.join("–")} mm` : ""}`.trim();
const columns = computed<Column<Lot>[]>(() => [
  { id: "lot", head: "Lot", word: "lot", lead: true, mono: true, value: (l) => l.code },
  { id: "sold", head: "Sold as", value: (l) => l.soldAs },
  { id: "dye", head: "Dye lot", mono: true, value: (l) => l.dyeLot },
  { id: "class", head: "Class", class: "whitespace-nowrap", value: classOf },
  { id: "received", head: "Received", class: "whitespace-nowrap", value: (l) => l.receivedAt },
  { id: "where", head: "Where", value: (l) => l.place },
  { id: "state", head: "State", value: (l) => standingOf(l, props.today)?.label ?? "" },
  {
    id: "there",
    head: "There",
    end: true,
    mono: true,
    class: "text-lg whitespace-nowrap",
    value: (l) => l.quantity,
    copied: (l) => quantity(l.quantity, props.stock.unit),
  },
  {
    id: "reserved",
    head: "Reserved",
    end: true,
    mono: true,
    value: (l) => l.reserved || undefined,
    copied: (l) => quantity(l.reserved, props.stock.unit),
  },
]);
</script>

<template>
  <DataTable name="lots" label="Lots" :rows="stock.lotList" :columns="columns" :row-key="keyOf">
    <template #cell-lot="{ row: l }"
      ><RouterLink class="link" :to="`/lots/${l.id}`">{{ l.code }}</RouterLink
      ><span v-if="l.remnant" class="tag ml-1">remnant</span></template
    >
    <template #cell-class="{ row: l }"
      >{{ l.side ?? "" }} <template v-if="l.barb">barbs {{ l.barb[0] }}–{{ l.barb[1] }} mm</template></template
    >
    <template #cell-received="{ row: l }">{{ dayYear(l.receivedAt) }}</template>
    <template #cell-state="{ row: l }"
      ><span
        v-if="standingOf(l, today)"
        class="tag"
        :class="{ 'tag-call': standingOf(l, today)?.call }"
        :title="l.openedOn ? `opened ${day(l.openedOn)}` : undefined"
        >{{ standingOf(l, today)?.label }}</span
      ></template
    >
    <template #cell-there="{ row: l }"><NumberWords :words="quantity(l.quantity, stock.unit)" /></template>
    <template #cell-reserved="{ row: l }">{{ l.reserved ? quantity(l.reserved, stock.unit) : "" }}</template>
    <template #empty>None is here. Receive a delivery below, or count in what lies in the drawer.</template>
  </DataTable>
</template>
