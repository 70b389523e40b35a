<script setup lang="ts">
defineProps<{ more: boolean; loading: boolean; what: string }>();
defineEmits<{ more: [] }>();
</script>

<template>
  <button v-if="more" class="btn mt-2" :disabled="loading" @click="$emit('more')">Show more {{ what }}</button>
</template>
