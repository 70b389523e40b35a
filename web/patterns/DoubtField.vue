<script setup lang="ts">
import TextField from "../parts/TextField.vue";

/** What is not sure about a step or a part; until somebody confirms it, the pattern stays from the bench. */
const doubt = defineModel<string | undefined>({ required: true });
defineProps<{ placeholder?: string }>();
</script>

<template>
  <div class="flex items-end gap-2">
    <TextField
      v-model="doubt"
      class="flex-1"
      label="Not sure: what is in doubt; it holds the pattern from the bench until this is empty"
      :placeholder="placeholder"
    /><button v-if="doubt" type="button" class="btn" @click="doubt = undefined">Confirmed</button>
  </div>
</template>
