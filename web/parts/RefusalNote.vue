<script setup lang="ts">
import type { Refusal } from "../http";
defineProps<{ refusal: Refusal | null }>();
</script>

<template>
  <div v-if="refusal" class="callout my-2" role="alert">
    <p class="font-semibold">{{ refusal.problem.title }}</p>
    <p>{{ refusal.problem.detail }}</p>
    <ul v-if="refusal.problem.changes" class="mt-1">
      <li v-for="c in refusal.problem.changes" :key="c.field">
        <b>{{ c.field }}</b>: now “{{ c.theirs }}”, yours “{{ c.yours }}”
      </li>
    </ul>
    <slot />
  </div>
</template>
