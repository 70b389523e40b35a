<script setup lang="ts">
import { computed } from "vue";
import { drawHook } from "@kasten/core/drawing";
import type { HookGeometry, HookQuantity } from "@kasten/core/hooks";

/** The bare hook to scale, with the length that the calipers take. */
const props = defineProps<{ hook: HookGeometry; quantity?: HookQuantity }>();
const drawing = computed(() => drawHook(props.hook));
const box = computed(() => {
  const { shank, gape, eye } = props.hook;
  return [-shank - gape * 0.75, -gape * 0.55, shank + gape * 0.9 + eye * 1.5, gape * 1.95];
});
const jaws = computed(() => {
  const { shank, gape, eye, wire } = props.hook;
  const top = -gape * 0.32;
  switch (props.quantity) {
    case "shank":
      return {
        d: `M0 ${-wire}V${top}M${-shank} ${-wire}V${top}M0 ${top}H${-shank}`,
        says: "from the back of the eye to where the bend begins",
      };
    case "gape":
      return {
        d: `M${-props.hook.point - wire} 0H${-props.hook.point + gape * 0.3}M${-props.hook.point} ${gape}H${-props.hook.point + gape * 0.3}M${-props.hook.point + gape * 0.2} 0V${gape}`,
        says: "from the shank to the point, square",
      };
    case "wire":
      return {
        d: `M${-shank * 0.5} ${-wire / 2}V${top}M${-shank * 0.5} ${wire / 2}V${gape * 0.25}`,
        says: "across the wire, at mid-shank",
      };
    case "eye":
      return {
        d: `M0 ${-eye * 0.5}V${top}M${eye} ${-eye * 0.3}V${top}M0 ${top}H${eye}`,
        says: "from the back to the front of the eye",
      };
    default:
      return undefined;
  }
});
</script>

<template>
  <figure>
    <svg
      :viewBox="box.join(' ')"
      class="h-full w-full bg-[var(--fly-ground)]"
      role="img"
      :aria-label="jaws ? `Where to measure: ${jaws.says}` : 'The hook, to scale'"
    >
      <template v-for="(p, i) in drawing" :key="i">
        <path
          v-if="p.stroke !== undefined"
          :d="p.d"
          fill="none"
          :stroke="p.stroke"
          :stroke-width="p.width"
          stroke-linecap="round"
          stroke-linejoin="round"
        />
        <path v-else :d="p.d" :fill="p.fill" />
      </template>
      <path v-if="jaws" :d="jaws.d" fill="none" stroke="#c23a06" :stroke-width="Math.max(0.09, hook.wire * 0.3)" />
    </svg>
    <figcaption v-if="jaws" class="text-[0.92rem]">{{ jaws.says }}</figcaption>
  </figure>
</template>
