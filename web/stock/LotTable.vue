<script setup lang="ts">
import { ref } from "vue";
import { correctStock, type readStock } from "@kasten/contract/stock";
import type { ReplyOf } from "@kasten/contract/http";
import NumberWords from "../parts/NumberWords.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { dayYear, quantity } from "../parts/format";
import { useChange } from "../parts/useChange";
import { baseOf, writtenUnit } from "../parts/written";

/** The lots of a material where they lie; each can be counted, and put right with a reason. */
type Stock = ReplyOf<typeof readStock>;
const props = defineProps<{ stock: Stock; can: boolean }>();
const emit = defineEmits<{ corrected: [] }>();
const { busy, refusal, send } = useChange();
const counting = ref<string | null>(null);
const counted = ref<number | "">("");
const why = ref("");
const keyOf = (lot: Stock["lotList"][number]): string => lot.id + lot.placeId;
function begin(lot: Stock["lotList"][number]): void {
  counting.value = keyOf(lot);
  counted.value = "";
  why.value = "";
}
async function correct(lot: Stock["lotList"][number]): Promise<void> {
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
</script>

<template>
  <div>
    <RefusalNote :refusal="refusal" />
    <div class="sheet overflow-x-auto">
      <table>
        <thead>
          <tr>
            <th scope="col">Lot</th>
            <th scope="col">Dye lot</th>
            <th scope="col">Class</th>
            <th scope="col">Received</th>
            <th scope="col">Where</th>
            <th scope="col" class="text-right">There</th>
            <th scope="col" class="text-right">Reserved</th>
            <th v-if="can" scope="col"><span class="sr-only">Count</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in stock.lotList" :key="keyOf(l)">
            <td class="fig">{{ l.code }}<span v-if="l.remnant" class="tag ml-1">remnant</span></td>
            <td>{{ l.dyeLot }}</td>
            <td>
              {{ l.side ?? "" }} <template v-if="l.barb">barbs {{ l.barb[0] }}–{{ l.barb[1] }} mm</template>
            </td>
            <td>{{ dayYear(l.receivedAt) }}</td>
            <td>{{ l.place }}</td>
            <td class="fig text-right text-lg"><NumberWords :words="quantity(l.quantity, stock.unit)" /></td>
            <td class="fig text-right">{{ l.reserved ? quantity(l.reserved, stock.unit) : "" }}</td>
            <td v-if="can" class="whitespace-nowrap">
              <button v-if="counting !== keyOf(l)" class="btn btn-plain" @click="begin(l)">
                Count it<span class="sr-only">, lot {{ l.code }}</span>
              </button>
              <form v-else class="flex items-center gap-1" @submit.prevent="correct(l)">
                <input
                  v-model.number="counted"
                  class="field fig w-24"
                  type="number"
                  min="0"
                  step="any"
                  required
                  :aria-label="`Counted, in ${writtenUnit[stock.unit]}`"
                /><input
                  v-model="why"
                  class="field w-36"
                  required
                  placeholder="why"
                  aria-label="Why it differs"
                /><button class="btn" :disabled="busy">Put right</button>
              </form>
            </td>
          </tr>
          <tr v-if="stock.lotList.length === 0">
            <td colspan="8" class="text-soft">None is here.</td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>
