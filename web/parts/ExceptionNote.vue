<script setup lang="ts">
import type { Exception } from "@kasten/contract/http";
import { day } from "./format";

/** What somebody let pass of a customer's rules: by name, with the reason, wherever the flies are. */
defineProps<{ exceptions: Exception[] }>();
</script>

<template>
  <div v-for="e in exceptions" :key="e.at + e.reason" class="passed">
    <b>Let pass by {{ e.by }}, {{ day(e.at.slice(0, 10)) }}:</b> {{ e.reason }}
    <ul class="list-disc pl-5">
      <li v-for="r in e.rules" :key="r">{{ r }}</li>
    </ul>
  </div>
</template>

<style scoped>
.passed {
  border-left: 4px solid var(--call);
  background: var(--well);
  color: var(--ink);
  padding: 0.15rem 0.6rem;
  margin: 0.2rem 0;
}
</style>
