<script setup lang="ts">
import { computed, ref } from "vue";
import { makeKinds, makeStock } from "@kasten/contract/preparing";
import ComboBox from "../parts/ComboBox.vue";
import DayField from "../parts/DayField.vue";
import NumberField from "../parts/NumberField.vue";
import RadioSet from "../parts/RadioSet.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import TextField from "../parts/TextField.vue";
import { optionsOf, type Option } from "../parts/option";
import { useChange } from "../parts/useChange";
import { baseOf, writtenUnit } from "../parts/written";
import { useCatalogue } from "../patterns";
import InputLot from "./InputLot.vue";
import { emptyInput, makeCautions, onHooks, wholeInputs, type MakeKind } from "./making";

/** Stock made of stock, for the drawer: lots in, one new lot out, with culls, minutes and how it was done. */
const emit = defineEmits<{ made: [] }>();
const { busy, refusal, send } = useChange();
const { materials } = useCatalogue();
const kind = ref<MakeKind>("bead hooks");
const inputs = ref([emptyInput(0), emptyInput(1)]);
let next = 2;
const material = ref<string | undefined>();
const much = ref<number | undefined>();
const lot = ref<string | undefined>();
const dyeLot = ref<string | undefined>();
const until = ref<string | undefined>();
const minutes = ref<number | undefined>();
const bath = ref<string | undefined>();
const chop = ref<number | undefined>();
const note = ref<string | undefined>();
const turns = ref<number | undefined>();
const named = computed(() => onHooks[kind.value]);
const isWeighting = computed(() => kind.value === "weight hooks");
const unit = computed(() => (named.value ? "count" : (materials.value.get(material.value ?? "")?.unit ?? "count")));
const outputs = computed((): Option<string | undefined>[] =>
  [...materials.value.values()].map((m) => ({ value: m.code, label: m.name, note: m.code, colour: m.colour })),
);
const whole = computed(() => wholeInputs(inputs.value, (code) => materials.value.get(code)?.unit ?? "count"));
const isReady = computed(
  () =>
    whole.value !== undefined &&
    Boolean(much.value) &&
    Boolean(named.value ?? material.value) &&
    (!isWeighting.value || Boolean(turns.value)),
);
async function make(): Promise<void> {
  if (!whole.value || !much.value) return;
  const output = {
    ...(!named.value && { material: material.value ?? "" }),
    quantity: baseOf(much.value, unit.value),
    lot: lot.value ?? "",
    dyeLot: dyeLot.value ?? "",
  };
  const how = { ...(bath.value && { bath: bath.value }), ...(chop.value !== undefined && { chopMm: chop.value }) };
  const body = {
    kind: kind.value,
    inputs: whole.value,
    output,
    ...(isWeighting.value && turns.value !== undefined && { turns: turns.value }),
    apartUntil: until.value ?? null,
    ...(minutes.value !== undefined && { minutes: minutes.value }),
    how,
    note: note.value ?? "",
  };
  if (!(await send(makeStock, { body }, "Made, and in its drawer"))) return;
  inputs.value = [emptyInput(next++), emptyInput(next++)];
  much.value = minutes.value = lot.value = undefined;
  emit("made");
}
</script>

<template>
  <form class="grid gap-4" @submit.prevent="make">
    <RefusalNote :refusal="refusal" />
    <RadioSet v-model="kind" label="What is done" :options="optionsOf(makeKinds)" />
    <p v-if="makeCautions[kind]" class="callout">{{ makeCautions[kind] }}</p>
    <fieldset class="grid gap-2">
      <legend class="label">In</legend>
      <InputLot
        v-for="(i, at) in inputs"
        :key="i.id"
        v-model="inputs[at]!"
        :at="at"
        @take-out="inputs = inputs.filter((x) => x.id !== i.id)"
      />
      <button
        type="button"
        class="btn justify-self-start"
        :disabled="inputs.length >= 12"
        @click="inputs.push(emptyInput(next++))"
      >
        Another lot
      </button>
    </fieldset>
    <fieldset class="flex flex-wrap items-end gap-3">
      <legend class="label">Out</legend>
      <ComboBox v-if="!named" v-model="material" class="w-64" label="What comes out" :options="outputs" swatches />
      <p v-else class="self-center text-soft">{{ named }}</p>
      <NumberField v-if="isWeighting" v-model="turns" label="Turns on each" :min="1" :step="1" class="w-32" />
      <NumberField v-model="much" :label="`How much, in ${writtenUnit[unit]}`" :min="0" class="w-40" />
      <TextField v-model="lot" label="Name of the lot" mono class="w-44" />
      <TextField v-if="kind === 'dye'" v-model="dyeLot" label="Dye lot" mono class="w-40" />
      <DayField v-model="until" label="Dries, or kept apart, until" class="w-44" />
    </fieldset>
    <div class="flex flex-wrap items-end gap-3">
      <NumberField v-model="minutes" label="Minutes, if known" :min="0.1" class="w-40" />
      <TextField v-if="kind === 'dye'" v-model="bath" label="How it was dyed" class="w-80" />
      <NumberField v-if="kind === 'chop'" v-model="chop" label="Chopped to, mm" :min="0.5" class="w-36" />
      <TextField v-model="note" label="Note" class="w-64" />
      <button class="btn btn-main" :disabled="busy || !isReady">Make it</button>
    </div>
  </form>
</template>
