<script setup lang="ts">
import { computed, ref } from "vue";
import { identifyFound, type StockDetail } from "@kasten/contract/stock";
import { useRouter } from "vue-router";
import ComboBox from "../parts/ComboBox.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import TextField from "../parts/TextField.vue";
import type { Option } from "../parts/option";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "../patterns";

/** Somebody knows what it is: its lots become lots of that material. */
const props = defineProps<{ stock: StockDetail }>();
const { busy, refusal, send } = useChange();
const { materials } = useCatalogue();
const router = useRouter();
const as = ref<string | undefined>();
const note = ref<string | undefined>();
const options = computed((): Option[] =>
  [...materials.value.values()]
    .filter((m) => m.unit === props.stock.unit && m.code !== props.stock.code)
    .map((m) => ({ value: m.code, label: m.name, note: m.code, colour: m.colour })),
);
async function identify(): Promise<void> {
  if (!as.value) return;
  const body = { as: as.value, note: note.value ?? "" };
  if (await send(identifyFound, { params: { id: props.stock.code }, body }, "Its lots are lots of that now"))
    await router.push(`/stock/${as.value}`);
}
</script>

<template>
  <form class="callout mb-3 flex flex-wrap items-end gap-3" @submit.prevent="identify">
    <p class="w-full">
      Nobody has said what this is: no fly is promised of it. Its lots and every movement they have go over to what you
      choose.
    </p>
    <RefusalNote class="w-full" :refusal="refusal" />
    <ComboBox v-model="as" class="w-72" label="It is" :options="options" />
    <TextField v-model="note" label="How you know" class="w-64" />
    <button class="btn btn-main" :disabled="busy || !as">Say so</button>
  </form>
</template>
