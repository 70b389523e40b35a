<script setup lang="ts">
import { useQueryCache } from "@pinia/colada";
import { addCustomer, editCustomer, type Customer } from "@kasten/contract/customers";
import EntryChoice from "../parts/EntryChoice.vue";
import EntryNumber from "../parts/EntryNumber.vue";
import EntryText from "../parts/EntryText.vue";
import EntryTick from "../parts/EntryTick.vue";
import FormWrong from "../parts/FormWrong.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { wordsByComma } from "../parts/fields";
import { useChange } from "../parts/useChange";
import { useEntryForm } from "../parts/useEntryForm";

/** A customer: what they are, whose choice materials are, and what is forbidden where the flies go. */
const props = defineProps<{ customer?: Customer; name?: string }>();
const emit = defineEmits<{ saved: [customer: Customer] }>();
const cache = useQueryCache();
const { refusal, send } = useChange();
const c = props.customer;
const USUAL_RANK = 3;
const form = useEntryForm({
  endpoint: addCustomer,
  values: {
    name: c?.name ?? props.name ?? "",
    kind: c?.kind ?? "",
    rank: (c?.rank ?? USUAL_RANK) as number | undefined,
    policy: c?.policy ?? "alternates",
    discount: (c?.discount ?? 0) as number | undefined,
    noLead: c?.destination.noLead ?? false,
    barblessOnly: c?.destination.barblessOnly ?? false,
    species: (c?.destination.forbiddenSpecies ?? []).join(", "),
    note: c?.note ?? "",
  },
  body: ({ noLead, barblessOnly, species, ...v }) => ({
    ...v,
    destination: { noLead, barblessOnly, forbiddenSpecies: wordsByComma(species) ?? [] },
  }),
  fields: { "destination.forbiddenSpecies": "species" },
  send: async (body) => {
    const saved = c
      ? await send(editCustomer, { params: { id: c.id }, body: { ...body, version: c.version } }, "Kept")
      : await send(addCustomer, { body }, `${body.name} is a customer now`);
    if (saved) {
      await cache.invalidateQueries({ key: ["catalogue"] });
      emit("saved", saved);
    }
    return refusal.value;
  },
});
const policies = [
  { value: "original" as const, label: "original only", note: "no substitute, ever" },
  { value: "alternates" as const, label: "alternates accepted", note: "those that the pattern names" },
  { value: "tier" as const, label: "tier decides" },
];
</script>

<template>
  <form class="grid gap-3 sm:grid-cols-2" @submit.prevent="form.submit">
    <RefusalNote class="col-span-full" :refusal="refusal" />
    <FormWrong class="col-span-full" :form="form" />
    <EntryText :form="form" name="name" label="Name" />
    <EntryText :form="form" name="kind" label="What they are" placeholder="lodge, shop, club, guide" />
    <EntryChoice :form="form" name="policy" label="Materials" :options="policies" />
    <EntryNumber
      :form="form"
      name="rank"
      label="Rank"
      :min="1"
      :max="9"
      :step="1"
      hint="1 comes first where not all can be on time."
    />
    <EntryNumber
      :form="form"
      name="discount"
      label="Their per cent"
      unit="%"
      :min="0"
      :max="60"
      :step="1"
      hint="Comes off every price, after what comes off for many dozen."
    />
    <fieldset class="col-span-full border border-rule p-3">
      <legend class="px-1 font-semibold">Where the flies go</legend>
      <div class="flex flex-wrap gap-x-6">
        <EntryTick :form="form" name="noLead">no lead there</EntryTick>
        <EntryTick :form="form" name="barblessOnly">barbless only</EntryTick>
      </div>
      <EntryText
        :form="form"
        name="species"
        label="Species that are forbidden there, by comma"
        hint="Checked when an order is typed, against what the materials say. Local law decides, not this program."
      />
    </fieldset>
    <EntryText class="col-span-full" :form="form" name="note" label="Note" :rows="2" hint="Shown at the box." />
    <div class="col-span-full">
      <button class="btn btn-main" :disabled="form.isBusy.value">Keep the customer</button>
    </div>
  </form>
</template>
