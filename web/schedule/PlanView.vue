<script setup lang="ts">
import { useWindowSize } from "@vueuse/core";
import { computed, defineAsyncComponent, reactive, ref } from "vue";
import { readPlan } from "@kasten/contract/schedule";
import { call, useRead } from "../http";
import FoldOut from "../parts/FoldOut.vue";
import RadioSet from "../parts/RadioSet.vue";
import { useSession } from "../team";
import LateBatches from "./LateBatches.vue";
import PlanLanes from "./PlanLanes.vue";
import PlanStanding from "./PlanStanding.vue";
import { useMove } from "./useMove";
import { usePlanTrial } from "./usePlanTrial";

// What stands below, and what not everybody opens, comes after the lanes.
const PlanMove = defineAsyncComponent(() => import("./PlanMove.vue"));
const PlanTable = defineAsyncComponent(() => import("./PlanTable.vue"));
const PlanSearch = defineAsyncComponent(() => import("./PlanSearch.vue"));
const PlanWhatIf = defineAsyncComponent(() => import("./PlanWhatIf.vue"));
const PlanWeeks = defineAsyncComponent(() => import("./PlanWeeks.vue"));
const PlanVersions = defineAsyncComponent(() => import("./PlanVersions.vue"));

const { may } = useSession();
const draft = useRead({ key: ["plan"], query: () => call(readPlan) });
const which = ref<"draft" | "published">("draft");
const hasPublished = computed(() => Boolean(draft.data.value?.published));
const published = useRead({
  key: ["published"],
  query: () => call(readPlan, { query: { which: "published" } }),
  enabled: () => hasPublished.value && which.value === "published",
});
const plan = computed(() =>
  which.value === "published" && hasPublished.value ? published.data.value : draft.data.value,
);
const trial = usePlanTrial(draft.data);
const whatIf = usePlanTrial(draft.data);
const move = useMove(draft.data, trial);
const can = computed(() => may("plan the work"));
const isDraft = computed(() => which.value === "draft" || !hasPublished.value);
const tried = computed(() => trial.trial.value?.plan.assignments.find((a) => a.operation === move.work.value?.id));

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
const plans = [
  { value: "draft" as const, label: "the draft" },
  { value: "published" as const, label: "as published, now" },
];
</script>

<template>
  <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3">
    <h1>Plan</h1>
    <div class="flex flex-wrap items-center gap-2">
      <RadioSet v-if="hasPublished" v-model="which" label="Which plan" quiet :options="plans" />
      <button class="btn !min-h-8" :disabled="days.from === 0" @click="days.from = Math.max(0, days.from - days.count)">
        Earlier
      </button>
      <button
        class="btn !min-h-8"
        :disabled="days.from + days.count >= (plan?.days.length ?? 0)"
        @click="days.from += days.count"
      >
        Later
      </button>
      <RadioSet v-model="days.count" label="Days shown" quiet :options="spans" />
      <RouterLink class="btn !min-h-8" to="/plan/week">Week on paper</RouterLink>
    </div>
  </div>
  <template v-if="plan && draft.data.value">
    <PlanStanding :plan="draft.data.value" :can="can" />
    <LateBatches class="mb-3" :plan="draft.data.value" :trial="trial" :can="can" />
    <PlanLanes
      :plan="plan"
      :days="days"
      :movable="can && isDraft"
      :chosen="isDraft ? (move.work.value?.id ?? '') : ''"
      :able="move.able.value"
      :tried="isDraft ? tried : undefined"
      @choose="move.choose"
      @drag="move.put"
      @step="move.step"
      @leave="move.leave"
    />
    <PlanMove v-if="isDraft" :plan="draft.data.value" :move="move" :trial="trial" />
    <FoldOut class="mt-4" title="What if…"><PlanWhatIf :plan="draft.data.value" :trial="whatIf" /></FoldOut>
    <FoldOut class="mt-1" title="Look longer for a better plan"><PlanSearch :can="can" /></FoldOut>
    <h2 class="mb-1 mt-5">By batch</h2>
    <PlanTable :plan="plan" />
    <FoldOut class="mt-4" title="The weeks ahead"><PlanWeeks :plan="plan" /></FoldOut>
    <FoldOut class="mt-1" title="Published plans"><PlanVersions /></FoldOut>
  </template>
</template>
