<script setup lang="ts">
import { computed, onUnmounted, ref } from "vue";
import { tellScale } from "@kasten/contract/stock";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";
import { useServerScale, type ScaleSource } from "./useScale";

/** What the scale shows, as it settles; what lies still can be taken over with one key. */
const props = defineProps<{ standIn: boolean; asks: string; source?: ScaleSource }>();
const emit = defineEmits<{ taken: [mg: number] }>();
const scale = props.source ?? useServerScale();
onUnmounted(scale.close);
const { refusal, send } = useChange();
const put = ref<number | "">("");
const shown = computed(() => {
  const r = scale.reading.value;
  if (scale.isAway.value || !r) return "– –";
  if (r.state === "overload") return "too heavy";
  if (r.state === "below zero") return "below zero";
  return ((r.mg ?? 0) / 1000).toFixed(2);
});
const words = computed(() => {
  const r = scale.reading.value;
  if (scale.isAway.value || !r) return "The scale says nothing. Look at its cable and switch.";
  if (r.state === "overload") return "Take something off, and weigh it in two goes.";
  if (r.state === "below zero") return "Something was taken off since it was tared: tare it again.";
  if (scale.settled.value === undefined) return "Wait until it lies still. Keep air and elbows away from it.";
  return "It lies still.";
});
function take(): void {
  if (scale.settled.value !== undefined) emit("taken", scale.settled.value);
}
const tell = (command: "tare" | "zero" | "shake" | "battery") => send(tellScale, { body: { command } });
const lay = (): void => {
  if (put.value !== "") void send(tellScale, { body: { command: "put", mg: Math.round(put.value * 1000) } });
};
</script>

<template>
  <div class="face">
    <RefusalNote :refusal="refusal" />
    <p class="text-soft">{{ asks }}</p>
    <p class="flex flex-wrap items-baseline gap-3">
      <output class="fig text-5xl" :class="{ 'text-soft': scale.settled.value === undefined }" aria-live="off">{{
        shown
      }}</output><span class="unit">g</span
      ><span v-if="scale.reading.value?.lowBattery" class="tag tag-call">battery low</span>
    </p>
    <p class="text-[0.9rem]" :class="scale.settled.value === undefined ? 'text-call' : 'text-soft'" role="status">
      {{ words }}
    </p>
    <div class="mt-2 flex flex-wrap gap-2">
      <button type="button" class="btn btn-main" :disabled="scale.settled.value === undefined" @click="take">
        Take it over
      </button>
      <button v-if="!source" type="button" class="btn" @click="tell('tare')">Tare</button>
    </div>
    <form v-if="standIn" class="mt-3 flex flex-wrap items-end gap-2 border-t border-rule pt-2" @submit.prevent="lay">
      <label class="grid gap-0.5"
        ><span class="label">No scale is at hand: lay on it, in g</span
        ><input v-model.number="put" class="field fig w-28" type="number" min="0" step="any" /></label
      ><button class="btn">Lay it on</button
      ><button type="button" class="btn btn-plain" @click="tell('shake')">knock the table</button
      ><button type="button" class="btn btn-plain" @click="tell('battery')">battery</button>
    </form>
  </div>
</template>

<style scoped>
.face {
  border: 2px solid var(--rule-strong);
  background: var(--fly-ground);
  padding: 0.6rem 0.9rem;
  max-width: 30rem;
}
[data-theme="dark"] .face {
  background: var(--well);
}
</style>
