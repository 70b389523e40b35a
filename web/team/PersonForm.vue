<script setup lang="ts">
import { computed, reactive } from "vue";
import { addPerson, editPerson, type Person } from "@kasten/contract/team";
import RefusalNote from "../parts/RefusalNote.vue";
import { wordsByComma } from "../parts/fields";
import { useChange } from "../parts/useChange";
import { clockOf, minuteOf, numberWordsOf, sayNumberWords, weekdays } from "./hours";
import { ways } from "./ways";

/** A person: who they are here, what they can, when they work, and their ways. */
const props = defineProps<{ person?: Person }>();
const emit = defineEmits<{ saved: []; leave: [] }>();
const { busy, refusal, send } = useChange();
const p = props.person;
const draft = reactive({
  name: p?.name ?? "",
  role: p?.role ?? "tier",
  login: p?.login ?? "",
  password: "",
  skills: (p?.skills ?? []).join(", "),
  methods: { ...p?.methods } as Record<string, string | undefined>,
  pace: p?.pace ?? 1,
  handed: p?.handed ?? "right",
  words: sayNumberWords(p?.numberWords ?? {}),
  hours: (p?.hours ?? []).map((h) => ({ day: h.day, from: clockOf(h.from), to: clockOf(h.to) })),
});
const words = computed(() => numberWordsOf(draft.words));
async function save(): Promise<void> {
  const { name, role, pace, handed, login, password } = draft;
  const common = {
    name,
    role,
    pace,
    handed,
    skills: wordsByComma(draft.skills) ?? [],
    hours: draft.hours.map((h) => ({ day: h.day, from: minuteOf(h.from), to: minuteOf(h.to) })),
    methods: Object.fromEntries(Object.entries(draft.methods).flatMap(([q, school]) => (school ? [[q, school]] : []))),
    numberWords: words.value.words,
  };
  const saved = p
    ? await send(editPerson, { params: { id: p.id }, body: { ...common, version: p.version } }, "Kept")
    : await send(addPerson, { body: { ...common, login, password } }, "Added");
  if (saved) emit("saved");
}
</script>

<template>
  <form class="grid gap-3" @submit.prevent="save">
    <RefusalNote :refusal="refusal" />
    <div class="flex flex-wrap gap-3">
      <label><span class="label">Name</span><input v-model="draft.name" class="field" required /></label>
      <template v-if="!person"
        ><label
          ><span class="label">Sign-in name</span
          ><input v-model="draft.login" class="field" required minlength="2" /></label
        ><label
          ><span class="label">First password, at least 10 characters</span
          ><input
            v-model="draft.password"
            class="field"
            type="password"
            required
            minlength="10"
            autocomplete="new-password" /></label
      ></template>
      <label
        ><span class="label">Role</span
        ><select v-model="draft.role" class="field">
          <option>owner</option>
          <option>tier</option>
          <option>shop</option>
        </select></label
      >
      <label
        ><span class="label">Times the standard minutes</span
        ><input v-model.number="draft.pace" class="field fig w-24" type="number" min="0.3" max="4" step="0.05"
      /></label>
      <label
        ><span class="label">Ties</span
        ><select v-model="draft.handed" class="field">
          <option value="right">right-handed</option>
          <option value="left">left-handed</option>
        </select></label
      >
      <label class="flex-1"
        ><span class="label">Skills, with commas</span><input v-model="draft.skills" class="field w-full min-w-60"
      /></label>
      <label
        ><span class="label">Number words, such as “couple 2, few 3”</span
        ><input v-model="draft.words" class="field w-60"
      /></label>
      <p v-if="words.unread.length > 0" class="w-full text-call">
        A word and a whole number each, parted by commas: {{ words.unread.join(", ") }} cannot be read.
      </p>
    </div>
    <fieldset>
      <legend class="label">Ways of tying, where good tiers differ</legend>
      <div class="flex flex-wrap gap-3">
        <label v-for="q in ways" :key="q.id"
          ><span class="block text-[0.88rem] text-soft">{{ q.asks }}</span
          ><select v-model="draft.methods[q.id]" class="field">
            <option :value="undefined">as the pattern says</option>
            <option v-for="s in q.schools" :key="s.id" :value="s.id">{{ s.words }}</option>
          </select></label
        >
      </div>
    </fieldset>
    <fieldset>
      <legend class="label">Hours</legend>
      <div v-for="(h, i) in draft.hours" :key="i" class="mb-1 flex items-center gap-2">
        <select v-model.number="h.day" class="field" aria-label="Weekday">
          <option v-for="(d, k) in weekdays" :key="d" :value="k + 1">{{ d }}</option></select
        ><input v-model="h.from" class="field fig" type="time" required aria-label="From" /><input
          v-model="h.to"
          class="field fig"
          type="time"
          required
          aria-label="To"
        /><button type="button" class="btn btn-plain" @click="draft.hours.splice(i, 1)">Remove</button>
      </div>
      <button type="button" class="btn" @click="draft.hours.push({ day: 1, from: '09:00', to: '12:00' })">
        Add hours
      </button>
    </fieldset>
    <div class="flex gap-2">
      <button class="btn btn-main" :disabled="busy || words.unread.length > 0">Keep</button
      ><button type="button" class="btn" @click="$emit('leave')">Leave</button>
    </div>
  </form>
</template>
