<script setup lang="ts">
import type { HookEffect } from "@kasten/contract/hooks";
import { quantity } from "../parts/format";

/** What a measurement changes, batch by batch. */
defineProps<{ effect: HookEffect }>();
const MOST = 6;
</script>

<template>
  <p v-if="effect.batches.length === 0" class="text-soft">Nothing: no running batch needs another quantity.</p>
  <ul v-else tabindex="0" class="max-h-72 overflow-y-auto">
    <li v-for="b in effect.batches" :key="b.id" class="border-b border-rule py-1">
      <RouterLink class="link" :to="`/batches/${b.id}`">Batch {{ b.number }}</RouterLink> {{ b.pattern }}
      <span class="fig">{{ b.size }}</span> <span class="tag">{{ b.state }}</span>
      <span v-if="b.fault" class="block text-call">{{ b.fault }}</span>
      <span v-else class="block text-[0.93rem]"
        ><span v-for="(c, i) in b.changes.slice(0, MOST)" :key="i"
          >{{ i > 0 ? "; " : "" }}{{ c.role }} <span class="fig">{{ quantity(c.before, c.unit) }}</span> →
          <b class="fig">{{ quantity(c.after, c.unit) }}</b></span
        ><template v-if="b.changes.length > MOST"> and {{ b.changes.length - MOST }} more</template></span
      >
    </li>
  </ul>
</template>
