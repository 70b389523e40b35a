<script setup lang="ts">
import { textOf } from "./fields";

/** A labelled number; empty is nothing. It is taken over when it is left, and what is no number stays out. */
const props = defineProps<{
  label: string;
  quiet?: boolean;
  unit?: string;
  min?: number;
  max?: number;
  step?: number | "any";
  placeholder?: string;
  disabled?: boolean;
  /** Nothing is not a value here: an empty field falls back to this. */
  least?: number;
}>();
const value = defineModel<number | undefined>({ required: true });
function take(event: Event): void {
  const typed = textOf(event).trim();
  const read = typed === "" ? undefined : Number(typed);
  if (read !== undefined && !Number.isFinite(read)) return;
  value.value = props.least === undefined ? read : Math.max(props.least, read ?? props.least);
}
</script>

<template>
  <label class="inline-block min-w-0"
    ><span :class="quiet ? 'sr-only' : 'label'">{{ label }}</span
    ><span class="flex items-baseline gap-1"
      ><input
        class="field fig w-full min-w-14"
        type="number"
        inputmode="decimal"
        :min="min"
        :max="max"
        :step="step ?? 'any'"
        :value="value ?? ''"
        :placeholder="placeholder"
        :disabled="disabled"
        @change="take"
      /><span v-if="unit" class="unit !ml-0 whitespace-nowrap">{{ unit }}</span></span
    ></label
  >
</template>
