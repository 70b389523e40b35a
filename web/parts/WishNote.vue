<script setup lang="ts">
/** What a customer wished for some flies, in the customer's words; nothing where nothing was. */
defineProps<{ wishes: string; of?: string }>();
</script>

<template>
  <p v-if="wishes" class="callout my-1 py-1">
    <b>As wished{{ of ? ` by ${of}` : "" }}:</b> {{ wishes }}
  </p>
</template>
