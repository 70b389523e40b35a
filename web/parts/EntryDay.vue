<script setup lang="ts" generic="V extends object">
import { useId } from "vue";
import DayField from "./DayField.vue";
import EntryFrame from "./EntryFrame.vue";
import { useEntry, type EntryForm } from "./useEntryForm";

/** A day of the calendar, in a form; empty is none. */
const props = defineProps<{ form: EntryForm<V>; name: string; label: string; quiet?: boolean; hint?: string }>();
const { value, wrong, set } = useEntry(props.form, props.name);
const id = useId();
</script>

<template>
  <EntryFrame :id="id" :wrong="wrong" :hint="hint"
    ><DayField
      :label="label"
      :quiet="quiet"
      :model-value="(value as string | undefined) ?? undefined"
      :wrong="Boolean(wrong)"
      @update:model-value="set($event)"
  /></EntryFrame>
</template>
