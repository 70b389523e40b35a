<script setup lang="ts" generic="V extends object">
import { useId } from "vue";
import EntryFrame from "./EntryFrame.vue";
import { textOf } from "./fields";
import { useEntry, type EntryForm } from "./useEntryForm";

/** A line of text in a form, or several; also a password, a time of day. */
const props = defineProps<{
  form: EntryForm<V>;
  name: string;
  label: string;
  quiet?: boolean;
  hint?: string;
  /** The word of the trade in its label. */
  word?: string;
  type?: "text" | "password" | "time" | "email";
  rows?: number;
  mono?: boolean;
  placeholder?: string;
  autocomplete?: string;
  disabled?: boolean;
  list?: string;
}>();
const { value, wrong, set, leave } = useEntry(props.form, props.name);
const id = useId();
</script>

<template>
  <EntryFrame :id="id" :label="label" :quiet="quiet" :wrong="wrong" :hint="hint" :word="word">
    <textarea
      v-if="rows"
      :id="id"
      class="field w-full"
      :class="{ '!border-call': wrong }"
      :rows="rows"
      :value="String(value ?? '')"
      :placeholder="placeholder"
      :aria-invalid="wrong ? true : undefined"
      :aria-describedby="wrong ? `${id}-wrong` : hint ? `${id}-hint` : undefined"
      @input="set(textOf($event))"
      @blur="leave"
    ></textarea
    ><input
      v-else
      :id="id"
      class="field w-full"
      :class="{ '!border-call': wrong, fig: mono || type === 'time' }"
      :type="type ?? 'text'"
      :value="value ?? ''"
      :placeholder="placeholder"
      :autocomplete="autocomplete ?? 'off'"
      :disabled="disabled"
      :list="list"
      :aria-invalid="wrong ? true : undefined"
      :aria-describedby="wrong ? `${id}-wrong` : hint ? `${id}-hint` : undefined"
      @input="set(textOf($event))"
      @blur="leave"
  /></EntryFrame>
</template>
