<script setup lang="ts">
import { computed } from "vue";
import type { ComposedFly } from "@kasten/core/fly";
import { differencesBetween, type Requirement } from "@kasten/core/needs";
import { sayDifference } from "@kasten/core/sentences";
import NumberWords from "../parts/NumberWords.vue";

/** What the fly on the right takes that the one on the left does not. */
interface One {
  fly?: ComposedFly;
  materials: Requirement[];
}
const props = defineProps<{ left: One; right: One }>();
/** The hooks themselves differ by their size alone: that is what was asked for. */
const differences = computed(() =>
  differencesBetween(props.left.materials, props.right.materials).filter((d) => d.role !== "hook"),
);
</script>

<template>
  <section class="sheet p-3" aria-label="What differs">
    <h2 class="mb-1">On the right, for a dozen</h2>
    <p v-if="differences.length === 0">The same quantities.</p>
    <ul class="grid gap-x-6 sm:grid-cols-2">
      <li v-for="d in differences" :key="d.key + d.material" class="border-b border-rule py-0.5">
        {{ d.role }}: <NumberWords :words="sayDifference(d)" />
      </li>
    </ul>
    <p v-if="left.fly && right.fly" class="mt-1">
      Weight <span class="fig">{{ left.fly.tied.mass.total.toFixed(0) }}</span> →
      <b class="fig">{{ right.fly.tied.mass.total.toFixed(0) }}</b><span class="unit">mg</span>, time
      <span class="fig">{{ left.fly.minutes.toFixed(1) }}</span> →
      <b class="fig">{{ right.fly.minutes.toFixed(1) }}</b><span class="unit">min</span>
    </p>
  </section>
</template>
