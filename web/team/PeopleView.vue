<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { reactive, ref } from "vue";
import { habits } from "@kasten/core/methods";
import { addPerson, editPerson, listPeople, type Person } from "@kasten/contract/team";
import { call } from "../http";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";
import { useSession } from "./session";

const { may, askWhom } = useSession();
const people = useQuery({ key: ["people"], query: () => call(listPeople) });
const { busy, refusal, send } = useChange();
const weekdays = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];
const time = (m: number) => `${String(Math.floor(m / 60)).padStart(2, "0")}:${String(m % 60).padStart(2, "0")}`;
const minutes = (t: string) => Number(t.slice(0, 2)) * 60 + Number(t.slice(3, 5));
/** The schools of these questions are the same on every step, so no step is needed to name them. */
const ways = habits.map((q) => ({ id: q.id, asks: q.asks, schools: q.schools({} as Parameters<typeof q.schools>[0]) }));
const editing = ref<string | null>(null);
const draft = reactive({
  name: "",
  role: "tier" as Person["role"],
  login: "",
  password: "",
  skills: "",
  pace: 1,
  handed: "right" as Person["handed"],
  words: "",
  methods: {} as Record<string, string>,
  hours: [] as { day: number; from: string; to: string }[],
});

function edit(p: Person | null): void {
  editing.value = p?.id ?? "new";
  refusal.value = null;
  Object.assign(draft, {
    name: p?.name ?? "",
    role: p?.role ?? "tier",
    login: p?.login ?? "",
    password: "",
    skills: (p?.skills ?? []).join(", "),
    methods: { ...p?.methods },
    pace: p?.pace ?? 1,
    handed: p?.handed ?? "right",
    words: Object.entries(p?.numberWords ?? {})
      .map(([w, n]) => `${w} ${n}`)
      .join(", "),
    hours: (p?.hours ?? []).map((h) => ({ day: h.day, from: time(h.from), to: time(h.to) })),
  });
}
async function save(p: Person | null): Promise<void> {
  const common = {
    name: draft.name,
    role: draft.role,
    pace: draft.pace,
    handed: draft.handed,
    skills: draft.skills
      .split(",")
      .map((s) => s.trim())
      .filter(Boolean),
    hours: draft.hours.map((h) => ({ day: h.day, from: minutes(h.from), to: minutes(h.to) })),
    methods: Object.fromEntries(Object.entries(draft.methods).filter(([, school]) => school !== "")),
    numberWords: Object.fromEntries(
      draft.words.split(",").flatMap((w) => {
        const m = /^\s*(\S+)\s+(\d+)\s*$/.exec(w);
        return m ? [[m[1] ?? "", Number(m[2])]] : [];
      }),
    ),
  };
  const saved = p
    ? await send(editPerson, { params: { id: p.id }, body: { ...common, version: p.version } }, "Kept")
    : await send(addPerson, { body: { ...common, login: draft.login, password: draft.password } }, "Added");
  if (saved) {
    editing.value = null;
    await people.refetch();
  }
}
</script>

<template>
  <div class="mb-3 flex items-baseline justify-between">
    <h1>People</h1>
    <button v-if="may('manage people') && editing !== 'new'" class="btn" @click="edit(null)">Add a person</button>
  </div>
  <p v-if="!may('manage people')" class="mb-3 text-soft">{{ askWhom("manage people") }}</p>
  <template
    v-for="p in [...(editing === 'new' ? [null] : []), ...(people.data.value?.people ?? [])]"
    :key="p?.id ?? 'new'"
  >
    <section class="sheet mb-3 p-4">
      <form v-if="editing === (p?.id ?? 'new')" class="grid gap-3" @submit.prevent="save(p)">
        <RefusalNote :refusal="refusal" />
        <div class="flex flex-wrap gap-3">
          <label><span class="label">Name</span><input v-model="draft.name" class="field" required /></label>
          <template v-if="!p"
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
          <button class="btn btn-main" :disabled="busy">Keep</button
          ><button type="button" class="btn" @click="editing = null">Leave</button>
        </div>
      </form>
      <div v-else-if="p" class="grid gap-x-6 gap-y-1 md:grid-cols-[14rem_1fr_auto]">
        <div>
          <b class="text-lg">{{ p.name }}</b> <span class="tag">{{ p.role }}</span>
          <p class="text-[0.92rem] text-soft">
            <span class="fig">{{ p.pace }}</span> × the standard minutes, {{ p.handed }}-handed
          </p>
        </div>
        <div>
          <ul class="flex flex-wrap gap-x-4 text-[0.94rem]">
            <li v-for="(d, k) in weekdays" v-show="p.hours.some((h) => h.day === k + 1)" :key="d">
              <b>{{ d }}</b>
              <span class="fig">{{
                p.hours
                  .filter((h) => h.day === k + 1)
                  .map((h) => `${time(h.from)}–${time(h.to)}`)
                  .join(", ")
              }}</span>
            </li>
          </ul>
          <p class="text-[0.94rem]">{{ p.skills.join(", ") || "no tying skills" }}</p>
          <p v-if="Object.keys(p.methods).length" class="text-[0.92rem]">
            {{
              Object.entries(p.methods)
                .map(
                  ([question, school]) =>
                    `${question}: ${ways.find((w) => w.id === question)?.schools.find((s) => s.id === school)?.words ?? school}`,
                )
                .join("; ")
            }}
          </p>
          <p v-if="Object.keys(p.numberWords).length" class="text-[0.92rem] text-soft">
            Says
            {{
              Object.entries(p.numberWords)
                .map(([w, n]) => `“${w}” for ${n}`)
                .join(", ")
            }}
          </p>
        </div>
        <button v-if="may('manage people')" class="btn self-start" @click="edit(p)">
          Change<span class="sr-only"> {{ p.name }}</span>
        </button>
      </div>
    </section>
  </template>
</template>
