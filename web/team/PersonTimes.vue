<script lang="ts">
/** When a person works, and when not. */
export interface Times {
  hours: { day: number; from: string; to: string }[];
  absences: { from: string | undefined; to: string | undefined; reason: string }[];
  extraHours: { day: string | undefined; from: string; to: string }[];
}
</script>

<script setup lang="ts" generic="V extends Times">
import EntryChoice from "../parts/EntryChoice.vue";
import EntryDay from "../parts/EntryDay.vue";
import EntryRows from "../parts/EntryRows.vue";
import EntryText from "../parts/EntryText.vue";
import type { EntryForm } from "../parts/useEntryForm";
import { weekdays } from "./hours";

const props = defineProps<{ form: EntryForm<V> }>();
const now = props.form.values;
/** The usual week from its first hours: most people's days are alike. */
const wholeWeek = (): void => {
  const { from, to } = now.value.hours[0] ?? { from: "09:00", to: "12:00" };
  props.form.api.setFieldValue("hours", [1, 2, 3, 4, 5].map((day) => ({ day, from, to })) as never);
};
const days = weekdays.map((label, k) => ({ value: k + 1, label }));
</script>

<template>
  <div class="grid gap-4">
    <fieldset>
      <legend class="label">Hours</legend>
      <EntryRows :form="form" name="hours" add="Add hours" one="hours" :fresh="{ day: 1, from: '09:00', to: '12:00' }"
        ><template #default="{ at }"
          ><EntryChoice class="w-24" :form="form" :name="`${at}.day`" label="Weekday" quiet :options="days" />
          <EntryText class="w-[9.6rem]" :form="form" :name="`${at}.from`" label="From" quiet type="time" />
          <EntryText class="w-[9.6rem]" :form="form" :name="`${at}.to`" label="To" quiet type="time" /></template
        ><template #beside
          ><button type="button" class="btn btn-plain" @click="wholeWeek">Monday to Friday alike</button></template
        ></EntryRows
      >
    </fieldset>
    <fieldset>
      <legend class="label">Days off</legend>
      <EntryRows
        v-slot="{ at }"
        :form="form"
        name="absences"
        add="Days off"
        one="days off"
        :fresh="{ from: undefined, to: undefined, reason: '' }"
        ><EntryDay class="w-36" :form="form" :name="`${at}.from`" label="From" />
        <EntryDay class="w-36" :form="form" :name="`${at}.to`" label="To" />
        <EntryText class="w-48" :form="form" :name="`${at}.reason`" label="Why, if it may be said" />
      </EntryRows>
    </fieldset>
    <fieldset>
      <legend class="label">Hours on one day beside the week</legend>
      <EntryRows
        v-slot="{ at }"
        :form="form"
        name="extraHours"
        add="Extra hours"
        one="extra hours"
        :fresh="{ day: undefined, from: '09:00', to: '13:00' }"
        ><EntryDay class="w-36" :form="form" :name="`${at}.day`" label="Day" />
        <EntryText class="w-[9.6rem]" :form="form" :name="`${at}.from`" label="From" quiet type="time" />
        <EntryText class="w-[9.6rem]" :form="form" :name="`${at}.to`" label="To" quiet type="time" />
      </EntryRows>
    </fieldset>
  </div>
</template>
