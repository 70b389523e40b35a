<script setup lang="ts">
import { salvage } from "@kasten/contract/stock";
import EntryNumber from "../parts/EntryNumber.vue";
import EntryText from "../parts/EntryText.vue";
import FormWrong from "../parts/FormWrong.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";
import { useEntryForm } from "../parts/useEntryForm";

/** Hooks or beads that a blade has freed of a spoilt dressing: a lot of used ones, taken when the new ones are gone. */
const props = defineProps<{ code: string }>();
const emit = defineEmits<{ done: [] }>();
const { refusal, send } = useChange();
const entry = useEntryForm({
  endpoint: salvage,
  values: { quantity: undefined as number | undefined, note: "" },
  send: async (body) => {
    if (await send(salvage, { params: { id: props.code }, body }, "Back in the drawer, as used")) {
      entry.restart();
      emit("done");
    }
    return refusal.value;
  },
});
</script>

<template>
  <form class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4" @submit.prevent="entry.submit">
    <p class="col-span-full text-soft">Glasses on: cut away from the hand, and never with the point behind it.</p>
    <RefusalNote class="col-span-full" :refusal="refusal" />
    <FormWrong class="col-span-full" :form="entry" />
    <EntryNumber :form="entry" name="quantity" label="Stripped, in pieces" :min="1" :step="1" />
    <EntryText class="sm:col-span-2" :form="entry" name="note" label="Of what" placeholder="a crooked dozen" />
    <div class="col-span-full">
      <button class="btn btn-main max-sm:min-h-[44px]" :disabled="entry.isBusy.value">Into the drawer as used</button>
    </div>
  </form>
</template>
