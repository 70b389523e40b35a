<script setup lang="ts">
import { computed } from "vue";
import type { StockUnit } from "@kasten/core/units";
import { listSuppliers, setSources } from "@kasten/contract/purchasing";
import type { StockDetail } from "@kasten/contract/stock";
import { call, useRead } from "../http";
import EntryChoice from "../parts/EntryChoice.vue";
import EntryNumber from "../parts/EntryNumber.vue";
import EntryRows from "../parts/EntryRows.vue";
import EntryText from "../parts/EntryText.vue";
import FormWrong from "../parts/FormWrong.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { currencySign } from "../parts/format";
import type { Option } from "../parts/option";
import { useChange } from "../parts/useChange";
import { useEntryForm } from "../parts/useEntryForm";
import { baseOf, writtenOf, writtenUnit } from "../parts/written";

/** Where a material is bought: the quickest comes first when something is short. */
const props = defineProps<{ code: string; unit: StockUnit; sources: StockDetail["sources"] }>();
const emit = defineEmits<{ kept: [] }>();
const { refusal, send } = useChange();
const suppliers = useRead({ key: ["suppliers"], query: () => call(listSuppliers) });
const options = computed(() =>
  (suppliers.data.value?.suppliers ?? []).map((s): Option => ({ value: s.id, label: s.name })),
);
const PER_COIN = 100;
interface Row {
  supplier: string;
  pack: number | undefined;
  price: number | undefined;
  leadDays: number | undefined;
  usable: number | undefined;
  grade: string;
  breakFrom: number | undefined;
  breakPrice: number | undefined;
}
/** What of a source is not in sight here stays as it is. */
const kept = (i: number, supplier: string) => {
  const was = props.sources[i];
  return was?.supplierId === supplier ? { season: was.season, note: was.note } : {};
};
/** The first break is in sight; others stay. */
function breaksOf({ breakFrom, breakPrice, supplier }: Row, i: number): { fromPacks: number; cents: number }[] {
  const was = props.sources[i];
  const others = was?.supplierId === supplier ? was.breaks.slice(1) : [];
  return breakFrom === undefined || breakPrice === undefined
    ? []
    : [{ fromPacks: breakFrom, cents: Math.round(breakPrice * PER_COIN) }, ...others];
}
const entry = useEntryForm({
  endpoint: setSources,
  values: {
    sources: props.sources.map((s): Row => ({
      supplier: s.supplierId,
      pack: writtenOf(s.pack, props.unit),
      price: s.priceCents / PER_COIN,
      leadDays: s.leadDays,
      usable: s.usable,
      grade: s.grade,
      breakFrom: s.breaks[0]?.fromPacks,
      breakPrice: s.breaks[0] ? s.breaks[0].cents / PER_COIN : undefined,
    })),
  },
  body: ({ sources }) => ({
    sources: sources.map((s, i) => ({
      ...kept(i, s.supplier),
      supplier: s.supplier,
      pack: s.pack === undefined ? undefined : baseOf(s.pack, props.unit),
      priceCents: s.price === undefined ? undefined : Math.round(s.price * PER_COIN),
      leadDays: s.leadDays,
      usable: s.usable,
      grade: s.grade,
      breaks: breaksOf(s, i),
    })),
  }),
  fields: Object.fromEntries(
    Array.from({ length: 20 }, (_, i) => [
      [`sources.${i}.priceCents`, `sources[${i}].price`],
      [`sources.${i}.breaks.0.fromPacks`, `sources[${i}].breakFrom`],
      [`sources.${i}.breaks.0.cents`, `sources[${i}].breakPrice`],
    ]).flat(),
  ),
  send: async (body) => {
    if (await send(setSources, { params: { id: props.code }, body }, "Kept")) emit("kept");
    return refusal.value;
  },
});
</script>

<template>
  <form class="grid gap-2" @submit.prevent="entry.submit">
    <RefusalNote :refusal="refusal" />
    <FormWrong :form="entry" />
    <p v-if="options.length === 0" class="text-soft">
      No supplier is known yet. <RouterLink class="link" to="/room?side=suppliers">Add one</RouterLink>, then say here
      what they sell.
    </p>
    <EntryRows
      :form="entry"
      name="sources"
      add="A source"
      one="source"
      :fresh="{
        supplier: options[0]?.value ?? '',
        pack: 1,
        price: undefined,
        leadDays: 7,
        usable: 100,
        grade: '',
        breakFrom: undefined,
        breakPrice: undefined,
      }"
      :disabled="options.length === 0"
      ><template #default="{ at }">
        <EntryChoice class="w-52" :form="entry" :name="`${at}.supplier`" label="Supplier" :options="options" />
        <EntryNumber class="w-36" :form="entry" :name="`${at}.pack`" :label="`A pack, ${writtenUnit[unit]}`" :min="0" />
        <EntryNumber
          class="w-32"
          :form="entry"
          :name="`${at}.price`"
          label="Price of it"
          :unit="currencySign()"
          :min="0"
          :step="0.01"
        />
        <EntryNumber
          class="w-28"
          :form="entry"
          :name="`${at}.leadDays`"
          label="Here in"
          unit="days"
          :min="0"
          :step="1"
        />
        <EntryNumber class="w-28" :form="entry" :name="`${at}.breakFrom`" label="From packs" :min="2" :step="1" />
        <EntryNumber
          class="w-32"
          :form="entry"
          :name="`${at}.breakPrice`"
          label="a pack costs"
          :unit="currencySign()"
          :min="0"
          :step="0.01"
        />
        <EntryNumber
          class="w-28"
          :form="entry"
          :name="`${at}.usable`"
          label="Usable of it"
          unit="%"
          :min="1"
          :step="1"
        />
        <EntryText class="w-20" :form="entry" :name="`${at}.grade`" label="Grade" />
      </template>
      <template #beside
        ><button class="btn btn-main" :disabled="entry.isBusy.value">Keep the sources</button></template
      ></EntryRows
    >
  </form>
</template>
