<script setup lang="ts">
import { reactive } from "vue";
import type { StockUnit } from "@kasten/core/units";
import { receiveStock } from "@kasten/contract/stock";
import type { BodyOf } from "@kasten/contract/http";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";
import { baseOf, writtenUnit } from "../parts/written";

/** A delivery into the drawer of a material, as a new lot or more of one. */
const props = defineProps<{ code: string; form: string; unit: StockUnit }>();
const emit = defineEmits<{ received: [] }>();
const { busy, refusal, send } = useChange();
const empty = () => ({
  quantity: undefined as number | undefined,
  lot: "",
  dyeLot: "",
  side: "" as "" | "left" | "right",
  barbFrom: undefined as number | undefined,
  barbTo: undefined as number | undefined,
  note: "",
});
const delivery = reactive(empty());

async function receive(): Promise<void> {
  if (!delivery.quantity) return;
  const { lot, dyeLot, side, barbFrom, barbTo, note } = delivery;
  const body: BodyOf<typeof receiveStock> = {
    quantity: baseOf(delivery.quantity, props.unit),
    lot,
    dyeLot,
    grade: "",
    side: side || null,
    barb: barbFrom && barbTo ? [barbFrom, barbTo] : null,
    priceCents: 0,
    note,
  };
  if (!(await send(receiveStock, { params: { id: props.code }, body }, "Received"))) return;
  Object.assign(delivery, empty());
  emit("received");
}
</script>

<template>
  <form class="sheet flex flex-wrap items-end gap-3 p-3" @submit.prevent="receive">
    <h2 class="w-full">Receive a delivery</h2>
    <RefusalNote class="w-full" :refusal="refusal" />
    <label
      ><span class="label">How much, in {{ writtenUnit[unit] }}</span
      ><input v-model.number="delivery.quantity" class="field fig w-28" type="number" min="0" step="any" required
    /></label>
    <label><span class="label">Lot</span><input v-model="delivery.lot" class="field w-36" required /></label>
    <label><span class="label">Dye lot, if any</span><input v-model="delivery.dyeLot" class="field w-28" /></label>
    <label v-if="form === 'quill'"
      ><span class="label">Side</span
      ><select v-model="delivery.side" class="field">
        <option value="">both or none</option>
        <option>left</option>
        <option>right</option>
      </select></label
    >
    <template v-if="form === 'hackle'">
      <label
        ><span class="label">Barbs from, mm</span
        ><input v-model.number="delivery.barbFrom" class="field fig w-24" type="number" min="0" step="0.1"
      /></label>
      <label
        ><span class="label">to, mm</span
        ><input v-model.number="delivery.barbTo" class="field fig w-24" type="number" min="0" step="0.1"
      /></label>
    </template>
    <label><span class="label">Note</span><input v-model="delivery.note" class="field w-44" /></label>
    <button class="btn btn-main" :disabled="busy">Receive</button>
  </form>
</template>
