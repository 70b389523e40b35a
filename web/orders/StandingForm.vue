<script setup lang="ts">
import { ref } from "vue";
import { endStanding, setStanding } from "@kasten/contract/orders";
import NumberField from "../parts/NumberField.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { dayYear } from "../parts/format";
import { useChange } from "../parts/useChange";

/** Whether an order comes up again each year, and how long ahead. */
const props = defineProps<{ order: string; standing: { next: string; aheadDays: number } | null }>();
const emit = defineEmits<{ changed: [] }>();
const USUAL_DAYS = 60;
const days = ref<number | undefined>(props.standing?.aheadDays ?? USUAL_DAYS);
const { busy, refusal, send } = useChange();
async function repeat(): Promise<void> {
  if (days.value === undefined) return;
  const body = { aheadDays: days.value };
  if (await send(setStanding, { params: { id: props.order }, body }, "It comes up again")) emit("changed");
}
async function end(): Promise<void> {
  if (await send(endStanding, { params: { id: props.order } }, "It comes up no more")) emit("changed");
}
</script>

<template>
  <div class="mb-4 flex flex-wrap items-end gap-3">
    <template v-if="standing">
      <p>
        Stands: it comes up again for <b>{{ dayYear(standing.next) }}</b>, {{ standing.aheadDays }} days ahead, to be
        adjusted and written.
      </p>
      <button class="btn !min-h-8" :disabled="busy" @click="end">Let it come up no more</button>
    </template>
    <form v-else class="flex flex-wrap items-end gap-3" @submit.prevent="repeat">
      <NumberField v-model="days" label="Comes up again each year, days ahead" :min="7" :max="300" />
      <button class="btn" :disabled="busy || days === undefined">Make it a standing order</button>
    </form>
    <RefusalNote :refusal="refusal" />
  </div>
</template>
