<script setup lang="ts">
import { computed, ref, shallowRef, watch } from "vue";
import type { Material } from "@kasten/core/materials";
import { DomainError } from "@kasten/core/errors";
import { sentenceOf } from "@kasten/core/sentences";
import type { ReplyOf } from "@kasten/contract/http";
import type { readScale } from "@kasten/contract/stock";
import NumberField from "../parts/NumberField.vue";
import RadioSet from "../parts/RadioSet.vue";
import { quantity } from "../parts/format";
import ScaleFace from "./ScaleFace.vue";
import { useSerialScale, type LinePort, type ScaleSource } from "./useScale";
import { byWeight, wayToWeigh, type ByWeight } from "./weighing";

/** A lot by its weight, read off the scale or typed; its ± is shown, and what a larger sample would make of it. */
const props = defineProps<{ material: Material; scale?: ReplyOf<typeof readScale> }>();
const emit = defineEmits<{ weighed: [w: ByWeight] }>();
const MG = 1000;
const readability = ref<number | undefined>(0.01);
const sampleCount = ref<number | undefined>(20);
const sample = ref<number | undefined>();
const tare = ref<number | undefined>(0);
const gross = ref<number | undefined>();
const way = computed(() => wayToWeigh(props.material));
type Asked = "sample" | "tare" | "gross";
const asked = ref<Asked>(way.value === "pieces" ? "sample" : "tare");
const steps = computed(() => [
  ...(way.value === "pieces" ? [{ value: "sample" as const, label: "the sample" }] : []),
  { value: "tare" as const, label: way.value === "length" ? "the empty spool" : "the empty dish" },
  { value: "gross" as const, label: "all of it" },
]);
const asks: Record<Asked, string> = {
  sample: "Count some out by hand, and weigh them by themselves.",
  tare: "The dish, insert or spool without anything in it.",
  gross: "With all that the drawer holds of it.",
};
const mg = (g: number | undefined): number => Math.round((g ?? 0) * MG);
const result = computed((): { weighed?: ByWeight; wrong?: string } => {
  if (gross.value === undefined || (way.value === "pieces" && sample.value === undefined)) return {};
  try {
    const weighed = byWeight(props.material, {
      grossMg: mg(gross.value),
      tareMg: mg(tare.value),
      readabilityMg: mg(readability.value),
      ...(way.value === "pieces" && { sampleCount: sampleCount.value ?? 0, sampleMg: mg(sample.value) }),
    });
    return weighed ? { weighed } : {};
  } catch (error) {
    if (error instanceof DomainError) return { wrong: sentenceOf(error) };
    throw error;
  }
});
watch(
  () => result.value.weighed,
  (w) => w && emit("weighed", w),
);
/** Web Serial, where the browser has it. */
const serial = (navigator as Navigator & { serial?: { requestPort: () => Promise<LinePort> } }).serial;
const own = shallowRef<ScaleSource>();
async function useOwn(): Promise<void> {
  const port = await serial?.requestPort().catch(() => undefined);
  if (port) own.value = useSerialScale(port);
}
const fields = { sample, tare, gross };
function taken(weight: number): void {
  fields[asked.value].value = weight / MG;
  const at = steps.value.findIndex((s) => s.value === asked.value);
  const next = steps.value[at + 1];
  if (next) asked.value = next.value;
}
</script>

<template>
  <div class="grid gap-3 lg:grid-cols-2">
    <div class="grid content-start gap-2">
      <RadioSet v-if="scale?.connected || own" v-model="asked" label="On the scale lies" :options="steps" />
      <ScaleFace v-if="own" :stand-in="false" :source="own" :asks="asks[asked]" @taken="taken" />
      <ScaleFace v-else-if="scale?.connected" :stand-in="scale.standIn" :asks="asks[asked]" @taken="taken" />
      <p v-else class="text-soft">No scale is connected to the server: type what yours shows.</p>
      <button v-if="serial && !own" type="button" class="btn btn-plain justify-self-start" @click="useOwn">
        A scale on a port of this machine
      </button>
    </div>
    <div class="grid content-start gap-3">
      <div class="flex flex-wrap gap-3">
        <NumberField
          v-if="way === 'pieces'"
          v-model="sampleCount"
          label="In the sample"
          unit="pieces"
          :min="1"
          :step="1"
          class="w-32"
        />
        <NumberField v-if="way === 'pieces'" v-model="sample" label="It weighs" unit="g" :min="0" class="w-32" />
        <NumberField
          v-model="tare"
          :label="way === 'length' ? 'Empty spool' : 'Empty dish'"
          unit="g"
          :min="0"
          class="w-32"
        />
        <NumberField v-model="gross" label="All of it" unit="g" :min="0" class="w-32" />
        <NumberField v-model="readability" label="Last digit of the scale" unit="g" :min="0.001" class="w-32" />
      </div>
      <p v-if="result.wrong" class="text-call" role="alert">{{ result.wrong }}</p>
      <p v-else-if="result.weighed" role="status">
        <b class="fig text-4xl">{{ quantity(result.weighed.counted, material.unit) }}</b>
        <span class="fig ml-2 text-xl text-soft">± {{ quantity(result.weighed.plusMinus, material.unit) }}</span
        ><span v-if="result.weighed.advice" class="mt-1 block"
          >Weigh <b class="fig">{{ result.weighed.advice.weigh }}</b> instead of
          <span class="fig">{{ sampleCount }}</span> in the sample, and this becomes ±
          <b class="fig">{{ result.weighed.advice.plusMinus }}</b>.</span
        >
      </p>
    </div>
  </div>
</template>
