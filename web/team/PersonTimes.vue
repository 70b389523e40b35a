<script lang="ts">
/** When a person works, and when not. */
export interface Times {
  hours: { day: number; from: string; to: string }[];
  absences: { from: string | undefined; to: string | undefined; reason: string }[];
  extraHours: { day: string | undefined; from: string; to: string }[];
}
</script>

<script setup lang="ts" generic="V extends Times">
import { Plus, X } from "lucide-vue-next";
import EntryChoice from "../parts/EntryChoice.vue";
import EntryDay from "../parts/EntryDay.vue";
import EntryText from "../parts/EntryText.vue";
import type { EntryForm } from "../parts/useEntryForm";
import { weekdays } from "./hours";

const props = defineProps<{ form: EntryForm<V> }>();
const now = props.form.values;
const list = (name: keyof Times, rows: object[]): void => props.form.api.setFieldValue(name, rows as never);
/** The usual week from its first hours: most people's days are alike. */
const wholeWeek = (): void => {
  const { from, to } = now.value.hours[0] ?? { from: "09:00", to: "12:00" };
  list(
    "hours",
    [1, 2, 3, 4, 5].map((day) => ({ day, from, to })),
  );
};
const days = weekdays.map((label, k) => ({ value: k + 1, label }));
</script>

<template>
  <div class="grid gap-4">
    <fieldset>
      <legend class="label">Hours</legend>
      <div v-for="(_h, i) in now.hours" :key="i" class="mb-1.5 flex flex-wrap items-end gap-2">
        <EntryChoice class="w-24" :form="form" :name="`hours[${i}].day`" label="Weekday" quiet :options="days" />
        <EntryText class="w-[9.6rem]" :form="form" :name="`hours[${i}].from`" label="From" quiet type="time" />
        <EntryText class="w-[9.6rem]" :form="form" :name="`hours[${i}].to`" label="To" quiet type="time" />
        <button
          type="button"
          class="btn btn-plain"
          @click="
            list(
              'hours',
              now.hours.filter((_, j) => j !== i),
            )
          "
        >
          Remove
        </button>
      </div>
      <div class="flex flex-wrap gap-2">
        <button
          type="button"
          class="btn"
          @click="list('hours', [...now.hours, { day: 1, from: '09:00', to: '12:00' }])"
        >
          Add hours
        </button>
        <button type="button" class="btn btn-plain" @click="wholeWeek">Monday to Friday alike</button>
      </div>
    </fieldset>
    <fieldset>
      <legend class="label">Days off</legend>
      <div v-for="(_a, i) in now.absences" :key="i" class="mb-1.5 flex flex-wrap items-end gap-2">
        <EntryDay class="w-36" :form="form" :name="`absences[${i}].from`" label="From" />
        <EntryDay class="w-36" :form="form" :name="`absences[${i}].to`" label="To" />
        <EntryText class="w-48" :form="form" :name="`absences[${i}].reason`" label="Why, if it may be said" />
        <button
          type="button"
          class="btn btn-plain"
          :aria-label="`Without days off ${i + 1}`"
          @click="
            list(
              'absences',
              now.absences.filter((_, j) => j !== i),
            )
          "
        >
          <X :size="16" />
        </button>
      </div>
      <button
        type="button"
        class="btn"
        @click="list('absences', [...now.absences, { from: undefined, to: undefined, reason: '' }])"
      >
        <Plus :size="16" aria-hidden="true" />Days off
      </button>
    </fieldset>
    <fieldset>
      <legend class="label">Hours on one day beside the week</legend>
      <div v-for="(_e, i) in now.extraHours" :key="i" class="mb-1.5 flex flex-wrap items-end gap-2">
        <EntryDay class="w-36" :form="form" :name="`extraHours[${i}].day`" label="Day" />
        <EntryText class="w-[9.6rem]" :form="form" :name="`extraHours[${i}].from`" label="From" quiet type="time" />
        <EntryText class="w-[9.6rem]" :form="form" :name="`extraHours[${i}].to`" label="To" quiet type="time" />
        <button
          type="button"
          class="btn btn-plain"
          :aria-label="`Without extra hours ${i + 1}`"
          @click="
            list(
              'extraHours',
              now.extraHours.filter((_, j) => j !== i),
            )
          "
        >
          <X :size="16" />
        </button>
      </div>
      <button
        type="button"
        class="btn"
        @click="list('extraHours', [...now.extraHours, { day: undefined, from: '09:00', to: '13:00' }])"
      >
        <Plus :size="16" aria-hidden="true" />Extra hours
      </button>
    </fieldset>
  </div>
</template>
