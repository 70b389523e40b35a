<script setup lang="ts">
defineProps<{ sentence: string; candidates: { label: string; text: string }[] }>();
defineEmits<{ choose: [text: string] }>();
</script>

<template>
  <div class="callout my-1 flex flex-wrap items-center gap-x-3 gap-y-1">
    <span>{{ sentence }}</span>
    <button v-for="c in candidates" :key="c.label" type="button" class="btn !min-h-8" @click="$emit('choose', c.text)">
      {{ c.label }}
    </button>
  </div>
</template>
