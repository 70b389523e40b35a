<script setup lang="ts">
import { saveSettings } from "@kasten/contract/settings";
import EntryNumber from "../parts/EntryNumber.vue";
import EntryRows from "../parts/EntryRows.vue";
import FormWrong from "../parts/FormWrong.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { useEntryForm } from "../parts/useEntryForm";
import { useSettings, type Kept } from "./useSettings";

/** What comes off a price from so many dozen of a pattern in one order. */
const props = defineProps<{ settings: Kept; can: boolean }>();
const { refusal, keep } = useSettings();
const form = useEntryForm({
  endpoint: saveSettings,
  values: {
    ...props.settings,
    breaks: props.settings.breaks.map((b) => ({
      dozens: b.dozens as number | undefined,
      percent: b.percent as number | undefined,
    })),
  },
  send: (body) => keep(body),
});
</script>

<template>
  <form class="sheet max-w-3xl p-4" @submit.prevent="form.submit">
    <RefusalNote :refusal="refusal" />
    <FormWrong :form="form" />
    <p class="mb-2 text-[0.92rem] text-soft">
      The prices of a pattern stand with the pattern, by size and colour. From so many dozen of one pattern in an order,
      of all its sizes together, so much comes off; the largest that is reached counts alone. What a customer is given
      beside that stands with the customer. Orders that are written already keep their prices.
    </p>
    <template v-if="can">
      <EntryRows :form="form" name="breaks" add="A break" one="break" :fresh="{ dozens: undefined, percent: undefined }"
        ><template #default="{ at }"
          ><EntryNumber
            class="w-40"
            :form="form"
            :name="`${at}.dozens`"
            label="From"
            unit="dz"
            :min="2"
            :max="500"
            :step="1" />
          <EntryNumber
            class="w-40"
            :form="form"
            :name="`${at}.percent`"
            label="comes off"
            unit="%"
            :min="0.5"
            :max="60"
            :step="0.5" /></template
        ><template #beside
          ><button class="btn btn-main" :disabled="form.isBusy.value">Keep the prices</button></template
        ></EntryRows
      >
    </template>
    <ul v-else>
      <li v-for="b in settings.breaks" :key="b.dozens">
        from <b>{{ b.dozens }}</b> dz, {{ b.percent }} % off
      </li>
    </ul>
  </form>
</template>
