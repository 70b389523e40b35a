<script setup lang="ts">
import { Plus, X } from "lucide-vue-next";
import { saveSettings } from "@kasten/contract/settings";
import EntryDay from "../parts/EntryDay.vue";
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
const list = (name: "seasons" | "holidays", rows: object[]): void => form.api.setFieldValue(name, rows as never);
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
        <div v-for="(_s, i) in form.values.value.seasons" :key="i" class="mb-2 flex flex-wrap items-end gap-2">
          <EntryText class="min-w-40 flex-1" :form="form" :name="`seasons[${i}].name`" label="Name" />
          <EntryDay class="w-40" :form="form" :name="`seasons[${i}].date`" label="Begins" />
          <button
            type="button"
            class="btn btn-plain"
            :aria-label="`Without season ${i + 1}`"
            @click="
              list(
                'seasons',
                form.values.value.seasons.filter((_, j) => j !== i),
              )
            "
          >
            <X :size="16" />
          </button>
        </div>
        <button
          type="button"
          class="btn"
          @click="list('seasons', [...form.values.value.seasons, { name: '', date: undefined }])"
        >
          <Plus :size="16" aria-hidden="true" />A season
        </button>
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
        <div v-for="(_h, i) in form.values.value.holidays" :key="i" class="mb-2 flex flex-wrap items-end gap-2">
          <EntryDay class="w-36" :form="form" :name="`holidays[${i}].from`" label="From" />
          <EntryDay class="w-36" :form="form" :name="`holidays[${i}].to`" label="To" />
          <EntryText class="min-w-28 flex-1" :form="form" :name="`holidays[${i}].reason`" label="What it is" />
          <button
            type="button"
            class="btn btn-plain"
            :aria-label="`Without holiday ${i + 1}`"
            @click="
              list(
                'holidays',
                form.values.value.holidays.filter((_, j) => j !== i),
              )
            "
          >
            <X :size="16" />
          </button>
        </div>
        <button
          type="button"
          class="btn"
          @click="list('holidays', [...form.values.value.holidays, { from: undefined, to: undefined, reason: '' }])"
        >
          <Plus :size="16" aria-hidden="true" />Days off for all
        </button>
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
