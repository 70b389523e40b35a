<script setup lang="ts">
import { addSupplier, editSupplier, type Supplier } from "@kasten/contract/purchasing";
import EntryText from "../parts/EntryText.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";
import { useEntryForm } from "../parts/useEntryForm";

/** A supplier: a name, and how they are reached. */
const props = defineProps<{ supplier?: Supplier }>();
const emit = defineEmits<{ saved: [] }>();
const { refusal, send } = useChange();
const form = useEntryForm({
  endpoint: addSupplier,
  values: { name: props.supplier?.name ?? "", note: props.supplier?.note ?? "" },
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
    <button class="btn btn-main justify-self-start" :disabled="form.isBusy.value">Keep the supplier</button>
  </form>
</template>
