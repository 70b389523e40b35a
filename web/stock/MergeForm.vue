<script setup lang="ts">
import { computed, ref } from "vue";
import { mergeLot, readStock, type LotPage } from "@kasten/contract/stock";
import { call, useRead } from "../http";
import ListBox from "../parts/ListBox.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import TextField from "../parts/TextField.vue";
import TickBox from "../parts/TickBox.vue";
import { quantity } from "../parts/format";
import type { Option } from "../parts/option";
import { useChange } from "../parts/useChange";

/** Two lots that turn out to be one: what is free of this one joins the other; both keep their history. */
const props = defineProps<{ lot: LotPage }>();
const emit = defineEmits<{ done: [] }>();
const { busy, refusal, send } = useChange();
const stock = useRead({
  key: () => ["material", props.lot.material.code],
  query: () => call(readStock, { params: { id: props.lot.material.code } }),
});
const others = computed((): Option[] => {
  const lots = (stock.data.value?.lotList ?? []).filter((l) => l.id !== props.lot.id);
  return [...new Map(lots.map((l) => [l.id, l])).values()].map((l) => ({
    value: l.id,
    label: l.code,
    note: [quantity(l.quantity, props.lot.material.unit), l.dyeLot && `dye lot ${l.dyeLot}`].filter(Boolean).join(", "),
  }));
});
const into = ref<string | undefined>();
const mix = ref<boolean | undefined>();
const note = ref<string | undefined>();
async function merge(): Promise<void> {
  if (!into.value) return;
  const body = { into: into.value, mixDyeLots: mix.value ?? false, note: note.value ?? "" };
  if (await send(mergeLot, { params: { id: props.lot.id }, body }, "Put together")) emit("done");
}
</script>

<template>
  <p v-if="stock.data.value && others.length === 0" class="text-soft">There is no other lot of it.</p>
  <form v-else class="flex flex-wrap items-end gap-3" @submit.prevent="merge">
    <RefusalNote class="w-full" :refusal="refusal" />
    <ListBox v-model="into" class="w-56" label="Together with lot" placeholder="choose" :options="others" />
    <TextField v-model="note" label="Note" class="w-64" />
    <TickBox v-model="mix">dye lots may be mixed</TickBox>
    <button class="btn" :disabled="busy || !into">Put them together</button>
  </form>
</template>
