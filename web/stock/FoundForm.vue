<script setup lang="ts">
import { computed } from "vue";
import { materialForms, newMaterial, type MaterialForm } from "@kasten/core/materials";
import { keepFound } from "@kasten/contract/stock";
import { useRouter } from "vue-router";
import EntryChoice from "../parts/EntryChoice.vue";
import EntryNumber from "../parts/EntryNumber.vue";
import EntryText from "../parts/EntryText.vue";
import FormWrong from "../parts/FormWrong.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { optionsOf } from "../parts/option";
import { useChange } from "../parts/useChange";
import { useEntryForm } from "../parts/useEntryForm";
import { baseOf, writtenUnit } from "../parts/written";

/** Something in the hand that nobody can name: kept as it looks, named later. */
const emit = defineEmits<{ leave: [] }>();
const { refusal, send } = useChange();
const router = useRouter();
type Found = Exclude<MaterialForm, "hook" | "blend">;
const forms = materialForms.filter((f): f is Found => f !== "hook" && f !== "blend");
const entry = useEntryForm({
  endpoint: keepFound,
  values: {
    looks: "",
    form: "feather fibre" as Found,
    quantity: undefined as number | undefined,
    drawer: "",
    origin: "",
    note: "",
  },
  body: ({ quantity, drawer, ...v }) => ({
    ...v,
    quantity: quantity === undefined ? undefined : baseOf(quantity, newMaterial("", "", v.form).unit),
    ...(drawer.trim() && { drawer: drawer.trim() }),
  }),
  send: async (body) => {
    const kept = await send(keepFound, { body }, "Kept: take a picture of it");
    if (kept) await router.push(`/lots/${kept.lot}`);
    return refusal.value;
  },
});
const unit = computed(() => newMaterial("", "", entry.values.value.form).unit);
</script>

<template>
  <form class="sheet mb-4 grid items-start gap-3 p-3 sm:grid-cols-2 lg:grid-cols-3" @submit.prevent="entry.submit">
    <p class="col-span-full text-soft">
      Describe what you see. It is counted and found like anything else, but no fly is promised of it before somebody
      says what it is; then its lots join that material, with their history.
    </p>
    <RefusalNote class="col-span-full" :refusal="refusal" />
    <FormWrong class="col-span-full" :form="entry" />
    <EntryText :form="entry" name="looks" label="What it looks like" placeholder="stiff barred tail feathers" />
    <EntryChoice :form="entry" name="form" label="Most like" :options="optionsOf(forms)" />
    <EntryNumber :form="entry" name="quantity" :label="`How much, in ${writtenUnit[unit]}`" :min="0" />
    <EntryText :form="entry" name="drawer" label="Drawer" mono />
    <EntryText :form="entry" name="origin" label="Where it came from" />
    <EntryText :form="entry" name="note" label="Note" />
    <div class="col-span-full flex gap-2">
      <button class="btn btn-main" :disabled="entry.isBusy.value">Keep it</button>
      <button type="button" class="btn" @click="emit('leave')">Leave it</button>
    </div>
  </form>
</template>
