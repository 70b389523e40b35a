<script setup lang="ts">
import { computed } from "vue";
import type { Plan } from "@kasten/contract/schedule";
import type { Trial } from "./plan.worker";
import { costWords } from "./trialWords";

/** What a change costs that was tried, before it is made. */
const props = defineProps<{ plan: Plan; trial: Trial | undefined; busy: boolean; refused: string }>();
/** The worst stand first: what follows is told by its number, so that the plan stays in sight. */
const A_FEW = 4;
const all = computed(() => (props.trial ? costWords(props.plan, props.trial) : []));
const words = computed(() =>
  all.value.length > A_FEW + 1
    ? [...all.value.slice(0, A_FEW), `And ${all.value.length - A_FEW} smaller changes.`]
    : all.value,
);
</script>

<template>
  <div aria-live="polite" class="min-h-[1.6em]">
    <p v-if="refused" class="text-call">{{ refused }}</p>
    <template v-else-if="trial">
      <p v-if="trial.broken.length > 0" class="callout">It breaks a rule: {{ trial.broken.join("; ") }}</p>
      <ul>
        <li v-for="w in words" :key="w">{{ w }}</li>
      </ul>
    </template>
    <p v-else-if="busy" class="text-soft">Trying it…</p>
  </div>
</template>
