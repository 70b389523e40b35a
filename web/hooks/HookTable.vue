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
</script>

<template>
  <div class="sheet overflow-x-auto">
    <table>
      <thead>
        <tr>
          <th scope="col">Size</th>
          <th v-for="q in hookQuantities" :key="q" scope="col" class="text-right">{{ labels[q] }}, {{ units }}</th>
          <th scope="col" class="text-right">Point</th>
          <th scope="col" class="text-right">Barb</th>
          <th scope="col" class="text-right">Bend</th>
          <th scope="col" class="text-right">mg</th>
          <th scope="col">Where from</th>
          <th scope="col"><span class="sr-only">Take back</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in sizes" :key="s.h.size">
          <th scope="row" class="fig !border-b !border-rule !text-base !text-ink">{{ s.h.size }}</th>
          <td
            v-for="q in hookQuantities"
            :key="q"
            class="fig text-right"
            :class="s.own?.[q] ? 'font-bold' : 'text-soft'"
          >
            {{ lengthFigure(s.h[q], 2) }}
          </td>
          <td class="fig text-right text-soft">{{ lengthFigure(s.h.point) }}</td>
          <td class="fig text-right text-soft">{{ lengthFigure(s.h.barb) }}</td>
          <td class="fig text-right text-soft">{{ lengthFigure(s.h.shank) }}</td>
          <td class="fig text-right" :class="s.own?.mass ? 'font-bold' : 'text-soft'">{{ s.mass.toFixed(0) }}</td>
          <td class="text-[0.92rem]">{{ where(s.h) }}</td>
          <td class="text-right">
            <button
              v-if="can && s.own && hookQuantities.some((q) => s.own?.[q])"
              class="btn btn-plain !min-h-7"
              :aria-label="`Take back what was measured at size ${s.h.size}`"
              @click="$emit('forget', s.h.size)"
            >
              take back
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
