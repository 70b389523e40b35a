<script setup lang="ts" generic="V extends object">
import { useEntry, type EntryForm } from "./useEntryForm";

/** Yes or no, in a form. */
const props = defineProps<{ form: EntryForm<V>; name: string; disabled?: boolean }>();
const { value, set } = useEntry(props.form, props.name);
</script>

<template>
  <label class="flex min-h-9 items-center gap-2"
    ><input
      type="checkbox"
      class="h-5 w-5 shrink-0"
      :checked="Boolean(value)"
      :disabled="disabled"
      @change="set(($event.target as HTMLInputElement).checked)" /><span><slot /></span
  ></label>
</template>
