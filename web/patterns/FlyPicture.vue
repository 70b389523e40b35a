<script setup lang="ts">
import { computed, useId } from "vue";
import { drawFly, pathsOf, type Measure } from "@kasten/core/drawing";
import type { ComposedFly } from "@kasten/core/fly";
import { lengthFigure } from "../parts/units";
import { useSession } from "../team";

/** The side view of a computed fly, to scale. */
const props = defineProps<{
  fly: ComposedFly;
  seed: string;
  title: string;
  inside?: boolean;
  measures?: boolean;
  /** How many letters high the fly is wide: fewer are larger. */ letters?: number;
  /** The step to show in the call colour. */ step?: string;
}>();
const { person } = useSession();
const hatch = useId();
const drawing = computed(() => drawFly(props.fly, { seed: props.seed, inside: props.inside }));
const paths = computed(() => pathsOf(drawing.value));
/** A left-handed tier sees the eye on the left. */
const mirrored = computed(() => person.value?.handed === "left");

const frame = computed(() => {
  const [x, y, w, h] = drawing.value.box;
  return { x, y, w, h };
});
/** A figure is about twice as wide as it is high: of a taller fly the height decides how small it is shown. */
const USUAL_ASPECT = 2;
const text = computed(() => Math.max(frame.value.w, USUAL_ASPECT * frame.value.h) / (props.letters ?? 50));
const flip = (x: number): number => (mirrored.value ? 2 * frame.value.x + frame.value.w - x : x);
const ink = (colour: string | undefined): string => (colour === "hatch" ? `url(#${hatch})` : (colour ?? "none"));

interface Row {
  label: string;
  a: number;
  b: number;
  y: number;
  row: number;
}
/** Lengths as lines above the fly, each in the first row where it does not run into another. */
const rows = computed<Row[]>(() => {
  const size = text.value;
  const ends: number[][] = [];
  return drawing.value.measures
    .filter((m) => m.mm > 0)
    .map((m: Measure) => {
      const label = `${m.label} ${lengthFigure(m.mm)}`;
      const [a, b] = [Math.min(flip(m.from[0]), flip(m.to[0])), Math.max(flip(m.from[0]), flip(m.to[0]))];
      const half = (label.length * size * 0.52) / 2;
      const [left, right] = [Math.min(a, (a + b) / 2 - half), Math.max(b, (a + b) / 2 + half)];
      let row = ends.findIndex((taken) =>
        taken.every((x, i) =>
          i % 2 === 0 ? right < x - size * 0.4 || left > (taken[i + 1] as number) + size * 0.4 : true,
        ),
      );
      if (row === -1) row = ends.push([]) - 1;
      ends[row]?.push(left, right);
      return { label, a, b, y: (m.from[1] + m.to[1]) / 2, row };
    });
});
const depth = computed(() => (props.measures ? 1 + Math.max(-1, ...rows.value.map((r) => r.row)) : 0));
const rowHeight = computed(() => text.value * 1.75);
const rowY = (row: number): number => frame.value.y - (row + 0.35) * rowHeight.value;
const ruler = computed(() => {
  const y = frame.value.y + frame.value.h + text.value * 0.9;
  const last = Math.max(...drawing.value.landmarks.map((l) => l.mm));
  const ends: [number, number][][] = [];
  const marks = [...drawing.value.landmarks]
    .sort((a, b) => a.mm - b.mm)
    .map((m) => {
      const x = flip(m.at[0]);
      const half = ((m.name.length + 5) * text.value * 0.46) / 2;
      let row = ends.findIndex((taken) => taken.every(([l, r]) => x + half < l || x - half > r));
      if (row === -1) row = ends.push([]) - 1;
      ends[row]?.push([x - half, x + half]);
      return { ...m, x, row };
    });
  return {
    y,
    from: flip(0),
    to: flip(-Math.ceil(last)),
    ticks: Array.from({ length: Math.ceil(last) + 1 }, (_, i) => ({ x: flip(-i), long: i % 5 === 0, mm: i })),
    marks,
    deep: Math.max(0, ...marks.map((m) => m.row)),
  };
});
const box = computed(() => {
  const { x, y, w, h } = frame.value;
  if (!props.measures) return [x, y, w, h];
  const top = depth.value * rowHeight.value;
  const labels = rows.value.map((r) => (r.label.length * text.value * 0.52) / 2);
  const left = Math.min(x, ...rows.value.map((r, i) => (r.a + r.b) / 2 - (labels[i] ?? 0)));
  const right = Math.max(x + w, ...rows.value.map((r, i) => (r.a + r.b) / 2 + (labels[i] ?? 0)));
  return [left, y - top - text.value * 0.5, right - left, h + top + text.value * (3.4 + 1.15 * ruler.value.deep)];
});
</script>

<template>
  <svg
    :viewBox="box.map((n) => n.toFixed(2)).join(' ')"
    class="h-full w-full"
    role="img"
    :aria-label="title"
    preserveAspectRatio="xMidYMid meet"
  >
    <defs>
      <pattern :id="hatch" width="0.5" height="0.5" patternUnits="userSpaceOnUse">
        <rect width="0.5" height="0.5" fill="#c9cdc6" />
        <path d="M0 .5.5 0" stroke="#555" stroke-width="0.06" />
      </pattern>
    </defs>
    <g :transform="mirrored ? `translate(${(2 * frame.x + frame.w).toFixed(2)} 0) scale(-1 1)` : undefined">
      <template v-for="(p, i) in paths" :key="i">
        <path
          v-if="p.stroke !== undefined"
          :d="p.d"
          fill="none"
          :stroke="step && p.step === step ? 'var(--mark)' : ink(p.stroke)"
          :stroke-width="p.width"
          stroke-linecap="round"
          stroke-linejoin="round"
        />
        <path
          v-else
          :d="p.d"
          :fill="ink(p.fill)"
          :stroke="step && p.step === step ? 'var(--mark)' : p.edged ? 'var(--fly-edge)' : 'none'"
          :stroke-width="step && p.step === step ? 0.16 : 0.06"
          stroke-linejoin="round"
        />
      </template>
    </g>
    <g v-if="measures" :font-size="text" fill="#1b2a2b" stroke="none" class="measures">
      <g v-for="r in rows" :key="r.label">
        <path
          :d="`M${r.a} ${rowY(r.row)}H${r.b}M${r.a} ${rowY(r.row) - text * 0.3}v${text * 0.6}M${r.b} ${rowY(r.row) - text * 0.3}v${text * 0.6}`"
          stroke="#1b2a2b"
          :stroke-width="text * 0.07"
        />
        <path
          :d="`M${r.a} ${rowY(r.row)}V${r.y}M${r.b} ${rowY(r.row)}V${r.y}`"
          stroke="#1b2a2b"
          :stroke-width="text * 0.03"
          opacity="0.35"
        />
        <text :x="(r.a + r.b) / 2" :y="rowY(r.row) - text * 0.35" text-anchor="middle">{{ r.label }}</text>
      </g>
      <path :d="`M${ruler.from} ${ruler.y}H${ruler.to}`" stroke="#1b2a2b" :stroke-width="text * 0.07" />
      <path
        v-for="t in ruler.ticks"
        :key="t.mm"
        :d="`M${t.x} ${ruler.y}v${text * (t.long ? 0.55 : 0.3)}`"
        stroke="#1b2a2b"
        :stroke-width="text * 0.06"
      />
      <g v-for="m in ruler.marks" :key="m.name">
        <path
          :d="`M${m.x} ${ruler.y - text * 0.5}v${text * (0.9 + 1.15 * m.row)}`"
          stroke="#1b2a2b"
          :stroke-width="text * 0.09"
        />
        <text :x="m.x" :y="ruler.y + text * (1.55 + 1.15 * m.row)" text-anchor="middle" :font-size="text * 0.86">
          {{ m.name }}
          <tspan font-weight="700">{{ lengthFigure(m.mm) }}</tspan>
        </text>
      </g>
    </g>
  </svg>
</template>
