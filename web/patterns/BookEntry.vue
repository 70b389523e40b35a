<script setup lang="ts">
import type { PatternEntry } from "@kasten/contract/patterns";
import { money } from "../parts/format";
import FlyThumb from "./FlyThumb.vue";

/** A pattern in the book: its fly, and what it takes and costs. */
defineProps<{ entry: PatternEntry; size: string; drawer: string; fromDrawer: number }>();
</script>

<template>
  <RouterLink
    :to="{ path: `/patterns/${entry.id}`, query: size ? { size: size } : {} }"
    class="block h-full border border-rule bg-sheet p-3 hover:border-deep"
  >
    <FlyThumb
      v-if="entry.missing.length === 0"
      :pattern="entry.id"
      :size="size || entry.sizes.from"
      :variant="entry.variants[0]?.id ?? ''"
      :form="entry.forms[0]?.id ?? ''"
      class="h-36"
    />
    <div v-else class="flex h-36 items-center justify-center bg-well p-4 text-center text-soft">
      Not complete: {{ entry.missing[0] }}
    </div>
    <div class="mt-1.5 flex items-baseline justify-between gap-3">
      <b class="truncate text-lg">{{ entry.name }}</b><span v-if="entry.sizes.from" class="fig whitespace-nowrap"
        >{{ entry.sizes.from }}–{{ entry.sizes.to }}</span
      ><span v-if="entry.missing.length > 0" class="tag tag-call">incomplete</span>
    </div>
    <p class="truncate text-[0.93rem] text-soft">
      {{ entry.style }}<template v-if="entry.species">, for {{ entry.species }}</template>
    </p>
    <p class="truncate text-[0.93rem]">
      <span v-if="drawer" class="tag tag-done mr-1"
        ><span class="fig">{{ fromDrawer }}</span> of <span class="fig">{{ entry.materials.length }}</span> from
        {{ drawer }}</span
      ><template v-if="entry.missing.length === 0"
        ><span class="fig">{{ entry.minutesPerFly }}</span
        ><span class="unit">min</span> <span class="fig">{{ money(entry.pricePerDozenCents) }}</span><span class="unit"
          >a dozen</span
        >
        · {{ entry.variants.map((v) => v.name).join(", ") }}</template
      >
    </p>
  </RouterLink>
</template>
