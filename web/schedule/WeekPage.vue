<script setup lang="ts">
import { computed, ref } from "vue";
import { readPlan } from "@kasten/contract/schedule";
import { DAY_MINUTES, workedIn } from "@kasten/core/schedule";
import { call, useRead } from "../http";
import ListBox from "../parts/ListBox.vue";
import { day } from "../parts/format";
import { timeOf } from "./planTime";

/** A week of the plan on paper: one person’s, or everybody’s for the wall. As published, where a plan is. */
const plan = useRead({
  key: ["published", "week"],
  query: async () => {
    const draft = await call(readPlan);
    return draft.published ? call(readPlan, { query: { which: "published" } }) : draft;
  },
});
const EVERYBODY = "";
const DAYS = 7;
const who = ref(EVERYBODY);
const from = ref(0);
const people = computed(() => [
  { value: EVERYBODY, label: "everybody" },
  ...(plan.data.value?.people ?? []).map((p) => ({ value: p.id, label: p.name })),
]);
const shown = computed(() => (plan.data.value?.people ?? []).filter((p) => !who.value || p.id === who.value));
const days = computed(() => plan.data.value?.days.slice(from.value, from.value + DAYS) ?? []);
const verbs: Record<string, string> = { prep: "prepare", tie: "tie", coat: "coat", inspect: "inspect", pack: "pack" };

/** What a person does on a day, in its order: work that goes on over days stands on each of them. */
const workOn = computed(() => (person: string, minute: number, next: number) => {
  const p = plan.data.value;
  const windows = p?.people.find((x) => x.id === person)?.windows ?? [];
  return (p?.work ?? [])
    .filter((w) => w.person === person)
    .flatMap((w) => {
      const parts = workedIn(windows, Math.max(w.start, minute), Math.min(w.end, next));
      const [first, last] = [parts[0], parts.at(-1)];
      return first && last ? [{ w, from: first[0], to: last[1] }] : [];
    })
    .sort((a, b) => a.from - b.from);
});
const nextOf = (i: number): number =>
  plan.data.value?.days[from.value + i + 1]?.minute ?? (days.value[i]?.minute ?? 0) + DAY_MINUTES;
const clockOf = (minute: number): string => (plan.data.value ? timeOf(plan.data.value, minute).slice(-5) : "");
const print = (): void => window.print();
</script>

<template>
  <div class="no-print mb-3 flex flex-wrap items-end justify-between gap-3">
    <h1>Week on paper</h1>
    <div class="flex flex-wrap items-end gap-2">
      <ListBox v-model="who" class="w-52" label="Whose" quiet :options="people" />
      <button class="btn" :disabled="from === 0" @click="from = Math.max(0, from - DAYS)">Week before</button>
      <button class="btn" :disabled="from + DAYS >= (plan.data.value?.days.length ?? 0)" @click="from += DAYS">
        Week after
      </button>
      <button class="btn btn-main" @click="print">Print</button>
    </div>
  </div>
  <article v-if="plan.data.value" class="sheet p-3">
    <h2>
      {{ day(days[0]?.date ?? "") }} to {{ day(days.at(-1)?.date ?? "") }},
      {{ plan.data.value.published ? `plan ${plan.data.value.published.number}, as it now runs` : "draft" }}
    </h2>
    <section v-for="p in shown" :key="p.id" class="mt-3 break-inside-avoid">
      <h3 class="!text-lg font-bold">{{ p.name }}</h3>
      <div class="week-days grid gap-x-3 gap-y-2" :class="who ? 'sm:grid-cols-2' : 'sm:grid-cols-4 lg:grid-cols-7'">
        <div v-for="(d, i) in days" :key="d.date" class="border-t border-strong pt-1">
          <div class="font-semibold">{{ day(d.date) }}</div>
          <ul>
            <li v-for="x in workOn(p.id, d.minute, nextOf(i))" :key="x.w.id" class="text-[0.92rem]">
              <span class="fig">{{ clockOf(x.from) }}–{{ clockOf(x.to) }}</span> {{ verbs[x.w.kind] ?? x.w.kind }}
              <strong class="fig">{{ x.w.number }}</strong> {{ x.w.patternName }}
              <span class="fig">{{ x.w.size }}</span>
            </li>
          </ul>
        </div>
      </div>
    </section>
  </article>
</template>
