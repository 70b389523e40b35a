<script setup lang="ts">
import { computed, ref } from "vue";
import { scrapLot, splitLot, transferLot, type LotPage } from "@kasten/contract/stock";
import NumberField from "../parts/NumberField.vue";
import RadioSet from "../parts/RadioSet.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import TextField from "../parts/TextField.vue";
import TickBox from "../parts/TickBox.vue";
import { quantity } from "../parts/format";
import type { Option } from "../parts/option";
import { useChange } from "../parts/useChange";
import { baseOf, writtenOf, writtenUnit } from "../parts/written";
import PlaceChoice from "./PlaceChoice.vue";

/** So much of a lot into another drawer, into a lot of its own, or into the bin. */
const props = defineProps<{ lot: LotPage; drawers: LotPage["places"] }>();
const emit = defineEmits<{ done: [] }>();
const { busy, refusal, send } = useChange();
type Act = "transfer" | "split" | "scrap";
const acts: Option<Act>[] = [
  { value: "transfer", label: "into another drawer" },
  { value: "split", label: "into a lot of its own" },
  { value: "scrap", label: "into the bin" },
];
const act = ref<Act>("transfer");
const place = ref(props.drawers[0]?.placeId ?? 0);
const much = ref<number | undefined>();
const drawer = ref<string | undefined>();
const code = ref<string | undefined>();
const note = ref<string | undefined>();
const remnant = ref<boolean | undefined>();
const unit = computed(() => props.lot.material.unit);
const free = computed(() => {
  const p = props.drawers.find((x) => x.placeId === place.value);
  return p ? p.quantity - p.reserved : 0;
});
async function go(): Promise<void> {
  if (much.value === undefined) return;
  const params = { id: props.lot.id };
  const body = { place: place.value, quantity: baseOf(much.value, unit.value), note: note.value ?? "" };
  const done =
    act.value === "scrap"
      ? await send(scrapLot, { params, body }, "Thrown away")
      : act.value === "transfer"
        ? await send(transferLot, { params, body: { ...body, drawer: drawer.value ?? "" } }, "Moved")
        : await send(
            splitLot,
            {
              params,
              body: {
                ...body,
                lot: code.value ?? "",
                remnant: remnant.value ?? false,
                ...(drawer.value && { drawer: drawer.value }),
              },
            },
            "Split off",
          );
  if (!done) return;
  much.value = undefined;
  note.value = undefined;
  emit("done");
}
</script>

<template>
  <p v-if="drawers.length === 0" class="text-soft">None of it lies in a drawer.</p>
  <form v-else class="grid gap-3" @submit.prevent="go">
    <RefusalNote :refusal="refusal" />
    <RadioSet v-model="act" label="Where it goes" :options="acts" />
    <div class="flex flex-wrap items-end gap-3">
      <PlaceChoice v-model="place" :drawers="drawers" />
      <NumberField v-model="much" :label="`How much, in ${writtenUnit[unit]}`" :min="0" class="w-40" />
      <button type="button" class="btn btn-plain" @click="much = writtenOf(free, unit)">
        all that is put by for nobody: {{ quantity(free, unit) }}
      </button>
      <TextField v-if="act !== 'scrap'" v-model="drawer" label="Drawer" mono class="w-28" />
      <TextField v-if="act === 'split'" v-model="code" label="Name of the new lot" mono class="w-44" />
      <TickBox v-if="act === 'split'" v-model="remnant">a remnant: used up first</TickBox>
      <TextField v-model="note" :label="act === 'scrap' ? 'Why' : 'Note'" class="w-64" />
      <button class="btn btn-main" :disabled="busy">
        {{ act === "scrap" ? "Throw it away" : act === "split" ? "Split it off" : "Move it" }}
      </button>
    </div>
  </form>
</template>
