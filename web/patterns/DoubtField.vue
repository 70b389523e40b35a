<script setup lang="ts">
/** What is not sure about a step or a part; until somebody confirms it, the pattern stays from the bench. */
const doubt = defineModel<string | undefined>({ required: true });
defineProps<{ placeholder?: string }>();
const take = (event: Event): void => {
  doubt.value = (event.target as HTMLInputElement).value.trim() || undefined;
};
</script>

<template>
  <label
    ><span class="label">Not sure: what is in doubt; it holds the pattern from the bench until this is empty</span
    ><span class="flex gap-2"
      ><input
        class="field flex-1"
        :value="doubt ?? ''"
        maxlength="400"
        :placeholder="placeholder"
        @change="take"
      /><button v-if="doubt" type="button" class="btn" @click="doubt = undefined">Confirmed</button></span
    ></label
  >
</template>
