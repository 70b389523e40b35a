<script setup lang="ts">
import { saveSettings } from "@kasten/contract/settings";
import EntryChoice from "../parts/EntryChoice.vue";
import EntryNumber from "../parts/EntryNumber.vue";
import EntryText from "../parts/EntryText.vue";
import FormWrong from "../parts/FormWrong.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { useEntryForm } from "../parts/useEntryForm";
import { useSettings, type Kept } from "./useSettings";

/** How the room works, each with what it changes. */
const props = defineProps<{ settings: Kept; can: boolean }>();
const { refusal, keep } = useSettings();
const { serviceLevel, promiseLevel, changeOver, ...rest } = props.settings;
const PER_CENT = 100;
const form = useEntryForm({
  endpoint: saveSettings,
  values: {
    ...rest,
    percent: Number((serviceLevel * PER_CENT).toFixed(1)) as number | undefined,
    sure: Number((promiseLevel * PER_CENT).toFixed(1)) as number | undefined,
    pattern: changeOver.pattern as number | undefined,
    thread: changeOver.thread as number | undefined,
    hook: changeOver.hook as number | undefined,
  },
  body: ({ percent, sure, pattern, thread, hook, ...v }) => ({
    ...v,
    serviceLevel: percent === undefined ? undefined : percent / PER_CENT,
    promiseLevel: sure === undefined ? undefined : sure / PER_CENT,
    changeOver: { pattern, thread, hook },
  }),
  fields: {
    serviceLevel: "percent",
    promiseLevel: "sure",
    "changeOver.pattern": "pattern",
    "changeOver.thread": "thread",
    "changeOver.hook": "hook",
  },
  send: (body) => keep(body),
});
const zones = Intl.supportedValuesOf("timeZone");
const unitOptions = [
  { value: "mm" as const, label: "millimetres" },
  { value: "in" as const, label: "inches" },
];
</script>

<template>
  <form class="sheet grid gap-x-6 gap-y-4 p-4 sm:grid-cols-2 xl:grid-cols-3" @submit.prevent="form.submit">
    <RefusalNote class="col-span-full" :refusal="refusal" />
    <FormWrong class="col-span-full" :form="form" />
    <EntryText :form="form" name="shop" label="Name of the room" hint="Stands on sheets and labels." :disabled="!can" />
    <EntryText
      :form="form"
      name="timeZone"
      label="Time zone"
      list="zones"
      hint="Days, hours and promises are counted in it."
      :disabled="!can"
    />
    <datalist id="zones"><option v-for="z in zones" :key="z" :value="z"></option></datalist>
    <EntryText
      :form="form"
      name="currency"
      label="Sign of your money"
      hint="Stands behind prices; nothing is converted."
      :disabled="!can"
    />
    <EntryChoice
      :form="form"
      name="units"
      label="Lengths are shown in"
      :options="unitOptions"
      hint="For whoever has not chosen at the head of the page."
      :disabled="!can"
    />
    <EntryNumber
      :form="form"
      name="percent"
      label="Service level"
      word="service level"
      unit="%"
      :min="50"
      :max="99.9"
      :step="0.5"
      hint="How surely a batch is enough at once: higher starts more flies and issues more of each material, from the next batch on."
      :disabled="!can"
    />
    <EntryNumber
      :form="form"
      name="sure"
      label="A promise is kept in"
      unit="of 100 cases"
      :min="50"
      :max="99"
      :step="1"
      hint="How probable a day must be for an order to be promised for it: higher promises later days."
      :disabled="!can"
    />
    <EntryNumber
      :form="form"
      name="awayPercent"
      label="Away unforeseen"
      unit="of 100 days"
      :min="0"
      :max="40"
      :step="0.5"
      hint="How often somebody who would work is not there. The odds of the plan reckon with it."
      :disabled="!can"
    />
    <EntryNumber
      :form="form"
      name="tray"
      label="A tray holds"
      word="tray"
      unit="flies"
      :min="12"
      :max="1200"
      :step="1"
      hint="The most that are started together: larger orders become several batches."
      :disabled="!can"
    />
    <EntryNumber
      :form="form"
      name="windowDays"
      label="Days that may lie apart in a batch"
      unit="days"
      :min="0"
      :max="120"
      :step="1"
      hint="Lines due further apart than this are tied apart."
      :disabled="!can"
    />
    <EntryNumber
      :form="form"
      name="restPerHour"
      label="Rest in every hour"
      unit="min"
      :min="0"
      :max="45"
      :step="1"
      hint="Taken off everybody’s hours in the plan. Hands, neck and eyes get hurt without it."
      :disabled="!can"
    />
    <EntryNumber
      :form="form"
      name="rackPlaces"
      label="The drying rack holds"
      word="rack"
      unit="flies"
      :min="12"
      :max="100000"
      :step="1"
      hint="Coats wait in the plan until there is room to dry."
      :disabled="!can"
    />
    <fieldset class="col-span-full">
      <legend class="label">Change-over between unlike batches, each adds its minutes in the plan</legend>
      <div class="grid gap-3 sm:grid-cols-3">
        <EntryNumber
          :form="form"
          name="pattern"
          label="Another pattern"
          unit="min"
          :min="0"
          :max="240"
          :disabled="!can"
        />
        <EntryNumber
          :form="form"
          name="thread"
          label="Another thread"
          unit="min"
          :min="0"
          :max="240"
          :disabled="!can"
        />
        <EntryNumber :form="form" name="hook" label="Another hook" unit="min" :min="0" :max="240" :disabled="!can" />
      </div>
    </fieldset>
    <div v-if="can" class="col-span-full">
      <button class="btn btn-main" :disabled="form.isBusy.value">Keep the settings</button>
    </div>
  </form>
</template>
