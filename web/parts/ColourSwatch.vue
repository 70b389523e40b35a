<script setup lang="ts">
defineProps<{ colour: string | null | undefined }>();
</script>

<template>
  <svg viewBox="0 0 12 12" class="inline-block h-3 w-3 shrink-0 align-middle" aria-hidden="true">
    <rect x="0.5" y="0.5" width="11" height="11" :fill="colour ?? 'none'" stroke="var(--rule-strong)" />
    <path v-if="!colour" d="M1 11 11 1" stroke="var(--rule-strong)" />
  </svg>
</template>
