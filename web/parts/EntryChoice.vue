<script setup lang="ts" generic="V extends object, T extends string | number | boolean | undefined">
import { useId } from "vue";
import EntryFrame from "./EntryFrame.vue";
import ListBox from "./ListBox.vue";
import type { Option } from "./option";
import { useEntry, type EntryForm } from "./useEntryForm";

/** One of a list, in a form. */
const props = defineProps<{
  form: EntryForm<V>;
  name: string;
  label: string;
  options: Option<T>[];
  quiet?: boolean;
  hint?: string;
  mono?: boolean;
  disabled?: boolean;
}>();
const { value, wrong, set } = useEntry(props.form, props.name);
const id = useId();
</script>

<template>
  <EntryFrame :id="id" :wrong="wrong" :hint="hint"
    ><ListBox
      :label="label"
      :quiet="quiet"
      :options="options"
      :mono="mono"
      :disabled="disabled"
      :wrong="Boolean(wrong)"
      :describedby="wrong ? `${id}-wrong` : hint ? `${id}-hint` : undefined"
      :model-value="value as T"
      @update:model-value="set($event)"
  /></EntryFrame>
</template>
