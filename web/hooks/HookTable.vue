<script setup lang="ts">
import { computed } from "vue";
import {
  compareSizes,
  hookAt,
  hookMass,
  hookQuantities,
  type HookGeometry,
  type HookQuantity,
} from "@kasten/core/hooks";
import type { HookModelData } from "@kasten/contract/hooks";
import { lengthFigure, units } from "../parts/units";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";

/** The sizes of a hook model: what was measured stands out from what is nominal, and can be taken back. */
const props = defineProps<{ model: HookModelData; labels: Record<HookQuantity, string>; can: boolean }>();
defineEmits<{ forget: [size: string] }>();
const sizes = computed(() =>
  props.model.rows
    .map((r) => r.size)
    .sort(compareSizes)
    .map((size) => {
      const h = hookAt(props.model, size);
      return { h, own: props.model.rows.find((r) => r.size === size), mass: hookMass(h) };
    }),
);
const where = ({ sources: { shank } }: HookGeometry): string =>
  shank.from === "measured" ? `measured, ${shank.where}` : "nominal";
type Size = (typeof sizes.value)[number];
const columns = computed<Column<Size>[]>(() => [
  { id: "size", head: "Size", lead: true, mono: true, class: "text-base font-semibold" },
  ...hookQuantities.map((q) => ({
    id: q,
    head: `${props.labels[q]}, ${units.value}`,
    end: true,
    mono: true,
    value: (s: Size) => lengthFigure(s.h[q], 2),
    fixed: true,
  })),
  ...(["point", "barb", "shank"] as const).map((at) => ({
    id: `at-${at}`,
    head: at === "shank" ? "Bend" : at === "point" ? "Point" : "Barb",
    end: true,
    mono: true,
    class: "text-soft",
    value: (s: Size) => lengthFigure(s.h[at]),
    fixed: true,
  })),
  { id: "mass", head: "mg", end: true, mono: true, value: (s) => s.mass.toFixed(0), fixed: true },
  { id: "from", head: "Where from", class: "text-[0.92rem]", value: (s) => where(s.h), fixed: true },
  { id: "back", head: "Take back", quiet: true, act: true, end: true },
]);
</script>

<template>
  <DataTable name="hook-sizes" label="Sizes" :rows="sizes" :columns="columns" :row-key="(s) => s.h.size">
    <template #cell-size="{ row: s }"
      ><span class="max-sm:text-lg">{{ s.h.size }}</span></template
    >
    <template v-for="q in hookQuantities" :key="q" #[`cell-${q}`]="{ row: s }"
      ><span :class="s.own?.[q] ? 'font-bold' : 'text-soft'">{{ lengthFigure(s.h[q], 2) }}</span></template
    >
    <template #cell-mass="{ row: s }"
      ><span :class="s.own?.mass ? 'font-bold' : 'text-soft'">{{ s.mass.toFixed(0) }}</span></template
    >
    <template #cell-back="{ row: s }"
      ><button
        v-if="can && s.own && hookQuantities.some((q) => s.own?.[q])"
        class="btn btn-plain !min-h-7"
        :aria-label="`Take back what was measured at size ${s.h.size}`"
        @click="$emit('forget', s.h.size)"
      >
        take back
      </button></template
    >
    <template #empty>No size is known yet: measure one.</template>
  </DataTable>
</template>
