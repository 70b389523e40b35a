<script setup lang="ts">
import { saveSettings } from "@kasten/contract/settings";
import EntryDay from "../parts/EntryDay.vue";
import EntryRows from "../parts/EntryRows.vue";
import EntryText from "../parts/EntryText.vue";
import FormWrong from "../parts/FormWrong.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { dayYear } from "../parts/format";
import { useEntryForm } from "../parts/useEntryForm";
import { useSettings, type Kept } from "./useSettings";

/** Seasons that orders are promised against, and days on which nobody works. */
const props = defineProps<{ settings: Kept; can: boolean }>();
const { refusal, keep } = useSettings();
const form = useEntryForm({
  endpoint: saveSettings,
  values: {
    ...props.settings,
    seasons: props.settings.seasons.map((s) => ({ name: s.name, date: s.date as string | undefined })),
    holidays: props.settings.holidays.map((h) => ({
      ...h,
      from: h.from as string | undefined,
      to: h.to as string | undefined,
    })),
  },
  send: (body) => keep(body),
});
</script>

<template>
  <form class="grid gap-5 lg:grid-cols-2" @submit.prevent="form.submit">
    <RefusalNote class="col-span-full" :refusal="refusal" />
    <FormWrong class="col-span-full" :form="form" />
    <section class="sheet p-4">
      <h2 class="mb-1">Seasons</h2>
      <p class="mb-2 text-[0.92rem] text-soft">
        A run, a hatch, an opening. An order may name one instead of a day: “by ice-out”, “the week before the char
        run”.
      </p>
      <template v-if="can">
        <EntryRows
          v-slot="{ at }"
          :form="form"
          name="seasons"
          add="A season"
          one="season"
          :fresh="{ name: '', date: undefined }"
          ><EntryText class="min-w-40 flex-1" :form="form" :name="`${at}.name`" label="Name" />
          <EntryDay class="w-40" :form="form" :name="`${at}.date`" label="Begins" />
        </EntryRows>
      </template>
      <ul v-else>
        <li v-for="s in settings.seasons" :key="s.name">
          <b>{{ s.name }}</b> {{ dayYear(s.date) }}
        </li>
      </ul>
    </section>
    <section class="sheet p-4">
      <h2 class="mb-1">Holidays</h2>
      <p class="mb-2 text-[0.92rem] text-soft">
        Nobody works on these days: the plan leaves them out. A day off of one person stands with that person.
      </p>
      <template v-if="can">
        <EntryRows
          v-slot="{ at }"
          :form="form"
          name="holidays"
          add="Days off for all"
          one="holiday"
          :fresh="{ from: undefined, to: undefined, reason: '' }"
          ><EntryDay class="w-36" :form="form" :name="`${at}.from`" label="From" />
          <EntryDay class="w-36" :form="form" :name="`${at}.to`" label="To" />
          <EntryText class="min-w-28 flex-1" :form="form" :name="`${at}.reason`" label="What it is" />
        </EntryRows>
      </template>
      <ul v-else>
        <li v-for="h in settings.holidays" :key="h.from">
          {{ dayYear(h.from) }}<template v-if="h.to !== h.from"> to {{ dayYear(h.to) }}</template> {{ h.reason }}
        </li>
      </ul>
    </section>
    <div v-if="can" class="col-span-full">
      <button class="btn btn-main" :disabled="form.isBusy.value">Keep the days</button>
    </div>
  </form>
</template>
