<script setup lang="ts">
import { computed, ref } from "vue";
import { readSearch, startSearch, stopSearch, type PlanSearch } from "@kasten/contract/schedule";
import { call, useRead } from "../http";
import RadioSet from "../parts/RadioSet.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { moment, ofHundred } from "../parts/format";
import { useChange } from "../parts/useChange";

/** A longer search for a better plan, done beside the work: how far it is, and what came of the last one. */
defineProps<{ can: boolean }>();
const last = useRead({ key: ["search"], query: () => call(readSearch) });
const search = computed(() => last.data.value?.search ?? undefined);
const isUnderWay = computed(() => search.value?.state === "waiting" || search.value?.state === "running");
const seconds = ref(60);
const spans = [
  { value: 15, label: "15 seconds" },
  { value: 60, label: "a minute" },
  { value: 600, label: "ten minutes" },
];
const { busy, refusal, send } = useChange();
const stopping = useChange();
const start = () => send(startSearch, { body: { seconds: seconds.value } });
const stop = () => stopping.send(stopSearch, {});

const less = (part: number | null, whole: number | null): string => {
  const share = part === null || !whole ? 0 : 1 - part / whole;
  return share < 0.0005 ? "" : `${(share * 100).toFixed(1)} %`;
};
const soFar = computed(() => {
  const { late: best = null, lateBefore = null, state } = search.value ?? {};
  if (state === "waiting" || best === null || lateBefore === null) return "Waits for its turn.";
  return best < lateBefore
    ? `In the best so far ${oneDecimal(best)} batches are late on average as things go, instead of ${oneDecimal(lateBefore)}.`
    : "None better than the draft so far.";
});
const late = (n: number): string => (n === 0 ? "no batch late" : `${n} ${n === 1 ? "batch" : "batches"} late`);
const oneDecimal = (n: number): string => n.toFixed(1);
function found({ outcome, lowerBound, state }: PlanSearch): string {
  if (state === "failed") return "It came to no end. Try it again; if it fails again, tell whoever keeps the server.";
  if (!outcome) return "";
  const { before, after } = outcome;
  const told = outcome.isTaken
    ? `It found one that is the draft now: ${late(after.late + after.left)} by plan instead of ` +
      `${before.late + before.left}, ${oneDecimal(after.lateAsThingsGo)} on average as things go instead of ` +
      `${oneDecimal(before.lateAsThingsGo)}, ${after.changeOverMinutes} minutes of change-over instead of ` +
      `${before.changeOverMinutes}.`
    : "It found none better: the draft stays.";
  const most = less(lowerBound, after.cost);
  return most ? `${told} No plan at all can cost more than ${most} less.` : `${told} None can cost less.`;
}
</script>

<template>
  <div class="grid gap-2">
    <p class="text-soft max-w-[64ch]">
      The draft is made in a second or two, and stays near what people reckon with. A longer search may find less
      lateness and fewer change-overs, and may put much into another order; nothing is published by it.
    </p>
    <form v-if="can && !isUnderWay" class="flex flex-wrap items-end gap-3" @submit.prevent="start">
      <RadioSet v-model="seconds" label="How long" :options="spans" />
      <button class="btn" :disabled="busy">Look for a better plan</button>
    </form>
    <template v-if="search && isUnderWay">
      <div class="flex flex-wrap items-center gap-3">
        <progress
          class="h-3 w-72 max-w-full"
          max="1"
          :value="search.spent"
          aria-label="How far the search is"
        ></progress>
        <span class="tabular-nums">{{ ofHundred(search.spent) }} %</span>
        <button v-if="can" class="btn !min-h-8" :disabled="stopping.busy.value" @click="stop">
          Stop, and keep the best
        </button>
      </div>
      <p aria-live="polite">{{ soFar }}</p>
    </template>
    <p v-else-if="search" class="max-w-[64ch]" aria-live="polite">
      {{ moment(search.at) }}, for {{ search.by }}. {{ found(search) }}
    </p>
    <RefusalNote :refusal="refusal ?? stopping.refusal.value" />
  </div>
</template>
