<script setup lang="ts">
import { computed, ref } from "vue";
import { correctStock, type readStock } from "@kasten/contract/stock";
import type { ReplyOf } from "@kasten/contract/http";
import NumberWords from "../parts/NumberWords.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { dayYear, quantity } from "../parts/format";
import { useChange } from "../parts/useChange";
import { baseOf, writtenUnit } from "../parts/written";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";

/** The lots of a material where they lie; each can be counted, and put right with a reason. */
type Stock = ReplyOf<typeof readStock>;
const props = defineProps<{ stock: Stock; can: boolean }>();
const emit = defineEmits<{ corrected: [] }>();
const { busy, refusal, send } = useChange();
const counting = ref<string | null>(null);
const counted = ref<number | "">("");
const why = ref("");
type Lot = Stock["lotList"][number];
const keyOf = (lot: Lot): string => lot.id + lot.placeId;
function begin(lot: Lot): void {
  counting.value = keyOf(lot);
  counted.value = "";
  why.value = "";
}
async function correct(lot: Lot): Promise<void> {
  if (counted.value === "") return;
  const body = {
    lot: lot.id,
    place: lot.placeId,
    counted: baseOf(counted.value, props.stock.unit),
    note: why.value,
  };
  if (!(await send(correctStock, { params: { id: props.stock.code }, body }, "Put right"))) return;
  counting.value = null;
  emit("corrected");
}
const columns = computed<Column<Lot>[]>(() => {
  const all: Column<Lot>[] = [
    { id: "lot", head: "Lot", word: "lot", mono: true, value: (l) => l.code },
    { id: "dye", head: "Dye lot", value: (l) => l.dyeLot },
    { id: "class", head: "Class", value: (l) => `${l.side ?? ""} ${l.barb?.join("–") ?? ""}`.trim() },
    { id: "received", head: "Received", class: "whitespace-nowrap", value: (l) => l.receivedAt },
    { id: "where", head: "Where", value: (l) => l.place },
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
    { id: "count", head: "Count", quiet: true, act: true },
  ];
  return props.can ? all : all.filter((c) => c.id !== "count");
});
</script>

<template>
  <div>
    <RefusalNote :refusal="refusal" />
    <DataTable name="lots" label="Lots" :rows="stock.lotList" :columns="columns" :row-key="keyOf">
      <template #cell-lot="{ row: l }">{{ l.code }}<span v-if="l.remnant" class="tag ml-1">remnant</span></template>
      <template #cell-class="{ row: l }"
        >{{ l.side ?? "" }} <template v-if="l.barb">barbs {{ l.barb[0] }}–{{ l.barb[1] }} mm</template></template
      >
      <template #cell-received="{ row: l }">{{ dayYear(l.receivedAt) }}</template>
      <template #cell-there="{ row: l }"><NumberWords :words="quantity(l.quantity, stock.unit)" /></template>
      <template #cell-reserved="{ row: l }">{{ l.reserved ? quantity(l.reserved, stock.unit) : "" }}</template>
      <template #cell-count="{ row: l }"
        ><button v-if="counting !== keyOf(l)" class="btn btn-plain" @click="begin(l)">
          Count it<span class="sr-only">, lot {{ l.code }}</span>
        </button>
        <form v-else class="flex flex-wrap items-center gap-1" @submit.prevent="correct(l)">
          <input
            v-model.number="counted"
            class="field fig w-24"
            type="number"
            min="0"
            step="any"
            required
            :aria-label="`Counted, in ${writtenUnit[stock.unit]}`"
          /><input v-model="why" class="field w-36" required placeholder="why" aria-label="Why it differs" /><button
            class="btn"
            :disabled="busy"
          >
            Put right
          </button>
        </form></template
      >
      <template #empty>None is here. Receive a delivery below, or count in what lies in the drawer.</template>
    </DataTable>
  </div>
</template>
