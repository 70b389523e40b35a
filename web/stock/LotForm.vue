<script setup lang="ts">
import { computed } from "vue";
import { listSuppliers } from "@kasten/contract/purchasing";
import { describeLot, soldForms, type LotPage } from "@kasten/contract/stock";
import { call, useRead } from "../http";
import EntryChoice from "../parts/EntryChoice.vue";
import EntryDay from "../parts/EntryDay.vue";
import EntryNumber from "../parts/EntryNumber.vue";
import EntryText from "../parts/EntryText.vue";
import FormWrong from "../parts/FormWrong.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { currencySign } from "../parts/format";
import { optionsOf, orNone, type Option } from "../parts/option";
import { useChange } from "../parts/useChange";
import { useEntryForm } from "../parts/useEntryForm";
import { baseOf, writtenOf, writtenUnit } from "../parts/written";
import TraitFields from "./TraitFields.vue";
import { keptTraits, writtenTraits } from "./traits";

/** What a person knows of a lot. A price is for so much of it; unknown is not nought. */
const props = defineProps<{ lot: LotPage }>();
const emit = defineEmits<{ done: [] }>();
const { refusal, send } = useChange();
const unit = props.lot.material.unit;
const PER_COIN = 100;
const suppliers = useRead({ key: ["suppliers"], query: () => call(listSuppliers) });
const from = computed(() =>
  orNone(
    "nobody known",
    (suppliers.data.value?.suppliers ?? []).map((s): Option => ({ value: s.id, label: s.name })),
  ),
);
const { lot } = props;
const entry = useEntryForm({
  endpoint: describeLot,
  values: {
    soldAs: lot.soldAs,
    supplierId: lot.supplierId ?? undefined,
    dyeLot: lot.dyeLot,
    grade: lot.grade,
    price: lot.priceCents === null ? undefined : lot.priceCents / PER_COIN,
    priceFor: lot.priceFor === null ? undefined : writtenOf(lot.priceFor, unit),
    openedOn: lot.openedOn ?? undefined,
    expiresOn: lot.expiresOn ?? undefined,
    apartUntil: lot.apartUntil ?? undefined,
    origin: lot.origin,
    papers: lot.papers,
    note: lot.note,
    traits: writtenTraits(lot.traits),
  },
  body: ({ price, priceFor, supplierId, openedOn, expiresOn, apartUntil, traits, ...v }) => ({
    ...v,
    traits: keptTraits(traits),
    supplierId: supplierId ?? null,
    openedOn: openedOn ?? null,
    expiresOn: expiresOn ?? null,
    apartUntil: apartUntil ?? null,
    priceCents: price === undefined ? null : Math.round(price * PER_COIN),
    priceFor: priceFor === undefined ? null : baseOf(priceFor, unit),
    version: lot.version,
  }),
  fields: { priceCents: "price" },
  send: async (body) => {
    if (await send(describeLot, { params: { id: lot.id }, body }, "Kept")) emit("done");
    return refusal.value;
  },
});
const forms = orNone("not said", optionsOf(soldForms)).map((o) => ({ ...o, value: o.value ?? ("" as const) }));
</script>

<template>
  <form class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4" @submit.prevent="entry.submit">
    <RefusalNote class="col-span-full" :refusal="refusal" />
    <FormWrong class="col-span-full" :form="entry" />
    <EntryChoice :form="entry" name="soldAs" label="Sold as" :options="forms" />
    <EntryChoice :form="entry" name="supplierId" label="From" :options="from" />
    <EntryText :form="entry" name="dyeLot" label="Dye lot" mono />
    <EntryText :form="entry" name="grade" label="Grade" />
    <EntryNumber :form="entry" name="price" label="Price" :unit="currencySign()" :min="0" :step="0.01" />
    <EntryNumber :form="entry" name="priceFor" :label="`for so much, in ${writtenUnit[unit]}`" :min="0" />
    <EntryDay :form="entry" name="openedOn" label="Opened on" />
    <EntryDay :form="entry" name="expiresOn" label="Good until" />
    <EntryDay :form="entry" name="apartUntil" label="Kept apart until" />
    <EntryText :form="entry" name="origin" label="Where it comes from" />
    <EntryText :form="entry" name="papers" label="Papers" hint="Permit or certificate, where its species needs one." />
    <EntryText :form="entry" name="note" label="Note" />
    <h3 class="col-span-full mt-1">Seen or measured on this lot</h3>
    <TraitFields :form="entry" :of="lot.material.form" />
    <div class="col-span-full"><button class="btn btn-main" :disabled="entry.isBusy.value">Keep it</button></div>
  </form>
</template>
