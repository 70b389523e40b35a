<script setup lang="ts">
import type { StockItem } from "@kasten/contract/stock";
import ColourSwatch from "../parts/ColourSwatch.vue";
import NumberWords from "../parts/NumberWords.vue";
import { quantity } from "../parts/format";

/** The front of a drawer: what lies in it, how much of what came is left, how far that goes. */
defineProps<{ drawer: { code: string; name: string }; items: StockItem[] }>();
const short = (i: StockItem): boolean => i.needed > i.quantity;
const percent = (full: number): string => `${Math.round(Math.min(1, full) * 100)} %`;
</script>

<template>
  <section class="front" :aria-label="`Drawer ${drawer.code}`">
    <h3 class="plate fig">
      <RouterLink :to="`/stock?drawer=${drawer.code}`" class="hover:text-deep">{{ drawer.code }}</RouterLink>
    </h3>
    <p v-if="drawer.name !== `Drawer ${drawer.code}`" class="text-[0.86rem] text-soft">{{ drawer.name }}</p>
    <ul>
      <li v-for="i in items" :key="i.code" class="py-0.5">
        <RouterLink
          :to="`/stock/${i.code}`"
          class="grid min-h-[24px] grid-cols-[auto_1fr_auto] items-baseline gap-x-2 py-0.5 hover:text-deep"
          ><ColourSwatch :colour="i.colour" /><span class="truncate" :title="i.name">{{ i.name }}</span
          ><b class="fig whitespace-nowrap"><NumberWords :words="quantity(i.quantity, i.unit)" /></b
        ></RouterLink>
        <div
          v-if="i.full !== null"
          class="level"
          role="img"
          :aria-label="`${percent(i.full)} left of what came`"
          :title="`${percent(i.full)} left of what came`"
        >
          <i :style="{ width: percent(i.full) }" :class="{ low: short(i) }"></i>
        </div>
        <p
          v-if="i.coversDozens !== null"
          class="pl-5 text-[0.85rem]"
          :class="short(i) ? 'font-semibold text-call' : 'text-soft'"
        >
          {{ short(i) ? "runs out after" : "covers all" }} <span class="fig">{{ i.coversDozens.toFixed(0) }}</span> dz
          of the coming work
        </p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.front {
  background: var(--sheet);
  outline: 3px solid var(--rule-strong);
  padding: 0.4rem 0.7rem 0.6rem;
  font-size: 0.95rem;
  min-width: 0;
}
.plate {
  display: inline-block;
  border: 1px solid var(--rule-strong);
  border-top: none;
  margin: -0.4rem 0 0.3rem;
  padding: 0 0.7rem;
  background: var(--well);
  font-size: 0.95rem;
  font-weight: 700;
}
.level {
  height: 3px;
  margin: 1px 0 1px 1.25rem;
  background: var(--rule);
}
.level i {
  display: block;
  height: 100%;
  background: var(--ink-soft);
}
.level i.low {
  background: var(--call);
}
</style>
