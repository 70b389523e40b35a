<script setup lang="ts">
import { scaleLinear } from "d3-scale";
import { computed } from "vue";
import type { FeatherShareData } from "@kasten/contract/stock";
import { day } from "../parts/format";

/**
 * Feathers by class, shared out: classes stand along a ruler of barb or fibre lengths, each as high as it has feathers; below,
 * each batch with the stretch that it accepts, filled where it takes its feathers from.
 */
const props = defineProps<{ share: FeatherShareData }>();
const WIDTH = 760;
const LEFT = 190;
const RIGHT = 96;
const HIGH = 120;
const ROW = 26;
const RULER = 26;
const sorted = computed(() => props.share.classes.filter((c) => c.barb !== null));
const unsorted = computed(() => props.share.classes.filter((c) => c.barb === null));
const bounds = computed(() => {
  const all = [...sorted.value.flatMap((c) => c.barb ?? []), ...props.share.demands.flatMap((d) => d.barb ?? [])];
  return all.length > 0 ? [Math.min(...all) - 0.4, Math.max(...all) + 0.4] : [0, 1];
});
const x = computed(() =>
  scaleLinear()
    .domain(bounds.value)
    .range([LEFT, WIDTH - RIGHT]),
);
/** Lots of the same class stand on each other. */
const stacks = computed(() => {
  const stands = new Map<string, number>();
  return sorted.value.map((c) => {
    const key = (c.barb ?? []).join("–") + (c.side ?? "");
    const below = stands.get(key) ?? 0;
    stands.set(key, below + c.there);
    return { ...c, below, from: c.barb?.[0] ?? 0, to: c.barb?.[1] ?? 0 };
  });
});
const most = computed(() => Math.max(1, ...stacks.value.map((c) => c.below + c.there)));
const y = (n: number): number => HIGH - (HIGH - 18) * (n / most.value);
const middle = (id: string): number => {
  const c = stacks.value.find((s) => s.id === id);
  return c ? (c.from + c.to) / 2 : 0;
};
const height = computed(() => HIGH + RULER + props.share.demands.length * ROW + 6);
const ticks = computed(() => x.value.ticks(8));
const failing = computed(() => stacks.value.find((c) => c.id === props.share.failsFirst));
const size = (n: number): number => 4 + Math.min(7, Math.sqrt(n) * 1.1);
</script>

<template>
  <figure>
    <svg
      :viewBox="`0 0 ${WIDTH} ${height}`"
      class="w-full max-w-4xl"
      role="img"
      aria-label="Feathers by class, and which batch takes which"
    >
      <g v-for="c in stacks" :key="c.id">
        <title>
          {{ c.code }}, {{ c.from }}–{{ c.to }} mm: {{ c.there }} there, {{ c.reserved }} put by, {{ c.left }} left over
        </title>
        <rect
          :x="x(c.from) + 1"
          :width="Math.max(2, x(c.to) - x(c.from) - 2)"
          :y="y(c.below + c.there)"
          :height="y(c.below) - y(c.below + c.there)"
          :fill="c.id === share.failsFirst ? 'var(--call)' : 'var(--rule-strong)'"
        />
        <rect
          :x="x(c.from) + 1"
          :width="Math.max(2, x(c.to) - x(c.from) - 2)"
          :y="y(c.below + c.left)"
          :height="y(c.below) - y(c.below + c.left)"
          fill="var(--well)"
          stroke="var(--rule-strong)"
        />
        <text
          :x="x((c.from + c.to) / 2)"
          :y="y(c.below + c.there) - 3"
          text-anchor="middle"
          class="fig words"
          fill="var(--ink)"
        >
          {{ c.there }}
        </text>
      </g>
      <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="HIGH" :y2="HIGH" stroke="var(--ink-soft)" />
      <g v-for="t in ticks" :key="t">
        <line :x1="x(t)" :x2="x(t)" :y1="HIGH" :y2="HIGH + 5" stroke="var(--ink-soft)" />
        <text :x="x(t)" :y="HIGH + 18" text-anchor="middle" class="words fig" fill="var(--ink-soft)">{{ t }}</text>
      </g>
      <text :x="LEFT - 10" :y="HIGH + 18" text-anchor="end" class="words" fill="var(--ink-soft)">
        barbs or fibres, mm
      </text>
      <g v-for="(d, i) in share.demands" :key="d.batch + i" :transform="`translate(0 ${HIGH + RULER + i * ROW})`">
        <RouterLink :to="`/batches/${d.batch}`">
          <text :x="LEFT - 10" y="16" text-anchor="end" class="words link" fill="var(--deep)">
            {{ d.pattern }}, batch {{ d.number }}
          </text>
        </RouterLink>
        <rect
          v-if="d.barb"
          :x="x(d.barb[0])"
          :width="Math.max(2, x(d.barb[1]) - x(d.barb[0]))"
          y="5"
          height="14"
          fill="var(--well)"
          stroke="var(--rule-strong)"
        />
        <g v-for="t in d.takes" :key="t.class">
          <circle :cx="x(middle(t.class))" cy="12" :r="size(t.feathers)" fill="var(--deep)" />
          <text :x="x(middle(t.class)) + size(t.feathers) + 2" y="16" class="words fig" fill="var(--ink)">
            {{ t.feathers }}
          </text>
        </g>
        <text
          :x="WIDTH - RIGHT + 10"
          y="16"
          class="words"
          :fill="d.short > 0 ? 'var(--call)' : 'var(--ink-soft)'"
          :font-weight="d.short > 0 ? 700 : 400"
        >
          {{ d.short > 0 ? `short ${d.short}` : day(d.due) }}
        </text>
      </g>
    </svg>
    <figcaption class="text-[0.94rem]">
      <template v-if="failing"
        ><b class="text-call">Those of {{ failing.from }}–{{ failing.to }} mm run out first.</b> Buy a skin that is rich
        in them, rather than more feathers. </template
      ><template v-else>No class runs out. </template
      ><span class="text-soft"
        >What is left over when every batch has its own stands pale at the foot of each class.</span
      >
      <template v-if="unsorted.length > 0">
        Not sorted yet:
        <template v-for="(c, i) in unsorted" :key="c.id"
          ><template v-if="i > 0">, </template
          ><RouterLink class="link" :to="`/lots/${c.lot}`">{{ c.code }}</RouterLink> ({{ c.there }})</template
        >.</template
      >
    </figcaption>
  </figure>
</template>

<style scoped>
.words {
  font-size: 12px;
}
</style>
