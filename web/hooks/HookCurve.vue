<script setup lang="ts">
import { scaleLinear, scaleLog } from "d3-scale";
import { line, curveLinear } from "d3-shape";
import { computed } from "vue";
import { DomainError } from "@kasten/core/errors";
import { formatSize, hookAt, sizeNumber, type HookModel, type HookQuantity } from "@kasten/core/hooks";

/**
 * One quantity of a hook over its sizes: measured points, the line between them, and the nominal line for comparison.
 */
const props = defineProps<{
  model: HookModel;
  quantity: HookQuantity;
  label: string;
  /** Rows as they are being typed. */ draft?: HookModel;
}>();
const W = 300;
const H = 176;
const pad = { left: 34, right: 12, top: 12, bottom: 26 };

const span = computed(() => {
  const ns = props.model.rows.map((r) => sizeNumber(r.size));
  const [low, high] = ns.length > 0 ? [Math.min(...ns), Math.max(...ns)] : [8, 16];
  return [low - 2, high + 2] as const;
});
const STEP = 0.25;
const valueAt = (model: HookModel, n: number): number | undefined => {
  try {
    return hookAt(model, formatSize(Math.round(n)))[props.quantity];
  } catch (error) {
    if (error instanceof DomainError) return undefined; // beyond what is known: the line ends there
    throw error;
  }
};
/** Between whole sizes the line runs straight in the logarithm, as the computation does. */
const points = (model: HookModel): [number, number][] => {
  const out: [number, number][] = [];
  for (let n = span.value[0]; n <= span.value[1]; n += STEP) {
    const [a, b] = [valueAt(model, Math.floor(n)), valueAt(model, Math.ceil(n))];
    if (a === undefined || b === undefined) continue;
    const t = n - Math.floor(n);
    out.push([n, Math.exp(Math.log(a) * (1 - t) + Math.log(b) * t)]);
  }
  return out;
};
const bare = computed<HookModel>(() => ({ ...props.model, rows: [] }));
const shown = computed(() => points(props.draft ?? props.model));
const nominal = computed(() => points(bare.value));
const measured = computed(() =>
  (props.draft ?? props.model).rows.flatMap((r) =>
    r[props.quantity] === undefined
      ? []
      : [{ n: sizeNumber(r.size), size: r.size, value: r[props.quantity] as number }],
  ),
);
const kept = computed(() =>
  props.model.rows
    .filter((r) => r[props.quantity] === undefined && !measured.value.some((m) => m.size === r.size))
    .flatMap((r) => {
      const value = valueAt(props.draft ?? props.model, sizeNumber(r.size));
      return value === undefined ? [] : [{ n: sizeNumber(r.size), size: r.size, value }];
    }),
);
const x = computed(() => scaleLinear([span.value[1], span.value[0]], [pad.left, W - pad.right]));
const y = computed(() => {
  const values = [...shown.value, ...nominal.value].map((p) => p[1]);
  return scaleLog([Math.min(...values) * 0.92, Math.max(...values) * 1.08], [H - pad.bottom, pad.top]);
});
const path = computed(() =>
  line<[number, number]>(
    (p) => x.value(p[0]),
    (p) => y.value(p[1]),
  ).curve(curveLinear),
);
const ticks = computed(() => scaleLinear(y.value.domain(), [0, 1]).ticks(4));
const sizes = computed(() =>
  Array.from({ length: span.value[1] - span.value[0] + 1 }, (_, i) => span.value[0] + i).filter((n) => n % 2 === 0),
);
const extent = computed(() => {
  const ns = measured.value.map((m) => m.n);
  return ns.length > 1 ? ([Math.min(...ns), Math.max(...ns)] as const) : undefined;
});
</script>

<template>
  <svg
    :viewBox="`0 0 ${W} ${H}`"
    class="w-full"
    role="img"
    :aria-label="`${label} over hook sizes: ${measured.length} measured, ${kept.length} computed`"
  >
    <text :x="pad.left" y="9" font-size="10" fill="var(--ink-soft)">{{ label }}, mm</text>
    <rect
      v-if="extent"
      :x="x(extent[1])"
      :y="pad.top"
      :width="x(extent[0]) - x(extent[1])"
      :height="H - pad.top - pad.bottom"
      fill="var(--well)"
    />
    <g v-for="t in ticks" :key="t">
      <path :d="`M${pad.left} ${y(t)}H${W - pad.right}`" stroke="var(--rule)" stroke-width="0.7" />
      <text :x="pad.left - 4" :y="y(t) + 3" text-anchor="end" font-size="9" fill="var(--ink-soft)">{{ t }}</text>
    </g>
    <g v-for="n in sizes" :key="n">
      <text :x="x(n)" :y="H - 14" text-anchor="middle" font-size="9" fill="var(--ink-soft)">{{ formatSize(n) }}</text>
    </g>
    <path :d="path(nominal) ?? ''" fill="none" stroke="var(--rule-strong)" stroke-width="1.2" stroke-dasharray="3 3" />
    <path :d="path(shown) ?? ''" fill="none" stroke="var(--deep)" stroke-width="1.8" />
    <circle
      v-for="k in kept"
      :key="`k${k.size}`"
      :cx="x(k.n)"
      :cy="y(k.value)"
      r="3.2"
      fill="var(--sheet)"
      stroke="var(--deep)"
      stroke-width="1.4"
    >
      <title>size {{ k.size }}: {{ k.value.toFixed(2) }} mm, computed</title>
    </circle>
    <path
      v-for="m in measured"
      :key="`m${m.size}`"
      :d="`M${x(m.n)} ${y(m.value) - 5.2}l5.2 5.2l-5.2 5.2l-5.2 -5.2Z`"
      fill="var(--call)"
    >
      <title>size {{ m.size }}: {{ m.value.toFixed(2) }} mm, measured here</title>
    </path>
    <text :x="(pad.left + W - pad.right) / 2" :y="H - 2" text-anchor="middle" font-size="9" fill="var(--ink-soft)">
      hook size
    </text>
  </svg>
</template>
