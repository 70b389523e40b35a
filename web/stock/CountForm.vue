<script setup lang="ts">
import { computed, ref } from "vue";
import { countLot, readScale, type LotPage } from "@kasten/contract/stock";
import { call, useRead } from "../http";
import NumberField from "../parts/NumberField.vue";
import RadioSet from "../parts/RadioSet.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import TextField from "../parts/TextField.vue";
import type { Option } from "../parts/option";
import { useChange } from "../parts/useChange";
import { baseOf, writtenOf, writtenUnit } from "../parts/written";
import { useCatalogue } from "../patterns";
import PlaceChoice from "./PlaceChoice.vue";
import WeighForm from "./WeighForm.vue";
import { wayToWeigh, type ByWeight } from "./weighing";

/** What is really there: counted by hand, weighed, or judged by looking. The ledger is put right by the difference. */
const props = defineProps<{ lot: LotPage; drawers: LotPage["places"] }>();
const emit = defineEmits<{ done: [] }>();
const { busy, refusal, send } = useChange();
const { materials } = useCatalogue();
const scale = useRead({ key: ["scale"], query: () => call(readScale) });
const unit = computed(() => props.lot.material.unit);
const material = computed(() => materials.value.get(props.lot.material.code));
const way = computed(() => material.value && wayToWeigh(material.value));
type How = "counted" | "weighed" | "looked at";
const how = ref<How>("counted");
const ways = computed((): Option<How>[] => [
  { value: "counted", label: "counted" },
  ...(way.value ? [{ value: "weighed" as const, label: "weighed" }] : []),
  { value: "looked at", label: "judged by looking" },
]);
const place = ref(props.drawers[0]?.placeId ?? 0);
const counted = ref<number | undefined>();
const plusMinus = ref(0);
const note = ref<string | undefined>();
function weighed({ counted: base, plusMinus: pm }: ByWeight): void {
  counted.value = writtenOf(base, unit.value);
  plusMinus.value = pm;
}
async function keep(): Promise<void> {
  if (counted.value === undefined) return;
  const body = {
    place: place.value,
    counted: baseOf(counted.value, unit.value),
    plusMinus: how.value === "weighed" ? plusMinus.value : 0,
    how: how.value,
    note: note.value ?? "",
  };
  if (!(await send(countLot, { params: { id: props.lot.id }, body }, "Counted"))) return;
  counted.value = undefined;
  note.value = undefined;
  emit("done");
}
</script>

<template>
  <p v-if="drawers.length === 0" class="text-soft">
    None of it lies in a drawer. Receive a delivery or count in what you found at its material.
  </p>
  <form v-else class="grid gap-3" @submit.prevent="keep">
    <RefusalNote :refusal="refusal" />
    <RadioSet v-model="how" label="How" :options="ways" />
    <WeighForm v-if="how === 'weighed' && material" :material="material" :scale="scale.data.value" @weighed="weighed" />
    <div class="flex flex-wrap items-end gap-3">
      <PlaceChoice v-model="place" :drawers="drawers" />
      <NumberField v-model="counted" :label="`There, in ${writtenUnit[unit]}`" :min="0" class="w-40" />
      <TextField v-model="note" label="Note: why it differs, if you know" class="w-72" />
      <button class="btn btn-main" :disabled="busy">Put it right</button>
    </div>
  </form>
</template>
