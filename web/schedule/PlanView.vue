<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { useWindowSize } from "@vueuse/core";
import { reactive } from "vue";
import { readPlan } from "@kasten/contract/schedule";
import { call } from "../http";
import LateBatches from "./LateBatches.vue";
import PlanLanes from "./PlanLanes.vue";
import PlanTable from "./PlanTable.vue";
import RadioSet from "../parts/RadioSet.vue";

const plan = useQuery({ key: ["plan"], query: () => call(readPlan) });
/** Which days of the plan are looked at. */
const PHONE_PX = 640;
const WIDE_PX = 1700;
const { width } = useWindowSize();
const days = reactive({ from: 0, count: width.value < PHONE_PX ? 3 : width.value >= WIDE_PX ? 14 : 7 });
const spans = [
  { value: 3, label: "3 days" },
  { value: 7, label: "a week" },
  { value: 14, label: "two weeks" },
];
</script>

<template>
  <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3">
    <h1>Plan</h1>
    <div class="flex flex-wrap items-center gap-2">
      <button class="btn !min-h-8" :disabled="days.from === 0" @click="days.from = Math.max(0, days.from - days.count)">
        Earlier
      </button>
      <button
        class="btn !min-h-8"
        :disabled="days.from + days.count >= (plan.data.value?.days.length ?? 0)"
        @click="days.from += days.count"
      >
        Later
      </button>
      <RadioSet v-model="days.count" label="Days shown" quiet :options="spans" />
    </div>
  </div>
  <template v-if="plan.data.value">
    <LateBatches class="mb-3" :plan="plan.data.value" />
    <PlanLanes :plan="plan.data.value" :days="days" />
    <h2 class="mb-1 mt-5">By batch</h2>
    <PlanTable :plan="plan.data.value" />
  </template>
</template>
