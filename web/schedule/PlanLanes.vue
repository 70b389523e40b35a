<script setup lang="ts">
import { useElementSize } from "@vueuse/core";
import { computed, useTemplateRef } from "vue";
import type { Assignment } from "@kasten/core/schedule";
import type { Plan } from "@kasten/contract/schedule";
import TradeWord from "../parts/TradeWord.vue";
import { day } from "../parts/format";
import PlanWork from "./PlanWork.vue";
import { planScale, timeOf, type ShownDays } from "./planTime";

/**
 * Each person's hours with the work planned in them, and the rack that what is tied dries on. Drawn at the width that
 * is there, pixel by pixel, so that a name always stands beside its own lane; on a phone above it.
 */
const props = defineProps<{
  plan: Plan;
  days: ShownDays;
  /** Whether batches can be moved, and which one is being moved. */
  movable: boolean;
  chosen: string;
  /** Who could tie it. */
  able: string[];
  /** Where it was tried, and is not yet. */
  tried: Assignment | undefined;
}>();
const emit = defineEmits<{
  choose: [work: Plan["work"][number]];
  drag: [person: string, minute: number];
  step: [time: number, people: number];
  leave: [];
}>();
const PHONE_PX = 640;
const NAMES_PX = 104;
const HEAD_PX = 26;
const LANE_PX = 46;
const NAME_ROW_PX = 20;
const RACK_PX = 44;
const USUAL_PX = 1000;
const { width } = useElementSize(useTemplateRef<HTMLElement>("box"));
const isPhone = computed(() => width.value > 0 && width.value < PHONE_PX);
const wide = computed(() => Math.max(200, (width.value || USUAL_PX) - (isPhone.value ? 0 : NAMES_PX)));
const scale = computed(() => planScale(props.plan, props.days, wide.value));
const lane = computed(() => LANE_PX + (isPhone.value ? NAME_ROW_PX : 0));
const lanes = computed(() =>
  props.plan.people.map((person, i) => ({
    ...person,
    top: HEAD_PX + i * lane.value,
    y: HEAD_PX + i * lane.value + (isPhone.value ? NAME_ROW_PX : 0),
    hours: person.windows.filter(([a, b]) => scale.value.shown(a, b)),
    work: props.plan.work.filter((w) => w.person === person.id && scale.value.shown(w.setupStart, w.end)),
  })),
);
const drying = computed(() =>
  props.plan.work.filter((w) => w.dryUntil !== null && scale.value.shown(w.end, w.dryUntil)),
);
const rackY = computed(() => HEAD_PX + props.plan.people.length * lane.value + (isPhone.value ? NAME_ROW_PX : 0));
const height = computed(() => rackY.value + RACK_PX);
const pinned = computed(() => new Set(props.plan.batches.filter((b) => b.pin && !b.pin.fault).map((b) => b.id)));
const isMovable = (w: Plan["work"][number]): boolean => props.movable && w.kind === "tie" && w.start > props.plan.now;
function dragged(x: number, y: number): void {
  const l = lanes.value.find((p) => y >= p.top && y < p.top + lane.value);
  if (l) emit("drag", l.id, scale.value.minuteAt(Math.min(wide.value - 1, Math.max(0, x))));
}
const ghost = computed(() => {
  const l = lanes.value.find((p) => p.id === props.tried?.person);
  if (!l || !props.tried) return [];
  return scale.value.worked(l.windows, props.tried.start, props.tried.end).map((s) => ({ s, y: l.y }));
});
const nowShown = computed(() => scale.value.shown(props.plan.now, props.plan.now + 1));
/** Days as they fit: the whole date, its day and number, or the number alone. */
const DATE_PX = 76;
const NUMBER_PX = 30;
function dateAt(date: string, i: number): string {
  const room = wide.value / props.days.count;
  if (room >= DATE_PX) return day(date);
  return room >= NUMBER_PX || i % 2 === 0 ? String(Number(date.slice(8))) : "";
}
</script>

<template>
  <div class="sheet p-2">
    <div ref="box" class="flex min-w-0">
      <div v-if="!isPhone" class="relative w-[104px] shrink-0" :style="{ height: `${height}px` }">
        <div
          v-for="l in lanes"
          :key="l.id"
          class="absolute flex w-full items-center overflow-hidden pr-2 text-[0.92rem] font-semibold leading-tight"
          :style="{ top: `${l.top}px`, height: `${lane}px` }"
        >
          {{ l.name }}
        </div>
        <div class="absolute text-[0.88rem] text-soft" :style="{ top: `${rackY + 8}px` }">drying rack</div>
      </div>
      <svg
        :width="wide"
        :height="height"
        class="block min-w-0 shrink-0"
        role="group"
        aria-label="Each person’s hours with the work planned in them; the same is in the table below"
      >
        <g v-for="(d, i) in scale.days" :key="d.date">
          <line
            :x1="(i * wide) / days.count"
            :x2="(i * wide) / days.count"
            y1="0"
            :y2="height"
            stroke="var(--rule-strong)"
          />
          <text :x="(i * wide) / days.count + 5" y="16" font-size="13" fill="var(--ink-soft)">
            {{ dateAt(d.date, i) }}
          </text>
        </g>
        <g v-for="l in lanes" :key="l.id">
          <text v-if="isPhone" x="4" :y="l.top + 15" font-size="13" font-weight="650" fill="var(--ink)">
            {{ l.name }}
          </text>
          <line x1="0" :x2="wide" :y1="l.top + lane" :y2="l.top + lane" stroke="var(--rule)" />
          <rect
            v-for="(h, i) in l.hours"
            :key="i"
            :x="scale.x(h[0])"
            :y="l.y + 4"
            :width="scale.wide(h)"
            :height="LANE_PX - 8"
            :fill="chosen && !able.includes(l.id) ? 'none' : 'var(--well)'"
            :stroke="chosen && !able.includes(l.id) ? 'var(--rule)' : 'none'"
          />
          <PlanWork
            v-for="w in l.work"
            :key="w.batch + w.kind + w.start"
            :plan="plan"
            :work="w"
            :scale="scale"
            :windows="l.windows"
            :y="l.y"
            :height="LANE_PX"
            :movable="isMovable(w)"
            :chosen="w.id === chosen"
            :pinned="w.kind === 'tie' && pinned.has(w.batch)"
            @choose="emit('choose', w)"
            @drag="dragged"
            @step="(time, people) => emit('step', time, people)"
            @leave="emit('leave')"
          />
        </g>
        <rect
          v-for="(g, i) in ghost"
          :key="`g${i}`"
          class="pointer-events-none"
          :x="scale.x(g.s[0])"
          :y="g.y + 4"
          :width="scale.wide(g.s)"
          :height="LANE_PX - 8"
          fill="none"
          stroke="var(--call)"
          stroke-width="2.5"
        />
        <line
          v-if="nowShown"
          :x1="scale.x(plan.now)"
          :x2="scale.x(plan.now)"
          y1="20"
          :y2="height"
          stroke="var(--call)"
          stroke-width="1.5"
        />
        <text v-if="isPhone" x="4" :y="rackY - 4" font-size="13" fill="var(--ink-soft)">drying rack</text>
        <g v-for="(w, i) in drying" :key="`d${i}`">
          <title>Batch {{ w.number }} dries until {{ timeOf(plan, w.dryUntil ?? 0) }}</title>
          <line
            :x1="scale.x(w.end)"
            :x2="scale.x(w.dryUntil ?? w.end)"
            :y1="rackY + 8 + (i % 5) * 6"
            :y2="rackY + 8 + (i % 5) * 6"
            :stroke="w.colour ?? 'var(--rule-strong)'"
            stroke-width="4"
          />
        </g>
      </svg>
    </div>
    <p class="mt-1 text-[0.88rem] text-soft">
      Grey: hours worked, rests taken off. Filled: a batch, in the colour of its body. Dashed: change-over. Line: now.
      {{ plan.changeOverMinutes }} minutes of <TradeWord word="change-over">change-over</TradeWord> in all; cost
      {{ plan.cost.total.toFixed(0) }}, no plan can cost less than {{ plan.lowerBound.toFixed(0) }}.
    </p>
    <p v-if="plan.violations.length" class="callout">
      The plan breaks a rule and cannot be relied on: {{ plan.violations.join("; ") }}
    </p>
  </div>
</template>
