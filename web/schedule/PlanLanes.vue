<script setup lang="ts">
import { computed } from "vue";
import type { Plan } from "@kasten/contract/schedule";
import { day } from "../parts/format";
import { planScale, timeOf, type ShownDays } from "./planTime";

/** Each person's hours with the work planned in them, and the rack that what is tied dries on. */
const props = defineProps<{ plan: Plan; days: ShownDays }>();
const WIDTH = 1000;
const LANE = 46;
const TOP = 26;
const scale = computed(() => planScale(props.plan, props.days, WIDTH));
const lanes = computed(() =>
  props.plan.people.map((person, i) => ({
    ...person,
    y: TOP + i * LANE,
    hours: person.windows.filter(([a, b]) => scale.value.shown(a, b)),
    work: props.plan.work.filter((w) => w.person === person.id && scale.value.shown(w.setupStart, w.end)),
  })),
);
const drying = computed(() =>
  props.plan.work.filter((w) => w.dryUntil !== null && scale.value.shown(w.end, w.dryUntil)),
);
const rackY = computed(() => TOP + props.plan.people.length * LANE);
const height = computed(() => rackY.value + 40);
const nowShown = computed(() => scale.value.shown(props.plan.now, props.plan.now + 1));
</script>

<template>
  <div class="sheet overflow-x-auto p-2">
    <div class="flex min-w-[46rem]">
      <div class="w-24 shrink-0 pt-[26px]">
        <div
          v-for="l in lanes"
          :key="l.id"
          class="flex h-[46px] items-center pr-2 text-[0.92rem] font-semibold leading-tight"
        >
          {{ l.name }}
        </div>
        <div class="pt-1 text-[0.88rem] text-soft">drying rack</div>
      </div>
      <svg
        :viewBox="`0 0 ${WIDTH} ${height}`"
        class="min-w-0 flex-1"
        role="img"
        aria-label="Each person’s hours with the work planned in them; the same is in the table below"
      >
        <g v-for="(d, i) in scale.days" :key="d.date">
          <line
            :x1="(i * WIDTH) / days.count"
            :x2="(i * WIDTH) / days.count"
            y1="0"
            :y2="height"
            stroke="var(--rule-strong)"
          />
          <text :x="(i * WIDTH) / days.count + 5" y="16" font-size="12" fill="var(--ink-soft)">{{ day(d.date) }}</text>
        </g>
        <g v-for="l in lanes" :key="l.id">
          <line x1="0" :x2="WIDTH" :y1="l.y + LANE" :y2="l.y + LANE" stroke="var(--rule)" />
          <rect
            v-for="(h, i) in l.hours"
            :key="i"
            :x="scale.x(h[0])"
            :y="l.y + 4"
            :width="scale.wide(h)"
            :height="LANE - 8"
            fill="var(--well)"
          />
          <g v-for="w in l.work" :key="w.batch + w.kind + w.start">
            <title>
              Batch {{ w.number }}, {{ w.patternName }} {{ w.size }}: {{ w.kind }}, {{ timeOf(plan, w.start) }} to
              {{ timeOf(plan, w.end) }}{{ w.setupMinutes ? `, change-over ${w.setupMinutes} min before` : "" }}
            </title>
            <rect
              v-for="(s, i) in scale.worked(l.windows, w.setupStart, w.start)"
              :key="`s${i}`"
              :x="scale.x(s[0])"
              :y="l.y + 16"
              :width="scale.wide(s)"
              :height="LANE - 32"
              fill="none"
              stroke="var(--rule-strong)"
              stroke-dasharray="2 2"
            />
            <template v-for="(s, i) in scale.worked(l.windows, w.start, w.end)" :key="`w${i}`">
              <rect
                :x="scale.x(s[0])"
                :y="l.y + 7"
                :width="scale.wide(s)"
                :height="LANE - 14"
                :fill="w.colour ?? 'var(--rule-strong)'"
                stroke="var(--sheet)"
                stroke-width="0.8"
              />
              <g v-if="i === 0 && scale.wide(s) > 26">
                <rect
                  :x="scale.x(s[0]) + 2"
                  :y="l.y + 14"
                  :width="Math.min(scale.wide(s) - 4, 24)"
                  height="17"
                  fill="var(--sheet)"
                />
                <text
                  :x="scale.x(s[0]) + 14"
                  :y="l.y + 27"
                  font-size="12"
                  font-weight="700"
                  text-anchor="middle"
                  fill="var(--ink)"
                >
                  {{ w.number }}
                </text>
              </g>
            </template>
          </g>
        </g>
        <line
          v-if="nowShown"
          :x1="scale.x(plan.now)"
          :x2="scale.x(plan.now)"
          y1="20"
          :y2="height"
          stroke="var(--call)"
          stroke-width="1.5"
        />
        <g v-for="(w, i) in drying" :key="`d${i}`">
          <title>Batch {{ w.number }} dries until {{ timeOf(plan, w.dryUntil ?? 0) }}</title>
          <line
            :x1="scale.x(w.end)"
            :x2="scale.x(w.dryUntil ?? w.end)"
            :y1="rackY + 8 + (i % 5) * 5.5"
            :y2="rackY + 8 + (i % 5) * 5.5"
            :stroke="w.colour ?? 'var(--rule-strong)'"
            stroke-width="4"
          />
        </g>
      </svg>
    </div>
    <p class="mt-1 text-[0.88rem] text-soft">
      Grey: hours worked, rests taken off. Filled: a batch, in the colour of its body. Dashed: change-over. Line: now.
      {{ plan.changeOverMinutes }} minutes of change-over in all; cost {{ plan.cost.total.toFixed(0) }}, no plan can
      cost less than {{ plan.lowerBound.toFixed(0) }}.
    </p>
    <p v-if="plan.violations.length" class="callout">
      The plan breaks a rule and cannot be relied on: {{ plan.violations.join("; ") }}
    </p>
  </div>
</template>
