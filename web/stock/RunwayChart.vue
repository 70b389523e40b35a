<script setup lang="ts">
import { addDays } from "date-fns";
import { scaleLinear } from "d3-scale";
import { area, curveStepAfter, line } from "d3-shape";
import { computed } from "vue";
import type { MaterialOutlook } from "@kasten/contract/stock";
import type { StockUnit } from "@kasten/core/units";
import { day, quantity } from "../parts/format";

/** One material against time: what lies there falls with each batch and rises with each delivery, to the day it ends. */
const props = defineProps<{ outlook: MaterialOutlook; unit: StockUnit }>();
const WIDTH = 760;
const HEIGHT = 190;
/** Room for how much, and for the word of the first day. */
const LEFT = 76;
const TOP = 14;
const BOTTOM = 28;
const MARGIN_DAYS = 6;
const DAY_MS = 86_400_000;
const at = (iso: string): Date => new Date(`${iso}T00:00:00`);
const levels = computed(() => props.outlook.levels);
const last = computed(() => at(levels.value.at(-1)?.day ?? props.outlook.today).getTime() + MARGIN_DAYS * DAY_MS);
const x = computed(() =>
  scaleLinear()
    .domain([at(props.outlook.today).getTime(), last.value])
    .range([LEFT, WIDTH - 8]),
);
const y = computed(() => {
  const values = [0, props.outlook.there, ...levels.value.map((l) => l.level)];
  return scaleLinear()
    .domain([Math.min(...values), Math.max(1, ...values)])
    .range([HEIGHT - BOTTOM, TOP])
    .nice();
});
interface Point {
  at: Date;
  level: number;
}
const points = computed((): Point[] => {
  const path = levels.value.map((l) => ({ at: at(l.day), level: l.level }));
  return [...path, { at: new Date(last.value), level: path.at(-1)?.level ?? props.outlook.there }];
});
const toX = (p: Point): number => x.value(p.at.getTime());
const xOf = (iso: string): number => x.value(at(iso < props.outlook.today ? props.outlook.today : iso).getTime());
const toY = (p: Point): number => y.value(p.level);
const path = computed(() => line<Point>().x(toX).y(toY).curve(curveStepAfter)(points.value) ?? "");
const fill = computed(
  () =>
    area<Point>()
      .x(toX)
      .y0(y.value(0))
      .y1((p) => y.value(Math.max(0, p.level)))
      .curve(curveStepAfter)(points.value) ?? "",
);
const missing = computed(
  () =>
    area<Point>()
      .x(toX)
      .y0(y.value(0))
      .y1((p) => y.value(Math.min(0, p.level)))
      .curve(curveStepAfter)(points.value) ?? "",
);
const MOST_TICKS = 6;
/** Whole days, so many of them that their words have room. */
const ticks = computed(() => {
  const from = at(props.outlook.today);
  const days = Math.round((last.value - from.getTime()) / DAY_MS);
  const step = Math.max(1, Math.ceil(days / MOST_TICKS));
  return Array.from({ length: Math.ceil(days / step) }, (_, i) => addDays(from, i * step));
});
const AMOUNTS = 3;
const amounts = computed(() => y.value.ticks(AMOUNTS));
const tickWords = (d: Date): string => `${d.getDate()} ${d.toLocaleString("en", { month: "short" })}`;
const much = (q: number): string => quantity(Math.abs(q), props.unit);
/** The picture in a sentence, for whoever hears it. */
const told = computed(() => {
  const { runsOut, orderBy, there } = props.outlook;
  const end = runsOut ? `runs out on ${day(runsOut)}` : "lasts for all of the coming work";
  return `${much(there)} there; ${end}${orderBy ? `, to be ordered by ${day(orderBy)}` : ""}.`;
});
const orderAt = computed(() => props.outlook.orderBy);
</script>

<template>
  <figure>
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" class="w-full max-w-4xl" role="img" :aria-label="told">
      <g v-for="q in amounts" :key="q">
        <line :x1="LEFT" :x2="WIDTH" :y1="y(q)" :y2="y(q)" stroke="var(--rule)" />
        <text :x="LEFT - 8" :y="y(q) + 4" text-anchor="end" class="words" fill="var(--ink-soft)">
          {{ q < 0 ? "−" : "" }}{{ much(q) }}
        </text>
      </g>
      <path :d="fill" fill="var(--deep)" opacity="0.16" />
      <path :d="missing" fill="var(--call)" opacity="0.22" />
      <line :x1="LEFT" :x2="WIDTH" :y1="y(0)" :y2="y(0)" stroke="var(--rule-strong)" />
      <path :d="path" fill="none" stroke="var(--deep)" stroke-width="2.5" stroke-linejoin="round" />
      <g v-for="n in outlook.needs" :key="n.batch + n.quantity">
        <title>batch {{ n.number }}, {{ n.pattern }}: {{ much(n.quantity) }}, {{ day(n.day) }}</title>
        <path :d="`M${xOf(n.day)},${y(0) - 5} l4,8 l-8,0 Z`" fill="var(--ink-soft)" />
      </g>
      <g v-for="a in outlook.arrivals" :key="a.order">
        <title>purchase order {{ a.number }}, {{ a.supplier }}: {{ much(a.quantity) }}, {{ day(a.day) }}</title>
        <line
          :x1="xOf(a.day)"
          :x2="xOf(a.day)"
          :y1="TOP"
          :y2="y(0)"
          stroke="var(--done)"
          stroke-width="2"
          :stroke-dasharray="a.confirmed ? undefined : '3 4'"
        />
        <text :x="xOf(a.day) + 4" :y="TOP + 8" class="words" fill="var(--done)">+{{ much(a.quantity) }}</text>
      </g>
      <g v-if="outlook.runsOut">
        <line
          :x1="xOf(outlook.runsOut)"
          :x2="xOf(outlook.runsOut)"
          :y1="TOP"
          :y2="HEIGHT - BOTTOM"
          stroke="var(--call)"
          stroke-width="2"
        />
        <text :x="xOf(outlook.runsOut) + 4" :y="HEIGHT - BOTTOM - 4" class="words" fill="var(--call)">
          out {{ day(outlook.runsOut) }}
        </text>
      </g>
      <g v-if="orderAt && orderAt >= outlook.today">
        <line
          :x1="xOf(orderAt)"
          :x2="xOf(orderAt)"
          :y1="TOP"
          :y2="HEIGHT - BOTTOM"
          stroke="var(--call)"
          stroke-dasharray="2 4"
        />
        <text :x="xOf(orderAt) + 4" :y="TOP + 22" class="words" fill="var(--call)">order by {{ day(orderAt) }}</text>
      </g>
      <g v-for="t in ticks" :key="t.getTime()">
        <line
          :x1="x(t.getTime())"
          :x2="x(t.getTime())"
          :y1="HEIGHT - BOTTOM"
          :y2="HEIGHT - BOTTOM + 5"
          stroke="var(--rule-strong)"
        />
        <text :x="x(t.getTime())" :y="HEIGHT - 8" text-anchor="middle" class="words" fill="var(--ink-soft)">
          {{ tickWords(t) }}
        </text>
      </g>
    </svg>
    <figcaption>
      <template v-if="outlook.runsOut"
        ><b class="text-call">Runs out on {{ day(outlook.runsOut) }}</b
        >, {{ much(outlook.missing) }} short in all.
        <template v-if="outlook.orderBy && outlook.orderBy >= outlook.today"
          >Order by <b>{{ day(outlook.orderBy) }}</b>: {{ outlook.supplier }} takes about
          <span class="fig">{{ outlook.leadDays }}</span> days.</template
        ><template v-else-if="outlook.orderBy"
          >It should have been ordered by {{ day(outlook.orderBy) }}: {{ outlook.supplier }} takes about
          <span class="fig">{{ outlook.leadDays }}</span> days.</template
        ><template v-else>Nobody is known who sells it.</template></template
      ><template v-else-if="outlook.needs.length > 0">It lasts for all of the coming work.</template
      ><template v-else>No open batch asks for it.</template>
      <span v-if="outlook.perWeek > 0" class="text-soft">
        Batches took {{ much(outlook.perWeek) }} a week of late<template v-if="outlook.reorderAt"
          >; it is ordered again below {{ much(outlook.reorderAt) }}</template
        >.</span
      >
    </figcaption>
  </figure>
</template>

<style scoped>
.words {
  font-size: 12px;
  font-family: var(--font-sans);
}
</style>
