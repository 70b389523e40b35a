<script setup lang="ts">
import { computed } from "vue";
import type { Person } from "@kasten/contract/team";
import { dayYear } from "../parts/format";
import { clockOf, weekdays } from "./hours";
import { ways } from "./ways";

/** What is known of a person, as it is planned with. */
const props = defineProps<{ person: Person; can: boolean }>();
defineEmits<{ edit: [] }>();
const hours = computed(() =>
  weekdays.flatMap((name, k) => {
    const of = props.person.hours.filter((h) => h.day === k + 1);
    return of.length > 0 ? [{ name, words: of.map((h) => `${clockOf(h.from)}–${clockOf(h.to)}`).join(", ") }] : [];
  }),
);
const off = computed(() =>
  props.person.absences.map(
    (a) => `${dayYear(a.from)}${a.to === a.from ? "" : ` to ${dayYear(a.to)}`}${a.reason ? `, ${a.reason}` : ""}`,
  ),
);
const extra = computed(() =>
  props.person.extraHours.map((h) => `${dayYear(h.day)}, ${clockOf(h.from)} to ${clockOf(h.to)}`),
);
const methods = computed(() =>
  Object.entries(props.person.methods)
    .map(([question, school]) => {
      const way = ways.find((w) => w.id === question);
      return `${question}: ${way?.schools.find((s) => s.id === school)?.words ?? school}`;
    })
    .join("; "),
);
const says = computed(() =>
  Object.entries(props.person.numberWords)
    .map(([word, n]) => `“${word}” for ${n}`)
    .join(", "),
);
</script>

<template>
  <div class="grid gap-x-6 gap-y-1 md:grid-cols-[14rem_1fr_auto]">
    <div>
      <b class="text-lg">{{ person.name }}</b> <span class="tag">{{ person.role }}</span>
      <p class="text-[0.92rem] text-soft">
        <span class="fig">{{ person.pace }}</span> × the standard minutes, {{ person.handed }}-handed
      </p>
    </div>
    <div>
      <ul class="flex flex-wrap gap-x-4 text-[0.94rem]">
        <li v-for="h in hours" :key="h.name">
          <b>{{ h.name }}</b> <span class="fig">{{ h.words }}</span>
        </li>
      </ul>
      <p v-if="off.length > 0" class="text-[0.94rem]">Off: {{ off.join("; ") }}</p>
      <p v-if="extra.length > 0" class="text-[0.94rem]">Also works: {{ extra.join("; ") }}</p>
      <p v-if="person.learns" class="text-[0.94rem]">Still learns: planned slower on patterns that are new to them</p>
      <p class="text-[0.94rem]">{{ person.skills.join(", ") || "no tying skills" }}</p>
      <p v-if="methods" class="text-[0.92rem]">{{ methods }}</p>
      <p v-if="says" class="text-[0.92rem] text-soft">Says {{ says }}</p>
    </div>
    <button v-if="can" class="btn self-start" @click="$emit('edit')">
      Change<span class="sr-only"> {{ person.name }}</span>
    </button>
  </div>
</template>
