<script setup lang="ts">
import { computed, ref } from "vue";
import { DAY_MINUTES, type Change } from "@kasten/core/schedule";
import type { Plan } from "@kasten/contract/schedule";
import DayField from "../parts/DayField.vue";
import ListBox from "../parts/ListBox.vue";
import NumberField from "../parts/NumberField.vue";
import { useCatalogue } from "../patterns";
import TrialNote from "./TrialNote.vue";
import { changeWords } from "./trialWords";
import type { PlanTrial } from "./usePlanTrial";

/** Something that may happen, tried on the plan without changing anything. */
const props = defineProps<{ plan: Plan; trial: PlanTrial }>();
const { data: catalogue } = useCatalogue();
type Kind = "away" | "work" | "finishing" | "mill" | "rack";
const kinds = [
  { value: "away" as const, label: "somebody is away" },
  { value: "work" as const, label: "somebody works more" },
  { value: "finishing" as const, label: "another finishing bench" },
  { value: "mill" as const, label: "the mill breaks down" },
  { value: "rack" as const, label: "a larger rack" },
];
const MORNING = [540, 780] as const;
const kind = ref<Kind>("away");
const person = ref(props.plan.people[0]?.id ?? "");
const from = ref<string | undefined>(props.plan.days[0]?.date);
const to = ref<string | undefined>(props.plan.days[0]?.date);
const places = ref<number | undefined>(catalogue.value?.settings.rackPlaces);
const people = computed(() => props.plan.people.map((p) => ({ value: p.id, label: p.name })));
const minuteOf = (date: string | undefined): number | undefined => props.plan.days.find((d) => d.date === date)?.minute;

const changes: Record<Kind, () => Change | undefined> = {
  away: () => {
    const [a, b] = [minuteOf(from.value), minuteOf(to.value)];
    if (a === undefined || b === undefined) return undefined;
    return { do: "away", person: person.value, from: a, to: Math.max(a, b) + DAY_MINUTES };
  },
  work: () => {
    const a = minuteOf(from.value);
    if (a === undefined) return undefined;
    return { do: "work", person: person.value, from: a + MORNING[0], to: a + MORNING[1] };
  },
  finishing: () => ({ do: "places", station: "finishing", places: 2 }),
  mill: () => ({ do: "places", station: "mill", places: 0 }),
  rack: () => (places.value === undefined ? undefined : { do: "rack", rack: "rack", places: places.value }),
};
const change = computed(() => changes[kind.value]());
const tried = ref("");
async function tryIt(): Promise<void> {
  if (!change.value) return;
  tried.value = changeWords(props.plan, change.value);
  props.trial.clear();
  await props.trial.tryOut([change.value]);
}
</script>

<template>
  <form class="grid gap-2" @submit.prevent="tryIt">
    <div class="flex flex-wrap items-end gap-2">
      <ListBox v-model="kind" class="w-56" label="What if" :options="kinds" />
      <ListBox v-if="kind === 'away' || kind === 'work'" v-model="person" class="w-44" label="Who" :options="people" />
      <DayField v-if="kind === 'away' || kind === 'work'" v-model="from" class="w-40" label="Day" />
      <DayField v-if="kind === 'away'" v-model="to" class="w-40" label="Until" />
      <NumberField v-if="kind === 'rack'" v-model="places" label="Flies it holds" :min="12" :max="100000" />
      <button class="btn" :disabled="!change || trial.busy.value">Try it</button>
    </div>
    <p v-if="kind === 'work'" class="text-soft">From nine to one, beside the hours of the week.</p>
    <p v-if="tried && (trial.trial.value || trial.busy.value)" class="font-semibold">{{ tried }}</p>
    <TrialNote
      v-if="tried"
      :plan="plan"
      :trial="trial.trial.value"
      :busy="trial.busy.value"
      :refused="trial.refused.value"
    />
    <p class="text-soft">Nothing is changed by it.</p>
  </form>
</template>
