<script setup lang="ts">
import { useTemplateRef, watch } from "vue";
import type { Refusal } from "../http";
const props = defineProps<{ refusal: Refusal | null }>();
const note = useTemplateRef<HTMLElement>("note");
// Whoever pressed a button far below would otherwise see nothing happen.
watch(
  () => props.refusal,
  () => note.value?.scrollIntoView({ block: "nearest" }),
  { flush: "post" },
);
</script>

<template>
  <div v-if="refusal" ref="note" class="callout my-2" role="alert">
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
