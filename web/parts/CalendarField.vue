<script setup lang="ts">
import { VueDatePicker } from "@vuepic/vue-datepicker";
import "@vuepic/vue-datepicker/dist/main.css";
import { enGB } from "date-fns/locale/en-GB";

/** The calendar itself, dressed in the tokens of the room. */
defineProps<{ id: string; label: string; wrong?: boolean; disabled?: boolean }>();
const day = defineModel<string | undefined>({ required: true });
const MONDAY = 1;
const written = ["d MMM yyyy", "d MMMM yyyy", "d.M.yyyy", "yyyy-MM-dd"];
</script>

<template>
  <VueDatePicker
    v-model="day"
    class="calendar"
    :class="{ 'is-wrong': wrong }"
    model-type="yyyy-MM-dd"
    auto-apply
    :locale="enGB"
    :week-start="MONDAY"
    :disabled="disabled"
    :time-config="{ enableTimePicker: false }"
    :formats="{ input: 'd MMM yyyy' }"
    :text-input="{ format: written, openMenu: 'toggle', enterSubmit: true, tabSubmit: true, applyOnBlur: true }"
    :input-attrs="{ id, hideInputIcon: true }"
    :aria-labels="{ input: label }"
    :transitions="false"
    placeholder="12 Mar 2027"
  />
</template>

<style>
.calendar,
.dp--menu {
  --dp-background-color: var(--sheet);
  --dp-text-color: var(--ink);
  --dp-hover-color: var(--well);
  --dp-hover-text-color: var(--ink);
  --dp-hover-icon-color: var(--deep);
  --dp-primary-color: var(--deep);
  --dp-primary-text-color: var(--deep-ink);
  --dp-secondary-color: var(--ink-soft);
  --dp-border-color: var(--rule-strong);
  --dp-border-color-hover: var(--deep);
  --dp-border-color-focus: var(--deep);
  --dp-menu-border-color: var(--rule-strong);
  --dp-icon-color: var(--ink-soft);
  --dp-font-family: var(--font-sans);
  --dp-border-radius: 2px;
  --dp-cell-border-radius: 0;
  --dp-input-padding: 0.2rem 1.8rem 0.2rem 0.55rem;
}
.calendar .dp--input {
  min-height: 2.2rem;
  font: inherit;
}
.calendar.is-wrong .dp--input {
  border-color: var(--call);
}
</style>
