<script setup lang="ts">
import { Plus, X } from "lucide-vue-next";
import { computed } from "vue";
import type { MaterialForm } from "@kasten/core/materials";
import type { BySize } from "@kasten/core/recipe";
import MaterialPicker from "./MaterialPicker.vue";
import TextField from "../parts/TextField.vue";

/** A material, by hook size where it changes. */
const entries = defineModel<BySize<string>[]>({ required: true });
defineProps<{ label: string; likely?: MaterialForm }>();
const shown = computed<BySize<string>[]>(() => (entries.value.length > 0 ? entries.value : [{ value: "" }]));
const set = (i: number, change: Partial<BySize<string>>): void =>
  void (entries.value = shown.value.map((m, j) => (j === i ? { ...m, ...change } : m)));
function setSpan(i: number, end: "from" | "to", size: string): void {
  const own = shown.value[i]?.sizes;
  const sizes = { from: own?.from ?? size, to: own?.to ?? size, [end]: size };
  entries.value = shown.value.map((m, j) =>
    j !== i ? m : sizes.from === "" && sizes.to === "" ? { value: m.value } : { ...m, sizes },
  );
}
</script>

<template>
  <div>
    <div v-for="(m, i) in shown" :key="i" class="mb-1 flex flex-wrap items-center gap-2">
      <MaterialPicker
        class="min-w-44 flex-1"
        :label="shown.length > 1 ? `${label}, ${i + 1}` : label"
        :model-value="m.value"
        :likely="likely"
        @update:model-value="set(i, { value: $event })"
      />
      <span v-if="shown.length > 1 || m.sizes" class="flex items-center gap-1"
        >sizes
        <TextField
          class="w-16"
          label="from size"
          quiet
          mono
          placeholder="all"
          :model-value="m.sizes?.from"
          @update:model-value="setSpan(i, 'from', $event ?? '')" />
        to
        <TextField
          class="w-16"
          label="to size"
          quiet
          mono
          :model-value="m.sizes?.to"
          @update:model-value="setSpan(i, 'to', $event ?? '')"
      /></span>
      <button
        v-if="shown.length > 1"
        type="button"
        class="btn btn-plain"
        aria-label="Take this material out"
        @click="entries = shown.filter((_, j) => j !== i)"
      >
        <X :size="16" />
      </button>
      <button
        v-if="i === shown.length - 1"
        type="button"
        class="btn btn-plain !px-1.5"
        :disabled="entries.length === 0"
        :aria-label="`Another material for other sizes: ${label}`"
        title="another for other sizes"
        @click="entries = [...entries, { value: entries[0]?.value ?? '' }]"
      >
        <Plus :size="16" aria-hidden="true" />
      </button>
    </div>
  </div>
</template>
