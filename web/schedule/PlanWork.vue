<script setup lang="ts">
import type { Plan } from "@kasten/contract/schedule";
import { timeOf, type PlanScale } from "./planTime";

/** One piece of work in a lane: its change-over, and the hours in which it is done. */
defineProps<{
  plan: Plan;
  work: Plan["work"][number];
  scale: PlanScale;
  windows: [number, number][];
  y: number;
  height: number;
}>();
/** Narrower than this no number fits. */
const NUMBERED_PX = 26;
const PLATE_PX = 26;
</script>

<template>
  <g>
    <title>
      Batch {{ work.number }}, {{ work.patternName }} {{ work.size }}: {{ work.kind }},
      {{ timeOf(plan, work.start) }} to {{ timeOf(plan, work.end)
      }}{{ work.setupMinutes ? `, change-over ${work.setupMinutes} min before` : "" }}
    </title>
    <rect
      v-for="(s, i) in scale.worked(windows, work.setupStart, work.start)"
      :key="`s${i}`"
      :x="scale.x(s[0])"
      :y="y + 16"
      :width="scale.wide(s)"
      :height="height - 32"
      fill="none"
      stroke="var(--rule-strong)"
      stroke-dasharray="2 2"
    />
    <template v-for="(s, i) in scale.worked(windows, work.start, work.end)" :key="`w${i}`">
      <rect
        :x="scale.x(s[0])"
        :y="y + 7"
        :width="scale.wide(s)"
        :height="height - 14"
        :fill="work.colour ?? 'var(--rule-strong)'"
        stroke="var(--sheet)"
        stroke-width="0.8"
      />
      <g v-if="i === 0 && scale.wide(s) > NUMBERED_PX">
        <rect
          :x="scale.x(s[0]) + 2"
          :y="y + 14"
          :width="Math.min(scale.wide(s) - 4, PLATE_PX)"
          height="18"
          fill="var(--sheet)"
        />
        <text
          :x="scale.x(s[0]) + 2 + PLATE_PX / 2"
          :y="y + 28"
          font-size="13"
          font-weight="700"
          text-anchor="middle"
          fill="var(--ink)"
        >
          {{ work.number }}
        </text>
      </g>
    </template>
  </g>
</template>
