<script setup lang="ts">
/** A field of a form with its label above it, and below it what is wrong or what helps. */
defineProps<{ id: string; label?: string; quiet?: boolean; wrong?: string; hint?: string }>();
</script>

<template>
  <div class="min-w-0">
    <label v-if="label" :for="id" :class="quiet ? 'sr-only' : 'label'">{{ label }}</label>
    <slot />
    <p v-if="wrong" :id="`${id}-wrong`" class="mt-0.5 text-[0.9rem] font-semibold text-call" role="alert">
      {{ wrong }}
    </p>
    <p v-else-if="hint" :id="`${id}-hint`" class="mt-0.5 text-[0.88rem] text-soft">{{ hint }}</p>
  </div>
</template>
