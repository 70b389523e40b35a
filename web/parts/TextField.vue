<script setup lang="ts">
/** A labelled line of text, or several; empty is nothing. It is taken over when it is left, not at each key. */
defineProps<{ label: string; placeholder?: string; rows?: number }>();
const text = defineModel<string | undefined>({ required: true });
const take = (event: Event): void => {
  text.value = (event.target as HTMLInputElement).value.trim() || undefined;
};
</script>

<template>
  <label
    ><span class="label">{{ label }}</span
    ><textarea
      v-if="rows"
      class="field w-full"
      :rows="rows"
      :value="text ?? ''"
      maxlength="400"
      :placeholder="placeholder"
      @change="take"
    ></textarea
    ><input v-else class="field w-full" :value="text ?? ''" maxlength="400" :placeholder="placeholder" @change="take"
  /></label>
</template>
