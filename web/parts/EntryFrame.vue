<script setup lang="ts">
import TradeWord from "./TradeWord.vue";

/** A field of a form with its label above it, and below it what is wrong or what helps. */
defineProps<{ id: string; label?: string; quiet?: boolean; wrong?: string; hint?: string; word?: string }>();
</script>

<template>
  <div class="min-w-0">
    <div v-if="label" :class="quiet ? 'sr-only' : 'flex items-baseline'">
      <label :for="id" :class="quiet ? '' : 'label'">{{ label }}</label><TradeWord
        v-if="word"
        :word="word"
        class="text-[0.86rem]"
        ><span></span
      ></TradeWord>
    </div>
    <slot />
    <p v-if="wrong" :id="`${id}-wrong`" class="mt-0.5 text-[0.9rem] font-semibold text-call" role="alert">
      {{ wrong }}
    </p>
    <p v-else-if="hint" :id="`${id}-hint`" class="mt-0.5 text-[0.88rem] text-soft">{{ hint }}</p>
  </div>
</template>
