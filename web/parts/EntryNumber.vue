<script setup lang="ts" generic="V extends object">
import { useId } from "vue";
import EntryFrame from "./EntryFrame.vue";
import { textOf } from "./fields";
import { useEntry, type EntryForm } from "./useEntryForm";

/** A number in a form; an empty field is no number, not nought. */
const props = defineProps<{
  form: EntryForm<V>;
  name: string;
  label: string;
  quiet?: boolean;
  hint?: string;
  /** The word of the trade in its label. */
  word?: string;
  unit?: string;
  min?: number;
  max?: number;
  step?: number | "any";
  disabled?: boolean;
}>();
const { value, wrong, set, leave } = useEntry(props.form, props.name);
const id = useId();
function take(event: Event): void {
  const typed = textOf(event).trim();
  set(typed === "" ? undefined : Number(typed));
}
</script>

<template>
  <EntryFrame :id="id" :label="label" :quiet="quiet" :wrong="wrong" :hint="hint" :word="word"
    ><span class="flex items-baseline gap-1"
      ><input
        :id="id"
        class="field fig w-full min-w-16"
        :class="{ '!border-call': wrong }"
        type="number"
        inputmode="decimal"
        :min="min"
        :max="max"
        :step="step ?? 'any'"
        :value="value ?? ''"
        :disabled="disabled"
        :aria-invalid="wrong ? true : undefined"
        :aria-describedby="wrong ? `${id}-wrong` : hint ? `${id}-hint` : undefined"
        @input="take"
        @blur="leave"
      /><span v-if="unit" class="unit !ml-0 whitespace-nowrap">{{ unit }}</span></span
    ></EntryFrame
  >
</template>
