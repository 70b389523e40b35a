<script setup lang="ts">
import { addSupplier, editSupplier, type Supplier } from "@kasten/contract/purchasing";
import EntryNumber from "../parts/EntryNumber.vue";
import EntryTick from "../parts/EntryTick.vue";
import EntryText from "../parts/EntryText.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { currencySign } from "../parts/format";
import { useChange } from "../parts/useChange";
import { useEntryForm } from "../parts/useEntryForm";

/** A supplier: a name, how they are reached, and what an order has to come to. */
const props = defineProps<{ supplier?: Supplier }>();
const emit = defineEmits<{ saved: [] }>();
const { refusal, send } = useChange();
const PER_COIN = 100;
const coins = (money: number): number => Math.round(money * PER_COIN);
const form = useEntryForm({
  endpoint: addSupplier,
  values: {
    name: props.supplier?.name ?? "",
    note: props.supplier?.note ?? "",
    minimum: (props.supplier?.minimumCents ?? 0) / PER_COIN,
    freight: (props.supplier?.freightCents ?? 0) / PER_COIN,
    freeFrom: props.supplier?.freeFromCents == null ? undefined : props.supplier.freeFromCents / PER_COIN,
    byLetter: props.supplier?.byLetter ?? false,
  },
  body: ({ minimum, freight, freeFrom, ...v }) => ({
    ...v,
    minimumCents: coins(minimum),
    freightCents: coins(freight),
    freeFromCents: freeFrom === undefined ? null : coins(freeFrom),
  }),
  fields: { minimumCents: "minimum", freightCents: "freight", freeFromCents: "freeFrom" },
  send: async (body) => {
    const { supplier } = props;
    const saved = supplier
      ? await send(editSupplier, { params: { id: supplier.id }, body: { ...body, version: supplier.version } }, "Kept")
      : await send(addSupplier, { body }, "Added");
    if (saved) emit("saved");
    return refusal.value;
  },
});
</script>

<template>
  <form class="grid gap-3" @submit.prevent="form.submit">
    <RefusalNote :refusal="refusal" />
    <EntryText :form="form" name="name" label="Name" />
    <EntryText
      :form="form"
      name="note"
      label="Note"
      :rows="3"
      hint="How they are reached, what they want, by letter only, outside the trade."
    />
    <div class="grid items-start gap-3 sm:grid-cols-3">
      <EntryNumber :form="form" name="minimum" label="Least order" :unit="currencySign()" :min="0" :step="0.01" />
      <EntryNumber :form="form" name="freight" label="Sending costs" :unit="currencySign()" :min="0" :step="0.01" />
      <EntryNumber :form="form" name="freeFrom" label="Nothing from" :unit="currencySign()" :min="0" :step="0.01" />
    </div>
    <EntryTick :form="form" name="byLetter">takes letters only: orders are printed and posted</EntryTick>
    <button class="btn btn-main justify-self-start" :disabled="form.isBusy.value">Keep the supplier</button>
  </form>
</template>
