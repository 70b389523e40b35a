<script setup lang="ts">
import type { HistoryEvent } from "@kasten/contract/http";
import { moment } from "./format";

/** Who did what, and when. */
defineProps<{ events: HistoryEvent[] }>();
</script>

<template>
  <ol class="text-[0.94rem]">
    <li v-for="e in events" :key="e.id" class="flex flex-wrap gap-x-3 border-b border-rule py-1 sm:flex-nowrap">
      <time class="fig w-[8.4rem] shrink-0 whitespace-nowrap text-soft" :datetime="e.at">{{ moment(e.at) }}</time><span
        class="w-28 shrink-0 truncate font-semibold"
        :title="e.person"
        >{{ e.person }}</span
      ><span class="min-w-0 max-sm:w-full">{{ e.sentence }}</span>
    </li>
    <li v-if="events.length === 0" class="text-soft">Nothing yet.</li>
  </ol>
</template>
