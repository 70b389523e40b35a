<script setup lang="ts">
import { computed } from "vue";
import type { StockUnit } from "@kasten/core/units";
import { listSuppliers } from "@kasten/contract/purchasing";
import { receiveStock, soldForms, type LotFacts } from "@kasten/contract/stock";
import { call, useRead } from "../http";
import EntryChoice from "../parts/EntryChoice.vue";
import EntryNumber from "../parts/EntryNumber.vue";
import EntryText from "../parts/EntryText.vue";
import FormWrong from "../parts/FormWrong.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { currencySign } from "../parts/format";
import FoldOut from "../parts/FoldOut.vue";
import EntryDay from "../parts/EntryDay.vue";
import { optionsOf, orNone, type Option } from "../parts/option";
import { useChange } from "../parts/useChange";
import { useEntryForm } from "../parts/useEntryForm";
import { baseOf, writtenUnit } from "../parts/written";

/** A delivery into the drawer of a material, as a new lot or more of one. */
const props = defineProps<{ code: string; form: string; unit: StockUnit }>();
const emit = defineEmits<{ received: [] }>();
const { refusal, send } = useChange();
const suppliers = useRead({ key: ["suppliers"], query: () => call(listSuppliers) });
const from = computed(() =>
  orNone(
    "its usual source",
    (suppliers.data.value?.suppliers ?? []).map((s): Option => ({ value: s.id, label: s.name })),
  ),
);
const PER_COIN = 100;
const entry = useEntryForm({
  endpoint: receiveStock,
  values: {
    quantity: undefined as number | undefined,
    lot: "",
    dyeLot: "",
    supplier: undefined as string | undefined,
    price: undefined as number | undefined,
    side: undefined as "left" | "right" | undefined,
    barbFrom: undefined as number | undefined,
    barbTo: undefined as number | undefined,
    note: "",
    grade: "",
    soldAs: "" as SoldAs,
    origin: "",
    papers: "",
    expiresOn: undefined as string | undefined,
    apartUntil: undefined as string | undefined,
  },
  body: ({ quantity, price, side, barbFrom, barbTo, expiresOn, apartUntil, ...v }) => ({
    ...v,
    quantity: quantity === undefined ? undefined : baseOf(quantity, props.unit),
    expiresOn: expiresOn ?? null,
    apartUntil: apartUntil ?? null,
    side: side ?? null,
    barb: barbFrom === undefined && barbTo === undefined ? null : [barbFrom, barbTo],
    priceCents: price === undefined ? null : Math.round(price * PER_COIN),
  }),
  fields: { "barb.0": "barbFrom", "barb.1": "barbTo", barb: "barbTo", priceCents: "price" },
  send: async (body) => {
    if (await send(receiveStock, { params: { id: props.code }, body }, "Received")) {
      entry.restart();
      emit("received");
    }
    return refusal.value;
  },
});
type SoldAs = LotFacts["soldAs"];
const forms = orNone("not said", optionsOf(soldForms)).map((o) => ({ ...o, value: o.value ?? ("" as const) }));
const sides = orNone("both or none", [
  { value: "left" as const, label: "left" },
  { value: "right" as const, label: "right" },
]);
</script>

<template>
  <form class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4" @submit.prevent="entry.submit">
    <RefusalNote class="col-span-full" :refusal="refusal" />
    <FormWrong class="col-span-full" :form="entry" />
    <EntryNumber :form="entry" name="quantity" :label="`How much, in ${writtenUnit[unit]}`" :min="0" />
    <EntryText :form="entry" name="lot" label="Lot" mono />
    <EntryText :form="entry" name="dyeLot" label="Dye lot, if any" mono />
    <EntryChoice :form="entry" name="supplier" label="From" :options="from" />
    <EntryNumber
      :form="entry"
      name="price"
      label="Price of it all, if known"
      :unit="currencySign()"
      :min="0"
      :step="0.01"
    />
    <EntryChoice v-if="form === 'quill'" :form="entry" name="side" label="Side" :options="sides" />
    <template v-if="form === 'hackle'">
      <EntryNumber :form="entry" name="barbFrom" label="Barbs from, mm" :min="0" :step="0.1" />
      <EntryNumber :form="entry" name="barbTo" label="to, mm" :min="0" :step="0.1" />
    </template>
    <EntryText :form="entry" name="note" label="Note" />
    <FoldOut class="col-span-full" title="Grade, papers, days"
      ><div class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4">
        <EntryChoice :form="entry" name="soldAs" label="Sold as" :options="forms" />
        <EntryText :form="entry" name="grade" label="Grade" />
        <EntryText :form="entry" name="origin" label="Where it comes from" />
        <EntryText :form="entry" name="papers" label="Papers" />
        <EntryDay :form="entry" name="expiresOn" label="Good until" />
        <EntryDay
          :form="entry"
          name="apartUntil"
          label="Kept apart until"
          hint="New skins: moth and mite show themselves in some weeks."
        /></div
    ></FoldOut>
    <div class="col-span-full">
      <button class="btn btn-main max-sm:min-h-[44px]" :disabled="entry.isBusy.value">Receive</button>
    </div>
  </form>
</template>
