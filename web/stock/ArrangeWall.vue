<script setup lang="ts">
import { ref } from "vue";
import { VueDraggable } from "vue-draggable-plus";
import { placesIn, wallAfter, wallOf, type Cabinet } from "@kasten/core/stock";
import type { ReplyOf } from "@kasten/contract/http";
import { arrangeDrawers, type listDrawers } from "@kasten/contract/stock";
import RefusalNote from "../parts/RefusalNote.vue";
import TextField from "../parts/TextField.vue";
import { useChange } from "../parts/useChange";

/** Drawers put where they stand, by dragging or by the arrow keys; nothing is changed before it is kept. */
type Drawer = ReplyOf<typeof listDrawers>["drawers"][number];
const props = defineProps<{ drawers: Drawer[] }>();
const emit = defineEmits<{ kept: []; leave: [] }>();
const { busy, refusal, send } = useChange();
const withLoose = (wall: Cabinet<Drawer>[]): Cabinet<Drawer>[] =>
  wall.some((c) => c.name === "") ? wall : [...wall, { name: "", rows: [[]] }];
const wall = ref(withLoose(wallOf(props.drawers)));
const name = ref<string | undefined>();
const ways = { ArrowLeft: "left", ArrowRight: "right", ArrowUp: "up", ArrowDown: "down" } as const;
function step(event: KeyboardEvent, code: string): void {
  const way = ways[event.key as keyof typeof ways];
  if (!way) return;
  event.preventDefault();
  wall.value = wallAfter(wall.value, code, way);
}
function addCabinet(): void {
  const wanted = name.value?.trim();
  if (!wanted || wall.value.some((c) => c.name === wanted)) return;
  wall.value = [
    ...wall.value.filter((c) => c.name),
    { name: wanted, rows: [[]] },
    ...wall.value.filter((c) => !c.name),
  ];
  name.value = undefined;
}
async function keep(): Promise<void> {
  const drawers = placesIn(wall.value).map(({ id, cabinet, row, position }) => ({ id, cabinet, row, position }));
  if (await send(arrangeDrawers, { body: { drawers } }, "The wall stands so")) emit("kept");
}
</script>

<template>
  <section aria-label="Arrange the wall">
    <RefusalNote :refusal="refusal" />
    <p class="mb-2">
      Drag each drawer to where it stands, or choose it and move it by the arrow keys. Rows go from the top down.
    </p>
    <div v-for="c in wall" :key="c.name" class="mb-3">
      <h2 class="mb-1">{{ c.name || "Not placed yet" }}</h2>
      <VueDraggable
        v-for="(_row, i) in c.rows"
        :key="i"
        v-model="c.rows[i]!"
        group="drawers"
        :animation="120"
        class="shelf"
        :aria-label="c.name ? `${c.name}, row ${i + 1}` : 'Not placed yet'"
      >
        <button
          v-for="d in c.rows[i]"
          :key="d.code"
          type="button"
          class="chip fig"
          :title="d.name"
          @keydown="step($event, d.code)"
        >
          {{ d.code }}
        </button>
      </VueDraggable>
      <button v-if="c.name" type="button" class="btn btn-plain" @click="c.rows.push([])">Another row</button>
    </div>
    <div class="flex flex-wrap items-end gap-2">
      <TextField v-model="name" label="Another cabinet" class="w-48" placeholder="by the window" />
      <button type="button" class="btn" @click="addCabinet">Add it</button>
      <button class="btn btn-main" :disabled="busy" @click="keep">Keep the wall so</button>
      <button class="btn" @click="emit('leave')">Leave it</button>
    </div>
  </section>
</template>

<style scoped>
.shelf {
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
  min-height: 3rem;
  padding: 3px;
  margin-bottom: 3px;
  background: var(--rule-strong);
}
.chip {
  min-width: 4.5rem;
  min-height: 44px;
  padding: 0 0.6rem;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  font-weight: 700;
  cursor: grab;
}
</style>
