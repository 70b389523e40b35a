<script setup lang="ts">
import type { StockUnit } from "@kasten/core/units";
import { countIn } from "@kasten/contract/stock";
import EntryNumber from "../parts/EntryNumber.vue";
import EntryText from "../parts/EntryText.vue";
import FormWrong from "../parts/FormWrong.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";
import { useEntryForm } from "../parts/useEntryForm";
import { baseOf, writtenUnit } from "../parts/written";

/** What lies there already and was never received: an opening balance, a gift, leftovers of another craft. */
const props = defineProps<{ code: string; unit: StockUnit; drawer: string }>();
const emit = defineEmits<{ counted: [] }>();
const { refusal, send } = useChange();
const entry = useEntryForm({
  endpoint: countIn,
  values: { quantity: undefined as number | undefined, lot: "", dyeLot: "", drawer: "", note: "" },
  body: ({ quantity, drawer, ...v }) => ({
    ...v,
    quantity: quantity === undefined ? undefined : baseOf(quantity, props.unit),
    ...(drawer.trim() && { drawer: drawer.trim() }),
  }),
  send: async (body) => {
    if (await send(countIn, { params: { id: props.code }, body }, "Counted in")) {
      entry.restart();
      emit("counted");
    }
    return refusal.value;
  },
});
</script>

<template>
  <form class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4" @submit.prevent="entry.submit">
    <RefusalNote class="col-span-full" :refusal="refusal" />
    <FormWrong class="col-span-full" :form="entry" />
    <EntryNumber :form="entry" name="quantity" :label="`Counted, in ${writtenUnit[unit]}`" :min="0" />
    <EntryText :form="entry" name="lot" label="Lot" mono hint="By itself it gets a number." />
    <EntryText :form="entry" name="dyeLot" label="Dye lot, if any" mono />
    <EntryText :form="entry" name="drawer" label="Drawer" mono :placeholder="drawer" />
    <EntryText
      class="sm:col-span-2"
      :form="entry"
      name="note"
      label="Where it came from"
      placeholder="opening balance"
    />
    <div class="col-span-full">
      <button class="btn btn-main max-sm:min-h-[44px]" :disabled="entry.isBusy.value">Count in</button>
    </div>
  </form>
</template>
