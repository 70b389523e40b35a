<script setup lang="ts">
import { computed, defineAsyncComponent } from "vue";
import type { Plan } from "@kasten/contract/schedule";
import ShowMore from "../parts/ShowMore.vue";
import { day } from "../parts/format";
import { useSome } from "../parts/useSome";
import type { PlanTrial } from "./usePlanTrial";

const WaysOut = defineAsyncComponent(() => import("./WaysOut.vue"));

/** What does not keep the day promised, why, and what could be done about it. */
const props = defineProps<{ plan: Plan; trial: PlanTrial; can: boolean }>();
/** The plan itself stands below: the first of them, and more on demand. */
const A_FEW = 6;
const late = computed(() => props.plan.batches.filter((b) => b.lateDays > 0 || b.held));
const { some, left, showMore } = useSome(late, A_FEW);
</script>

<template>
  <section v-if="late.length > 0" class="callout">
    <h2 class="text-call">
      {{ late.length }} {{ late.length === 1 ? "batch does" : "batches do" }} not keep the day promised
    </h2>
    <ul>
      <li v-for="b in some" :key="b.id">
        <RouterLink class="link" :to="`/batches/${b.id}`"
          >Batch {{ b.number }}, {{ b.patternName }} {{ b.size }}</RouterLink
        >, due {{ day(b.due) }}: <template v-if="b.held">{{ b.held }}</template><template v-else
          >ready {{ b.ready ? day(b.ready) : "" }}, late by {{ b.lateDays }}
          {{ b.lateDays === 1 ? "day" : "days" }}</template
        ><template v-if="b.waitsFor">{{ b.held ? " Waits" : "; waits" }} for {{ b.waitsFor }}</template
        ><WaysOut v-if="!b.held" :plan="plan" :batch="b" :trial="trial" :can="can" />
      </li>
    </ul>
    <ShowMore :more="left > 0" :loading="false" :what="`batches, ${left} are left`" @more="showMore" />
  </section>
  <p v-else class="text-done">Every batch is ready before the day promised.</p>
</template>
