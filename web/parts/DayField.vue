<script setup lang="ts">
import { defineAsyncComponent, useId } from "vue";
import { dayYear } from "./format";

/** A day of the calendar: typed as people write days, or picked in the shop's week. The calendar comes when needed. */
defineProps<{ label: string; quiet?: boolean; wrong?: boolean; disabled?: boolean }>();
/** As year-month-day. */
const day = defineModel<string | undefined>({ required: true });
const Calendar = defineAsyncComponent(() => import("./CalendarField.vue"));
const id = useId();
</script>

<template>
  <div class="min-w-0">
    <label :for="id" :class="quiet ? 'sr-only' : 'label'">{{ label }}</label>
    <Suspense
      ><Calendar :id="id" v-model="day" :label="label" :wrong="wrong" :disabled="disabled" /><template #fallback
        ><span class="field inline-flex w-full items-center text-soft">{{ day ? dayYear(day) : "" }}</span></template
      ></Suspense
    >
  </div>
</template>
