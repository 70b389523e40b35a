<script setup lang="ts">
import type { HistoryEvent } from "@kasten/contract/http";
import { moment } from "./format";
defineProps<{ events: HistoryEvent[] }>();
</script>

<template>
  <ol class="text-[0.94rem]">
    <li v-for="e in events" :key="e.id" class="flex gap-3 border-b border-rule py-1">
      <time class="fig w-28 shrink-0 text-soft" :datetime="e.at">{{ moment(e.at) }}</time><span
        class="w-24 shrink-0 truncate font-semibold"
        >{{ e.person }}</span
      ><span>{{ e.sentence }}</span>
    </li>
    <li v-if="events.length === 0" class="text-soft">Nothing yet.</li>
  </ol>
</template>
