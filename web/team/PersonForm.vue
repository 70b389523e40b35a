<script setup lang="ts">
import { computed } from "vue";
import { addPerson, editPerson, type Person } from "@kasten/contract/team";
import { roles } from "@kasten/contract/permissions";
import EntryChoice from "../parts/EntryChoice.vue";
import EntryNumber from "../parts/EntryNumber.vue";
import EntryText from "../parts/EntryText.vue";
import EntryTick from "../parts/EntryTick.vue";
import FormWrong from "../parts/FormWrong.vue";
import OneOf from "../parts/OneOf.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { wordsByComma } from "../parts/fields";
import { optionsOf } from "../parts/option";
import { useChange } from "../parts/useChange";
import { useEntryForm } from "../parts/useEntryForm";
import { clockOf, minuteOf, numberWordsOf, sayNumberWords } from "./hours";
import PersonTimes, { type Times } from "./PersonTimes.vue";
import { ways } from "./ways";

/** A person: who they are here, what they can, when they work and when not, and their ways. */
const props = defineProps<{ person?: Person }>();
const emit = defineEmits<{ saved: []; leave: [] }>();
const { refusal, send } = useChange();
const p = props.person;
interface Values extends Times {
  name: string;
  role: Person["role"];
  login: string;
  password: string;
  skills: string;
  methods: Record<string, string | undefined>;
  pace: number | undefined;
  handed: Person["handed"];
  words: string;
  learns: boolean;
}
const values: Values = {
  name: p?.name ?? "",
  role: p?.role ?? "tier",
  login: p?.login ?? "",
  password: "",
  skills: (p?.skills ?? []).join(", "),
  methods: { ...p?.methods },
  pace: p?.pace ?? 1,
  handed: p?.handed ?? "right",
  words: sayNumberWords(p?.numberWords ?? {}),
  hours: (p?.hours ?? []).map((h) => ({ day: h.day, from: clockOf(h.from), to: clockOf(h.to) })),
  absences: (p?.absences ?? []).map((a) => ({ ...a })),
  extraHours: (p?.extraHours ?? []).map((h) => ({ day: h.day, from: clockOf(h.from), to: clockOf(h.to) })),
  learns: p?.learns ?? false,
};
const bodyOf = ({ words, login, password, ...v }: Values) => ({
  ...v,
  skills: wordsByComma(v.skills) ?? [],
  hours: v.hours.map((h) => ({ day: h.day, from: minuteOf(h.from), to: minuteOf(h.to) })),
  extraHours: v.extraHours.map((h) => ({ day: h.day, from: minuteOf(h.from), to: minuteOf(h.to) })),
  methods: Object.fromEntries(Object.entries(v.methods).flatMap(([q, school]) => (school ? [[q, school]] : []))),
  numberWords: numberWordsOf(words).words,
  ...(p ? { version: p.version } : { login, password }),
});
const done = (saved: unknown) => {
  if (saved) emit("saved");
  return refusal.value;
};
const form = p
  ? useEntryForm({
      endpoint: editPerson,
      values,
      body: bodyOf,
      send: async (body) => done(await send(editPerson, { params: { id: p.id }, body }, "Kept")),
    })
  : useEntryForm({
      endpoint: addPerson,
      values,
      body: bodyOf,
      send: async (body) => done(await send(addPerson, { body }, "Added")),
    });
const now = form.values;
const unread = computed(() => numberWordsOf(now.value.words).unread);
const setWay = (question: string, school: string | undefined): void =>
  form.api.setFieldValue("methods", { ...now.value.methods, [question]: school } as never);
const hands = [
  { value: "right" as const, label: "right-handed" },
  { value: "left" as const, label: "left-handed" },
];
</script>

<template>
  <form class="grid gap-4" @submit.prevent="form.submit">
    <RefusalNote :refusal="refusal" />
    <FormWrong :form="form" />
    <div class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4">
      <EntryText :form="form" name="name" label="Name" />
      <template v-if="!person">
        <EntryText :form="form" name="login" label="Sign-in name" />
        <EntryText
          :form="form"
          name="password"
          label="First password, at least 10 characters"
          type="password"
          autocomplete="new-password"
        />
      </template>
      <EntryChoice :form="form" name="role" label="Role" :options="optionsOf(roles)" />
      <EntryNumber
        :form="form"
        name="pace"
        label="Times the standard minutes"
        :min="0.2"
        :max="5"
        :step="0.05"
        hint="1.2 is slower; the plan reckons with it."
      />
      <EntryChoice
        :form="form"
        name="handed"
        label="Ties"
        :options="hands"
        hint="Drawings and directions turn with it."
      />
      <EntryText
        class="sm:col-span-2"
        :form="form"
        name="skills"
        label="Skills, with commas"
        hint="The plan gives a batch only to those who have all that its steps ask for."
      />
      <div class="sm:col-span-2">
        <EntryText
          :form="form"
          name="words"
          label="Number words, such as “couple 2, few 3”, and lengths in mm: “finger 20”"
          hint="What this person means by them in orders and recipes."
        />
        <p v-if="unread.length > 0" class="text-call" role="alert">
          A word and a whole number each, parted by commas: {{ unread.join(", ") }} cannot be read.
        </p>
      </div>
    </div>
    <EntryTick :form="form" name="learns"
      >still learns: the first 200 flies of a pattern are planned slower, as they go on</EntryTick
    >
    <PersonTimes :form="form" />
    <fieldset>
      <legend class="label">Ways of tying, where good tiers differ</legend>
      <div class="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
        <OneOf
          v-for="q in ways"
          :key="q.id"
          :label="q.asks"
          none="as the pattern says"
          :options="q.schools.map((s) => ({ id: s.id, name: s.words }))"
          :model-value="now.methods[q.id]"
          @update:model-value="setWay(q.id, $event)"
        />
      </div>
    </fieldset>
    <div class="flex gap-2">
      <button class="btn btn-main" :disabled="form.isBusy.value || unread.length > 0">Keep</button
      ><button type="button" class="btn" @click="$emit('leave')">Leave</button>
    </div>
  </form>
</template>
