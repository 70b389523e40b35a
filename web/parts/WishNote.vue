<script setup lang="ts">
/** What a customer wished for some flies, in the customer's words; nothing where nothing was. */
defineProps<{ wishes: string; of?: string }>();
</script>

<template>
  <p v-if="wishes" class="wish">
    <b>As wished{{ of ? ` by ${of}` : "" }}:</b> {{ wishes }}
  </p>
</template>

<style scoped>
.wish {
  border-left: 4px solid var(--deep);
  background: var(--well);
  color: var(--ink);
  padding: 0.15rem 0.6rem;
  margin: 0.2rem 0;
}
</style>
