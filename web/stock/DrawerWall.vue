<script setup lang="ts">
import { computed } from "vue";
import { wallOf } from "@kasten/core/stock";
import type { ReplyOf } from "@kasten/contract/http";
import type { listDrawers, StockItem } from "@kasten/contract/stock";
import DrawerFront from "./DrawerFront.vue";

/** The drawers as they stand in the room, cabinet by cabinet and row by row; the narrow screen stacks them. */
type Drawer = ReplyOf<typeof listDrawers>["drawers"][number];
const props = defineProps<{ drawers: Drawer[]; items: StockItem[]; only: ReadonlySet<string> | undefined }>();
const inside = computed(() => {
  const by = new Map<string, StockItem[]>();
  for (const i of props.items) by.set(i.drawer, [...(by.get(i.drawer) ?? []), i]);
  return by;
});
const wall = computed(() => wallOf(props.drawers.filter((d) => !props.only || props.only.has(d.code))));
const isPlaced = computed(() => wall.value.some((c) => c.name !== ""));
</script>

<template>
  <section v-for="c in wall" :key="c.name" class="mb-4" :aria-label="c.name ? `Cabinet ${c.name}` : 'Drawers'">
    <h2 v-if="isPlaced" class="mb-1">{{ c.name || "Not placed yet" }}</h2>
    <div class="wall">
      <div
        v-for="(row, i) in c.rows"
        :key="i"
        class="row"
        :class="{ loose: c.name === '' }"
        :style="{ '--drawers': Math.max(...c.rows.map((r) => r.length)) }"
      >
        <DrawerFront v-for="d in row" :key="d.code" :drawer="d" :items="inside.get(d.code) ?? []" />
      </div>
    </div>
  </section>
</template>

<style scoped>
.wall {
  display: grid;
  gap: 3px;
  background: var(--rule-strong);
  border: 3px solid var(--rule-strong);
}
.row {
  display: grid;
  gap: 3px;
  background: var(--well);
  /* Between drawers the wood of the cabinet is seen, beside the last of a row its back. */
  /* As many as stand in the row, each as wide as it may be; where they do not fit, the row goes on below. */
  grid-template-columns: repeat(
    auto-fill,
    minmax(max(10rem, calc((100% - 3px * (var(--drawers) - 1)) / var(--drawers))), 1fr)
  );
}
.row.loose {
  grid-template-columns: repeat(auto-fill, minmax(15.5rem, 1fr));
}
@media (max-width: 640px) {
  .row {
    grid-template-columns: 1fr;
  }
}
</style>
