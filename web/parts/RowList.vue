<script setup lang="ts" generic="Row extends object">
import { Plus, X } from "lucide-vue-next";

/** Short rows that a person adds to, changes and takes out; none at all is nothing. */
const rows = defineModel<Row[] | undefined>({ required: true });
const props = defineProps<{ label: string; add: string; takeOut: string; fresh: () => Row }>();
defineSlots<{
  default: (row: { row: Row; at: number; set: (change: Partial<Row>) => void }) => unknown;
  after: () => unknown;
}>();
const all = (): Row[] => rows.value ?? [];
const set = (at: number, change: Partial<Row>): void => {
  rows.value = all().map((r, i) => (i === at ? { ...r, ...change } : r));
};
const remove = (at: number): void => {
  const left = all().filter((_, i) => i !== at);
  rows.value = left.length > 0 ? left : undefined;
};
const append = (): void => {
  rows.value = [...all(), props.fresh()];
};
</script>

<template>
  <div>
    <span class="label">{{ label }}</span>
    <div v-for="(row, i) in rows ?? []" :key="i" class="mb-1 flex flex-wrap items-start gap-2">
      <slot :row="row" :at="i" :set="(change: Partial<Row>) => set(i, change)" /><button
        type="button"
        class="btn btn-plain"
        :aria-label="takeOut"
        @click="remove(i)"
      >
        <X :size="16" />
      </button>
    </div>
    <button type="button" class="btn btn-plain !min-h-7" @click="append">
      <Plus :size="16" aria-hidden="true" />{{ add }}</button
    ><slot name="after" />
  </div>
</template>
