<script setup lang="ts">
import { computed } from "vue";
import { threadWay } from "@kasten/core/bench";
import type { ComposedFly } from "@kasten/core/fly";
import { sayStep } from "@kasten/core/words";
import ColourSwatch from "../parts/ColourSwatch.vue";

/** The steps of the fly in their order, with all that was said of each. */
const props = defineProps<{ fly: ComposedFly; cautions: { step: string; sentence: string }[] }>();
defineEmits<{ point: [step: string | undefined] }>();
type Step = ComposedFly["steps"][number]["step"];
const stops = computed(() => new Map(threadWay(props.fly).map((t) => [t.step, t])));
const needs = (s: Step): string => [...(s.tools ?? []), ...(s.skills ?? [])].join(", ");
</script>

<template>
  <ol class="sheet">
    <li
      v-for="(s, i) in fly.steps"
      :key="s.id"
      class="border-b border-rule px-3 py-1.5 hover:bg-ground"
      @mouseenter="$emit('point', s.id)"
      @mouseleave="$emit('point', undefined)"
    >
      <span class="fig mr-2 text-soft">{{ i + 1 }}</span><ColourSwatch
        v-if="s.material"
        :colour="s.material.colour"
        class="mr-1.5"
      /><b class="mr-2">{{ s.name }}</b
      ><span class="text-soft">{{ s.material?.name }}</span>
      <span class="block text-[0.93rem]"
        >{{ sayStep(s.step)
        }}<span v-if="stops.get(s.id)" class="text-soft"> · thread at {{ stops.get(s.id)?.place }}</span></span
      >
      <span v-if="s.step.instruction" class="block text-[0.93rem]">{{ s.step.instruction }}</span>
      <span v-if="s.step.stated" class="block text-[0.93rem] text-soft">as it was said: “{{ s.step.stated }}”</span>
      <span v-if="needs(s.step)" class="block text-[0.93rem] text-soft">{{ needs(s.step) }}</span>
      <span v-for="v in s.step.views ?? []" :key="v.because" class="block text-[0.93rem] text-soft"
        >{{ v.by ?? "some" }}: {{ v.says === "do" ? "do it" : "avoid it" }}, because {{ v.because }}</span
      >
      <span v-if="s.step.guard" class="block text-[0.93rem] text-soft">{{ s.step.guard }}</span>
      <span
        v-for="c in cautions.filter((x) => x.step === s.id)"
        :key="c.sentence"
        class="block text-[0.93rem] text-call"
        >{{ c.sentence }}</span
      >
    </li>
  </ol>
</template>
