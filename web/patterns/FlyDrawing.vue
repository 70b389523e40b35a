<script setup lang="ts">
import { computed, useId } from "vue";
import { drawFly, type Shape } from "@kasten/core/drawing";
import { useCatalogue } from "./catalogue";

/** The side view of a fly, drawn by the computation for this very hook size. */
const props = defineProps<{ pattern: string; size: string; variant: string; form: string; inside?: boolean; measures?: boolean }>();
const { patterns, fly } = useCatalogue();
const hatch = useId();

const composed = computed(() => fly(patterns.value.get(props.pattern), { size: props.size, variant: props.variant, form: props.form }, true));
const drawing = computed(() => (composed.value.fly ? drawFly(composed.value.fly, { seed: props.pattern, inside: props.inside }) : undefined));

/** Lightens (towards white) or darkens (towards black) a colour by a share. */
function shaded(colour: string | undefined, by = 0): string {
  if (!colour) return `url(#${hatch})`;
  const towards = by > 0 ? 255 : 0;
  const parts = [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16));
  return `#${parts.map((c) => Math.round(c + (towards - c) * Math.abs(by)).toString(16).padStart(2, "0")).join("")}`;
}
const path = (s: Exclude<Shape, { kind: "disc" }>): string => {
  const p = s.points.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`);
  return `M${p.join("L")}${s.kind === "area" ? "Z" : ""}`;
};
const title = computed(() => `${patterns.value.get(props.pattern)?.name ?? ""}, size ${props.size}, side view to scale`);
const box = computed(() => {
  const [x, y, w, h] = drawing.value?.box ?? [0, 0, 10, 6];
  return props.measures ? [x, y, w * 1.42, Math.max(h + 2.2, w * 0.36)] : [x, y, w, h];
});
const text = computed(() => Math.max(0.55, (box.value[2] ?? 10) / 46));
const bar = computed(() => ((box.value[2] ?? 10) > 40 ? 10 : 5));
const scaleAt = computed(() => ({ x: (box.value[0] ?? 0) + 0.4, y: (box.value[1] ?? 0) + (box.value[3] ?? 6) - text.value }));
</script>
<template>
  <figure class="fly relative bg-[var(--fly-ground)]">
    <svg v-if="drawing" :viewBox="box.join(' ')" class="h-full w-full" role="img" :aria-label="title" preserveAspectRatio="xMidYMid meet">
      <defs><pattern :id="hatch" width="0.5" height="0.5" patternUnits="userSpaceOnUse"><rect width="0.5" height="0.5" fill="#c9cdc6" /><path d="M0 .5.5 0" stroke="#555" stroke-width="0.06" /></pattern></defs>
      <template v-for="(s, i) in drawing.shapes" :key="i">
        <path v-if="s.kind === 'area'" :d="path(s)" :fill="shaded(s.colour, s.shade)" stroke="var(--fly-edge)" stroke-width="0.06" stroke-linejoin="round" />
        <path v-else-if="s.kind === 'stroke'" :d="path(s)" fill="none" :stroke="shaded(s.colour, s.shade)" :stroke-width="s.width" stroke-linecap="round" stroke-linejoin="round" />
        <circle v-else :cx="s.at[0]" :cy="s.at[1]" :r="s.radius" :fill="shaded(s.colour, s.shade)" />
      </template>
      <g v-if="measures" :font-size="text" fill="#1b2a2b">
        <path :d="`M${scaleAt.x} ${scaleAt.y}h${bar}M${scaleAt.x} ${scaleAt.y - 0.25}v.5M${scaleAt.x + bar} ${scaleAt.y - 0.25}v.5`" stroke="#1b2a2b" stroke-width="0.09" />
        <text :x="scaleAt.x + bar + 0.4" :y="scaleAt.y + text * 0.35">{{ bar }} mm</text>
        <template v-for="(m, i) in drawing.measures.slice(0, 8)" :key="m.label">
          <text :x="(box[0] ?? 0) + (box[2] ?? 0) - text * 5.6" :y="(box[1] ?? 0) + (i + 1.6) * text * 1.5" text-anchor="end">{{ m.label }}</text>
          <text :x="(box[0] ?? 0) + (box[2] ?? 0) - text * 0.6" :y="(box[1] ?? 0) + (i + 1.6) * text * 1.5" text-anchor="end" font-weight="700">{{ m.mm.toFixed(1) }} mm</text>
        </template>
      </g>
    </svg>
    <figcaption v-else class="flex h-full items-center justify-center p-2 text-center text-[0.85rem] text-[#33443f]">{{ composed.fault ?? "" }}</figcaption>
  </figure>
</template>
