<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { scaleLinear } from "d3-scale";
import { computed, ref } from "vue";
import { readPlan, type Plan } from "@kasten/contract/schedule";
import { call } from "../http";
import DozenCount from "../parts/DozenCount.vue";
import { day } from "../parts/format";

const plan = useQuery({ key: ["plan"], query: () => call(readPlan) });
const from = ref(0);
const span = ref(7);
const WIDTH = 1000;
const LANE = 46;
const TOP = 26;
const p = computed(() => plan.data.value);
const shownDays = computed(() => (p.value?.days ?? []).slice(from.value, from.value + span.value));
const range = computed(() => ({
  start: shownDays.value[0]?.minute ?? 0,
  end: p.value?.days[from.value + span.value]?.minute ?? (shownDays.value.at(-1)?.minute ?? 0) + 1440,
}));
const dayAt = (m: number) => (p.value?.days ?? []).findLast((d) => d.minute <= m) ?? { minute: 0, date: "" };

/** The part of the clock in which anybody works: nights are left out, so that hours can be told apart. */
const openHours = computed(() => {
  const all = (p.value?.people ?? []).flatMap((q) =>
    q.windows.map(([a, b]) => [a - dayAt(a).minute, b - dayAt(a).minute] as const),
  );
  return all.length > 0
    ? ([Math.min(...all.map((w) => w[0])) - 15, Math.max(...all.map((w) => w[1])) + 15] as const)
    : ([480, 1080] as const);
});
const inDay = computed(() =>
  scaleLinear()
    .domain([...openHours.value])
    .range([0, WIDTH / span.value])
    .clamp(true),
);
function x(minute: number): number {
  const index = shownDays.value.findLastIndex((d) => d.minute <= minute);
  if (index < 0) return 0;
  if (minute >= range.value.end) return WIDTH;
  return (index * WIDTH) / span.value + inDay.value(minute - (shownDays.value[index]?.minute ?? 0));
}
const shown = (a: number, b: number) => b > range.value.start && a < range.value.end;
const lanes = computed(() =>
  (p.value?.people ?? []).map((person, i) => ({
    ...person,
    y: TOP + i * LANE,
    hours: person.windows.filter(([a, b]) => shown(a, b)),
    work: (p.value?.work ?? []).filter((w) => w.person === person.id && shown(w.setupStart, w.end)),
  })),
);
const drying = computed(() => (p.value?.work ?? []).filter((w) => w.dryUntil !== null && shown(w.end, w.dryUntil)));
const rackY = computed(() => TOP + (p.value?.people.length ?? 0) * LANE);
const height = computed(() => rackY.value + 40);
/** The parts of an operation that lie within its person's hours: pauses are left out. */
function worked(windows: [number, number][], a: number, b: number): [number, number][] {
  return windows
    .filter(([s, e]) => e > a && s < b && shown(s, e))
    .map(([s, e]): [number, number] => [Math.max(s, a), Math.min(e, b)]);
}
const wide = (s: [number, number]) => Math.max(1, x(s[1]) - x(s[0]) - 0.4);
const late = computed(() => (p.value?.batches ?? []).filter((b) => b.lateDays > 0 || b.held));
const time = (m: number) => {
  const d = dayAt(m);
  const of = m - d.minute;
  return d.date
    ? `${day(d.date)}, ${String(Math.floor(of / 60)).padStart(2, "0")}:${String(of % 60).padStart(2, "0")}`
    : "";
};
const tieOf = (b: Plan["batches"][number]) => p.value?.work.find((w) => w.batch === b.id && w.kind === "tie");
const firstOf = (b: Plan["batches"][number]) => p.value?.work.find((w) => w.batch === b.id);
const nowShown = computed(() => p.value !== undefined && shown(p.value.now, p.value.now + 1));
</script>

<template>
  <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3">
    <h1>Plan</h1>
    <div class="flex flex-wrap items-center gap-2">
      <button class="btn !min-h-8" :disabled="from === 0" @click="from = Math.max(0, from - span)">Earlier</button>
      <button class="btn !min-h-8" :disabled="from + span >= 70" @click="from += span">Later</button>
      <label class="flex items-center gap-2"
        ><span class="sr-only">Days shown</span
        ><select v-model.number="span" class="field">
          <option :value="3">3 days</option>
          <option :value="7">a week</option>
          <option :value="14">two weeks</option>
        </select></label
      >
    </div>
  </div>
  <template v-if="p">
    <section v-if="late.length > 0" class="callout mb-3">
      <h2 class="text-call">
        {{ late.length }} {{ late.length === 1 ? "batch does" : "batches do" }} not keep the day promised
      </h2>
      <ul>
        <li v-for="b in late" :key="b.id">
          <RouterLink class="link" :to="`/batches/${b.id}`"
            >Batch {{ b.number }}, {{ b.patternName }} {{ b.size }}</RouterLink
          >, due {{ day(b.due) }}: <template v-if="b.held">{{ b.held }}</template><template v-else
            >ready {{ b.ready ? day(b.ready) : "" }}, late by {{ b.lateDays }}
            {{ b.lateDays === 1 ? "day" : "days" }}</template
          ><template v-if="b.waitsFor">; waits for {{ b.waitsFor }}</template>
        </li>
      </ul>
    </section>
    <p v-else class="mb-3 text-done">Every batch is ready before the day promised.</p>
    <div class="sheet overflow-x-auto p-2">
      <div class="flex min-w-[46rem]">
        <div class="w-24 shrink-0 pt-[26px]">
          <div
            v-for="l in lanes"
            :key="l.id"
            class="flex h-[46px] items-center pr-2 text-[0.92rem] font-semibold leading-tight"
          >
            {{ l.name }}
          </div>
          <div class="pt-1 text-[0.88rem] text-soft">drying rack</div>
        </div>
        <svg
          :viewBox="`0 0 ${WIDTH} ${height}`"
          class="min-w-0 flex-1"
          role="img"
          aria-label="Each person’s hours with the work planned in them; the same is in the table below"
        >
          <g v-for="(d, i) in shownDays" :key="d.date">
            <line :x1="(i * WIDTH) / span" :x2="(i * WIDTH) / span" y1="0" :y2="height" stroke="var(--rule-strong)" />
            <text :x="(i * WIDTH) / span + 5" y="16" font-size="12" fill="var(--ink-soft)">{{ day(d.date) }}</text>
          </g>
          <g v-for="l in lanes" :key="l.id">
            <line x1="0" :x2="WIDTH" :y1="l.y + LANE" :y2="l.y + LANE" stroke="var(--rule)" />
            <rect
              v-for="(h, i) in l.hours"
              :key="i"
              :x="x(h[0])"
              :y="l.y + 4"
              :width="wide(h)"
              :height="LANE - 8"
              fill="var(--well)"
            />
            <g v-for="w in l.work" :key="w.batch + w.kind + w.start">
              <title>
                Batch {{ w.number }}, {{ w.patternName }} {{ w.size }}: {{ w.kind }}, {{ time(w.start) }} to
                {{ time(w.end) }}{{ w.setupMinutes ? `, change-over ${w.setupMinutes} min before` : "" }}
              </title>
              <rect
                v-for="(s, i) in worked(l.windows, w.setupStart, w.start)"
                :key="`s${i}`"
                :x="x(s[0])"
                :y="l.y + 16"
                :width="wide(s)"
                :height="LANE - 32"
                fill="none"
                stroke="var(--rule-strong)"
                stroke-dasharray="2 2"
              />
              <template v-for="(s, i) in worked(l.windows, w.start, w.end)" :key="`w${i}`">
                <rect
                  :x="x(s[0])"
                  :y="l.y + 7"
                  :width="wide(s)"
                  :height="LANE - 14"
                  :fill="w.colour ?? 'var(--rule-strong)'"
                  stroke="var(--sheet)"
                  stroke-width="0.8"
                />
                <g v-if="i === 0 && wide(s) > 26">
                  <rect
                    :x="x(s[0]) + 2"
                    :y="l.y + 14"
                    :width="Math.min(wide(s) - 4, 24)"
                    height="17"
                    fill="var(--sheet)"
                  />
                  <text
                    :x="x(s[0]) + 14"
                    :y="l.y + 27"
                    font-size="12"
                    font-weight="700"
                    text-anchor="middle"
                    fill="var(--ink)"
                  >
                    {{ w.number }}
                  </text>
                </g>
              </template>
            </g>
          </g>
          <line
            v-if="nowShown"
            :x1="x(p.now)"
            :x2="x(p.now)"
            y1="20"
            :y2="height"
            stroke="var(--call)"
            stroke-width="1.5"
          />
          <g v-for="(w, i) in drying" :key="`d${i}`">
            <title>Batch {{ w.number }} dries until {{ time(w.dryUntil ?? 0) }}</title>
            <line
              :x1="x(w.end)"
              :x2="x(w.dryUntil ?? w.end)"
              :y1="rackY + 8 + (i % 5) * 5.5"
              :y2="rackY + 8 + (i % 5) * 5.5"
              :stroke="w.colour ?? 'var(--rule-strong)'"
              stroke-width="4"
            />
          </g>
        </svg>
      </div>
      <p class="mt-1 text-[0.88rem] text-soft">
        Grey: hours worked, rests taken off. Filled: a batch, in the colour of its body. Dashed: change-over. Line: now.
        {{ p.changeOverMinutes }} minutes of change-over in all; cost {{ p.cost.total.toFixed(0) }}, no plan can cost
        less than {{ p.lowerBound.toFixed(0) }}.
      </p>
      <p v-if="p.violations.length" class="callout">
        The plan breaks a rule and cannot be relied on: {{ p.violations.join("; ") }}
      </p>
    </div>
    <h2 class="mb-1 mt-5">By batch</h2>
    <div class="sheet overflow-x-auto">
      <table>
        <thead>
          <tr>
            <th scope="col">Batch</th>
            <th scope="col">Fly</th>
            <th scope="col" class="text-right">Owed</th>
            <th scope="col">Due</th>
            <th scope="col">Ready</th>
            <th scope="col">Who ties it</th>
            <th scope="col">Begins</th>
            <th scope="col"></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="b in p.batches" :key="b.id">
            <td>
              <RouterLink class="link fig" :to="`/batches/${b.id}`">{{ b.number }}</RouterLink>
            </td>
            <td>
              {{ b.patternName }} <span class="fig">{{ b.size }}</span>
            </td>
            <td class="text-right"><DozenCount :flies="b.owed" /></td>
            <td>{{ day(b.due) }}</td>
            <td>{{ b.ready ? day(b.ready) : "" }}</td>
            <td>{{ p.people.find((q) => q.id === tieOf(b)?.person)?.name }}</td>
            <td class="fig text-[0.94rem]">{{ time(firstOf(b)?.start ?? 0) }}</td>
            <td>
              <span v-if="b.held" class="tag tag-call">{{ b.held }}</span><span
                v-else-if="b.lateDays > 0"
                class="tag tag-call"
                >late {{ b.lateDays }} d</span
              ><span v-if="b.waitsFor" class="tag">waits for {{ b.waitsFor }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </template>
</template>
