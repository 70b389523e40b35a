<script setup lang="ts">
import { computed, useTemplateRef } from "vue";
import type { Plan } from "@kasten/contract/schedule";
import { timeOf, type PlanScale } from "./planTime";
import { useDrag } from "./useDrag";

/** One piece of work in a lane: its change-over, and the hours in which it is done. Tying can be moved. */
const props = defineProps<{
  plan: Plan;
  work: Plan["work"][number];
  scale: PlanScale;
  windows: [number, number][];
  y: number;
  height: number;
  movable: boolean;
  chosen: boolean;
  /** Its tying was given to somebody, or set to a time, by a person. */
  pinned: boolean;
}>();
const emit = defineEmits<{
  choose: [];
  drag: [x: number, y: number];
  step: [time: number, people: number];
  leave: [];
}>();
/** Narrower than this no number fits, and no name beside it. */
const NUMBERED_PX = 26;
const NAMED_PX = 90;
const PLATE_PX = 26;
const LETTER_PX = 6.4;
const stretches = computed(() => props.scale.worked(props.windows, props.work.start, props.work.end));
const named = (px: number): string => props.work.patternName.slice(0, Math.max(0, Math.floor((px - 40) / LETTER_PX)));

const piece = useTemplateRef<SVGGElement>("piece");
const canDrag = useDrag(piece, () => props.movable, {
  taken: () => emit("choose"),
  // The block is held where it was taken: its beginning goes as far as the hand went.
  moved: (byX, y) => emit("drag", props.scale.x(props.work.start) + byX, y),
});
const keys: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
function onKey(event: KeyboardEvent): void {
  if (event.key === "Enter" || event.key === " ") emit("choose");
  else if (event.key === "Escape") emit("leave");
  else if (props.chosen && keys[event.key]) emit("step", ...(keys[event.key] ?? [0, 0]));
  else return;
  event.preventDefault();
}
const label = computed(
  () =>
    `Batch ${props.work.number}, ${props.work.patternName} ${props.work.size}: ${props.work.kind}, ${timeOf(props.plan, props.work.start)} to ${timeOf(props.plan, props.work.end)}${props.work.setupMinutes ? `, change-over ${props.work.setupMinutes} min before` : ""}${props.pinned ? ", pinned" : ""}`,
);
</script>

<template>
  <g
    ref="piece"
    :role="movable ? 'button' : undefined"
    :tabindex="movable ? 0 : undefined"
    :aria-label="movable ? label : undefined"
    :aria-pressed="movable ? chosen : undefined"
    class="plan-work"
    :class="{ 'is-movable': movable && canDrag, 'is-chosen': chosen }"
    @click="movable && emit('choose')"
    @keydown="movable && onKey($event)"
  >
    <title>{{ label }}</title>
    <rect
      v-for="(s, i) in scale.worked(windows, work.setupStart, work.start)"
      :key="`s${i}`"
      :x="scale.x(s[0])"
      :y="y + 16"
      :width="scale.wide(s)"
      :height="height - 32"
      fill="transparent"
      stroke="var(--rule-strong)"
      stroke-dasharray="2 2"
    />
    <template v-for="(s, i) in stretches" :key="`w${i}`">
      <rect
        class="plan-piece"
        :x="scale.x(s[0])"
        :y="y + 7"
        :width="scale.wide(s)"
        :height="height - 14"
        :fill="work.colour ?? 'var(--rule-strong)'"
        stroke="var(--sheet)"
        stroke-width="0.8"
      />
      <g v-if="scale.wide(s) > NUMBERED_PX">
        <rect
          :x="scale.x(s[0]) + 2"
          :y="y + 14"
          :width="scale.wide(s) > NAMED_PX ? scale.wide(s) - 4 : Math.min(scale.wide(s) - 4, PLATE_PX)"
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
        <text
          v-if="scale.wide(s) > NAMED_PX"
          :x="scale.x(s[0]) + 2 + PLATE_PX"
          :y="y + 28"
          font-size="12.5"
          fill="var(--ink)"
        >
          {{ named(scale.wide(s)) }}
        </text>
        <path
          v-if="pinned && i === 0"
          :d="`M${scale.x(s[0]) + 2} ${y + 7} h10 l-5 7 z`"
          fill="var(--ink)"
          stroke="var(--sheet)"
          stroke-width="0.8"
        />
      </g>
    </template>
  </g>
</template>
