<script setup lang="ts">
import { computed, ref } from "vue";
import { prepareTogether, type PrepGroupData } from "@kasten/contract/preparing";
import NumberField from "../parts/NumberField.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import TextField from "../parts/TextField.vue";
import { day, quantity } from "../parts/format";
import { useChange } from "../parts/useChange";
import { baseOf } from "../parts/written";

/** One piece of preparation, logged for the batches that are ticked. */
const props = defineProps<{ group: PrepGroupData }>();
const emit = defineEmits<{ done: []; leave: [] }>();
const { busy, refusal, send } = useChange();
const batches = ref(props.group.tasks.map((t) => t.batch));
const minutes = ref<number | undefined>();
const out = ref<number | undefined>();
const passes = ref<number | undefined>();
const chop = ref<number | undefined>();
const note = ref<string | undefined>();
const leftovers = ref(true);
const isMill = computed(() => props.group.kind === "mill blend");
async function log(): Promise<void> {
  const body = {
    kind: props.group.kind,
    material: props.group.material,
    batches: batches.value,
    ...(minutes.value !== undefined && { minutes: minutes.value }),
    ...(isMill.value && out.value !== undefined && { out: baseOf(out.value, "ug") }),
    leftovers: isMill.value && props.group.left > 0 && leftovers.value,
    how: {
      ...(passes.value !== undefined && { passes: passes.value }),
      ...(chop.value !== undefined && { chopMm: chop.value }),
    },
    note: note.value ?? "",
  };
  if (await send(prepareTogether, { body }, "Logged")) emit("done");
}
</script>

<template>
  <form class="sheet grid gap-3 p-3" @submit.prevent="log">
    <h2>{{ group.title }}</h2>
    <RefusalNote :refusal="refusal" />
    <fieldset class="flex flex-wrap gap-x-5 gap-y-1">
      <legend class="label">For</legend>
      <label v-for="t in group.tasks" :key="t.batch" class="flex min-h-9 items-center gap-2"
        ><input v-model="batches" type="checkbox" class="h-5 w-5" :value="t.batch" /><span
          >batch <b class="fig">{{ t.number }}</b> {{ t.pattern }} {{ t.size }},
          <span class="text-soft">due {{ day(t.due) }}</span></span
        ></label
      >
    </fieldset>
    <label v-if="isMill && group.left > 0" class="flex min-h-9 items-center gap-2"
      ><input v-model="leftovers" type="checkbox" class="h-5 w-5" /><span
        >What these batches cannot take whole of the <span class="fig">{{ quantity(group.left, "ug") }}</span> left of
        earlier charges goes into this one</span
      ></label
    >
    <div class="flex flex-wrap items-end gap-3">
      <NumberField v-model="minutes" label="Minutes it took, if known" :min="0.1" class="w-48" />
      <template v-if="isMill">
        <NumberField v-model="out" label="Came out, in grams, if weighed" :min="0" class="w-56" />
        <NumberField v-model="passes" label="Passes" :min="1" :step="1" class="w-24" />
        <NumberField v-model="chop" label="Chopped to, mm" :min="0.5" class="w-36" />
      </template>
      <TextField v-model="note" label="Note" class="w-64" />
      <button class="btn btn-main" :disabled="busy || batches.length === 0">Log as done</button>
      <button type="button" class="btn" @click="emit('leave')">Leave it</button>
    </div>
  </form>
</template>
