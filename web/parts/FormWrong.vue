<script setup lang="ts" generic="V extends object">
import type { EntryForm } from "./useEntryForm";

/** What is wrong with a form and belongs to no field in sight. */
defineProps<{ form: EntryForm<V> }>();
</script>

<template>
  <ul v-if="form.elsewhere.value.length > 0" class="callout" role="alert">
    <li v-for="w in form.elsewhere.value" :key="w">{{ w }}</li>
  </ul>
</template>
