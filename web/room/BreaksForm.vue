<script setup lang="ts">
import { Plus, X } from "lucide-vue-next";
import { saveSettings } from "@kasten/contract/settings";
import EntryNumber from "../parts/EntryNumber.vue";
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
const set = (rows: object[]): void => form.api.setFieldValue("breaks", rows as never);
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
      <div v-for="(_b, i) in form.values.value.breaks" :key="i" class="mb-2 flex flex-wrap items-end gap-2">
        <EntryNumber
          class="w-40"
          :form="form"
          :name="`breaks[${i}].dozens`"
          label="From"
          unit="dz"
          :min="2"
          :max="500"
          :step="1"
        />
        <EntryNumber
          class="w-40"
          :form="form"
          :name="`breaks[${i}].percent`"
          label="comes off"
          unit="%"
          :min="0.5"
          :max="60"
          :step="0.5"
        />
        <button
          type="button"
          class="btn btn-plain"
          :aria-label="`Without break ${i + 1}`"
          @click="set(form.values.value.breaks.filter((_, j) => j !== i))"
        >
          <X :size="16" />
        </button>
      </div>
      <div class="flex flex-wrap gap-2">
        <button
          type="button"
          class="btn"
          @click="set([...form.values.value.breaks, { dozens: undefined, percent: undefined }])"
        >
          <Plus :size="16" aria-hidden="true" />A break
        </button>
        <button class="btn btn-main" :disabled="form.isBusy.value">Keep the prices</button>
      </div>
    </template>
    <ul v-else>
      <li v-for="b in settings.breaks" :key="b.dozens">
        from <b>{{ b.dozens }}</b> dz, {{ b.percent }} % off
      </li>
    </ul>
  </form>
</template>
