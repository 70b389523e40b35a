<script setup lang="ts">
import { saveSettings, type Station } from "@kasten/contract/settings";
import EntryNumber from "../parts/EntryNumber.vue";
import EntryRows from "../parts/EntryRows.vue";
import EntryText from "../parts/EntryText.vue";
import FormWrong from "../parts/FormWrong.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import SwitchField from "../parts/SwitchField.vue";
import { useEntryForm } from "../parts/useEntryForm";
import { useSettings, type Kept } from "./useSettings";

/** Shared tools: how many may work there at a time, and what is wrong with them. */
const props = defineProps<{ settings: Kept; can: boolean }>();
const { refusal, keep } = useSettings();
const form = useEntryForm({
  endpoint: saveSettings,
  values: {
    ...props.settings,
    stations: props.settings.stations.map((s) => ({ ...s, places: s.places as number | undefined })),
    sharedTools: props.settings.sharedTools.map((t) => ({ ...t, places: t.places as number | undefined })),
  },
  send: (body) => keep(body),
});
const what: Record<Station["name"], { title: string; does: string }> = {
  finishing: { title: "Finishing bench", does: "Lacquer, resin and lamp: every coat is given here." },
  mill: { title: "Blending mill", does: "Blends are mixed here, for a whole batch at once." },
};
const setDown = (of: "stations" | "sharedTools", i: number, isDown: boolean): void => {
  form.api.setFieldValue(`${of}[${i}].down`, (isDown ? "" : null) as never);
};
</script>

<template>
  <form class="grid gap-4 md:grid-cols-2" @submit.prevent="form.submit">
    <RefusalNote class="col-span-full" :refusal="refusal" />
    <FormWrong class="col-span-full" :form="form" />
    <section v-for="(s, i) in form.values.value.stations" :key="s.name" class="sheet p-4">
      <h2>{{ what[s.name].title }}</h2>
      <p class="mb-2 text-[0.92rem] text-soft">{{ what[s.name].does }}</p>
      <EntryNumber
        class="max-w-48"
        :form="form"
        :name="`stations[${i}].places`"
        label="People at a time"
        :min="1"
        :max="40"
        :step="1"
        :disabled="!can"
      />
      <SwitchField
        class="mt-2"
        :model-value="s.down === null"
        :disabled="!can"
        @update:model-value="setDown('stations', i, !$event)"
        >it works</SwitchField
      >
      <EntryText
        v-if="s.down !== null"
        :form="form"
        :name="`stations[${i}].down`"
        label="What is wrong with it"
        placeholder="the lamp’s switch sticks"
        hint="Batches that need it are held from the bench and named in the plan, with this reason."
        :disabled="!can"
      />
    </section>
    <section class="sheet col-span-full p-4">
      <h2>Shared tools</h2>
      <p class="mb-2 max-w-[75ch] text-[0.92rem] text-soft">
        Tools of which there are fewer than people who tie, by the name that steps and ways have for them: rotary vise,
        stacker, burnisher. Whoever ties a batch that needs one has it all the while; of several that a batch needs the
        plan minds the scarcest.
      </p>
      <EntryRows
        v-if="can"
        v-slot="{ i, at }"
        :form="form"
        name="sharedTools"
        add="A shared tool"
        one="shared tool"
        :fresh="{ name: '', places: 1, down: null }"
        ><EntryText class="w-56" :form="form" :name="`${at}.name`" label="Tool" />
        <EntryNumber class="w-32" :form="form" :name="`${at}.places`" label="How many" :min="1" :max="40" :step="1" />
        <SwitchField
          :model-value="form.values.value.sharedTools[i]?.down === null"
          @update:model-value="setDown('sharedTools', i, !$event)"
          >it works</SwitchField
        >
        <EntryText
          v-if="form.values.value.sharedTools[i]?.down !== null"
          class="w-72"
          :form="form"
          :name="`${at}.down`"
          label="What is wrong with it"
        />
      </EntryRows>
      <ul v-else>
        <li v-for="t in settings.sharedTools" :key="t.name">
          {{ t.name }}: <span class="fig">{{ t.places }}</span><template v-if="t.down"
            >, out of use: {{ t.down }}</template
          >
        </li>
      </ul>
    </section>
    <div v-if="can" class="col-span-full">
      <button class="btn btn-main" :disabled="form.isBusy.value">Keep the stations</button>
    </div>
  </form>
</template>
