<script setup lang="ts">
import { onKeyStroke, useStorage } from "@vueuse/core";
import { computed, toRef } from "vue";
import { benchStepOf, cautionsOf } from "@kasten/core/bench";
import type { BatchDetail } from "@kasten/contract/batches";
import { useBatchFly } from "../batches";
import { length } from "../parts/units";
import { FlyDrawing } from "../patterns";
import { useSession } from "../team";
import { isInField } from "./keys";

/** The sheet of the step in hand, as this person ties it; arrows go on and back, also after a pause. */
const props = defineProps<{ batch: BatchDetail }>();
const { person } = useSession();
const at = useStorage(`kasten.step.${props.batch.id}`, 0);
const { tied, differs } = useBatchFly(toRef(props, "batch"));
const steps = computed(() => {
  const f = tied.value.fly;
  if (!f) return [];
  const cautions = cautionsOf(f);
  return f.steps.map((s) => {
    const { where, figures, ways, tools, material } = benchStepOf(f, s, person.value?.handed ?? "right", length);
    return {
      ...s,
      zone: where && `${where} behind the eye`,
      more: [...figures, ...ways].join("; "),
      tools: tools.join(", "),
      material,
      cautions: cautions.filter((c) => c.step === s.id).map((c) => c.sentence),
    };
  });
});
const last = computed(() => Math.max(0, steps.value.length - 1));
const step = computed(() => Math.min(at.value, last.value));
const now = computed(() => steps.value[step.value]);
const go = (by: number): void => {
  at.value = Math.min(last.value, Math.max(0, step.value + by));
};
onKeyStroke(["ArrowRight", "ArrowDown", "ArrowLeft", "ArrowUp"], (e) => {
  if (isInField(e)) return;
  e.preventDefault();
  go(e.key === "ArrowRight" || e.key === "ArrowDown" ? 1 : -1);
});
</script>

<template>
  <section aria-label="The step in hand">
    <FlyDrawing
      :pattern="batch.pattern"
      :version="batch.patternVersion"
      :choice="{ methods: batch.methods, leave: batch.leave, use: batch.use, buy: batch.buy }"
      :size="batch.size"
      :variant="batch.variant"
      :form="batch.form"
      class="h-48 border border-rule sm:h-56 2xl:h-[max(24rem,100dvh-34rem)]"
    />
    <div v-if="now" class="sheet mt-2 p-4">
      <div class="flex items-start justify-between gap-3">
        <p class="text-soft">
          Step <span class="fig">{{ step + 1 }}</span> of <span class="fig">{{ steps.length }}</span>
        </p>
        <div class="flex gap-2">
          <button class="btn min-h-[44px]" :disabled="step === 0" @click="go(-1)">
            Back <span class="key">←</span></button
          ><button class="btn min-h-[44px]" :disabled="step >= last" @click="go(1)">
            Next <span class="key">→</span>
          </button>
        </div>
      </div>
      <p class="text-2xl font-bold 2xl:text-5xl">{{ now.name }}</p>
      <p v-if="now.material" class="text-lg 2xl:text-3xl">{{ now.material }}</p>
      <p class="fig text-xl 2xl:text-4xl">{{ now.zone }}</p>
      <p v-if="now.more" class="text-lg 2xl:text-3xl">{{ now.more }}</p>
      <p v-if="now.step.stated" class="text-lg text-soft italic 2xl:text-3xl">“{{ now.step.stated }}”</p>
      <p v-if="now.tools" class="text-soft 2xl:text-2xl">At hand: {{ now.tools }}</p>
      <p v-if="now.step.instruction" class="mt-1 2xl:text-2xl">{{ now.step.instruction }}</p>
      <p v-for="c in now.cautions" :key="c" class="callout mt-2 2xl:text-2xl">{{ c }}</p>
      <p v-if="differs.length > 0" class="mt-2 text-[0.93rem] text-soft">
        By your ways: {{ differs.join("; ") }} than was pulled.
      </p>
    </div>
  </section>
</template>
