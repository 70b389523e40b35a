<script setup lang="ts">
import { computed } from "vue";
import { collarSizes } from "@kasten/core/hooks";
import type { LotPage } from "@kasten/contract/stock";

/** The classes of a skin, longest bar for the most feathers; what is put by is darker. */
const props = defineProps<{ lot: LotPage }>();
const most = computed(() => Math.max(1, ...props.lot.classes.map((c) => c.quantity)));
/** The bin that a class goes into: the hooks for which it makes a stiff collar. */
const sizesOf = (barb: [number, number] | null): string => {
  const sizes = barb && props.lot.material.form === "hackle" ? collarSizes(barb) : [];
  return sizes.length > 0 ? `hooks ${sizes.join(", ")}` : "";
};
const width = (n: number): string => `${(100 * n) / most.value}%`;
</script>

<template>
  <section aria-label="Its classes">
    <h2 class="mb-1">Its classes</h2>
    <ul class="grid gap-1">
      <li v-for="c in lot.classes" :key="c.id" class="grid grid-cols-[8.5rem_1fr_7rem] items-center gap-3">
        <RouterLink class="link fig" :to="`/lots/${c.id}`"
          >{{ c.barb ? `${c.barb[0]}–${c.barb[1]} mm` : c.code }} {{ c.side ?? "" }}</RouterLink
        ><span class="relative block h-4 bg-well" aria-hidden="true"
          ><span class="absolute inset-y-0 left-0 bg-strong" :style="{ width: width(c.quantity) }"></span
          ><span class="absolute inset-y-0 left-0 bg-deep" :style="{ width: width(c.reserved) }"></span></span
        ><span class="text-right"
          ><b class="fig">{{ c.quantity }}</b
          ><span v-if="sizesOf(c.barb)" class="block text-[0.86rem] text-soft">{{ sizesOf(c.barb) }}</span
          ><span v-if="c.reserved" class="text-soft">, {{ c.reserved }} put by</span></span
        >
      </li>
    </ul>
  </section>
</template>
