<script setup lang="ts">
import { textOf } from "./fields";

/** A labelled line of text, or several; empty is nothing. It is taken over when it is left, not at each key. */
defineProps<{
  label: string;
  quiet?: boolean;
  placeholder?: string;
  rows?: number;
  most?: number;
  mono?: boolean;
  disabled?: boolean;
}>();
const text = defineModel<string | undefined>({ required: true });
const take = (event: Event): void => {
  text.value = textOf(event).trim() || undefined;
};
</script>

<template>
  <label class="block min-w-0"
    ><span :class="quiet ? 'sr-only' : 'label'">{{ label }}</span
    ><textarea
      v-if="rows"
      class="field w-full"
      :rows="rows"
      :value="text ?? ''"
      :maxlength="most ?? 400"
      :placeholder="placeholder"
      @change="take"
    ></textarea
    ><input
      v-else
      class="field w-full"
      :class="{ fig: mono }"
      :value="text ?? ''"
      :maxlength="most ?? 400"
      :placeholder="placeholder"
      :disabled="disabled"
      @change="take"
  /></label>
</template>
