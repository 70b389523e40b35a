<script setup lang="ts">
import { format, parseISO, startOfISOWeek } from "date-fns";
import { computed } from "vue";
import { weeksOf, type PlannedWeek } from "@kasten/core/schedule";
import { listStanding } from "@kasten/contract/orders";
import type { Plan } from "@kasten/contract/schedule";
import { call, useRead } from "../http";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";
import { dayYear } from "../parts/format";
import { useCatalogue } from "../patterns";

/** The weeks ahead: hours that are there and taken, where it is quiet, and what is tied while a season runs. */
const props = defineProps<{ plan: Plan }>();
const { data: room } = useCatalogue();
const standing = useRead({ key: ["standing"], query: () => call(listStanding) });

const weekOf = (date: string): string => format(startOfISOWeek(parseISO(date)), "yyyy-MM-dd");
const weeks = computed((): PlannedWeek[] => {
  const due = new Map(props.plan.batches.map((b) => [b.id, b.due]));
  const found = weeksOf(
    props.plan.days.map((d) => ({ ...d, week: weekOf(d.date) })),
    new Map(props.plan.people.map((p) => [p.id, p.windows])),
    props.plan.work.map((w) => ({ ...w, due: due.get(w.batch) ?? "" })),
    room.value?.settings.seasons ?? [],
  );
  const last = found.findLastIndex((w) => w.taken > 0 || w.due > 0);
  return found.slice(0, Math.max(MOST_WEEKS, last + 1));
});
const MOST_WEEKS = 10;
const most = computed(() => Math.max(1, ...weeks.value.map((w) => w.there)));
const wide = (minutes: number): string => `${(100 * minutes) / most.value}%`;
const hours = (minutes: number): string => `${Math.round(minutes / 60)} h`;
const from = (week: string): string => format(parseISO(week), "d MMM");

const shareOf = (w: PlannedWeek): string => `${(100 * w.taken) / Math.max(1, w.there)}%`;
const some = (minutes: number): string => (minutes > 0 ? hours(minutes) : "");
const figure = { end: true, mono: true, class: "whitespace-nowrap", fixed: true };
const columns: Column<PlannedWeek>[] = [
  { id: "week", head: "Week from", lead: true, mono: true, class: "whitespace-nowrap", value: (w) => from(w.week) },
  { id: "hours", head: "Hours", quiet: true, class: "w-2/5" },
  { id: "taken", head: "Taken", value: (w) => w.taken, ...figure },
  { id: "due", head: "Due in it", value: (w) => some(w.due), ...figure },
  { id: "ahead", head: "Done before", value: (w) => some(w.ahead), ...figure },
  { id: "about", head: "Season", value: (w) => w.seasons.join(", ") },
];

const quiet = computed(() => weeks.value.filter((w) => w.isQuiet));
const free = computed(() => quiet.value.reduce((sum, w) => sum + w.there - w.taken, 0));
const running = computed(() => weeks.value.filter((w) => w.seasons.length > 0 && w.taken > 0));
const inSeason = computed(() => running.value.reduce((sum, w) => sum + w.taken, 0));
/** What comes up later can be written now, and is tied where it is quiet. */
const later = computed(() => (standing.data.value?.standing ?? []).filter((s) => !s.isUp));
</script>

<template>
  <p v-if="quiet.length > 0">
    <b>{{ quiet.length === 1 ? "One week is quiet" : `${quiet.length} weeks are quiet` }}</b>, with
    <b class="fig">{{ hours(free) }}</b> that nobody takes.
    <template v-if="later.length > 0"
      >What comes up later can be tied in them:
      <template v-for="(s, i) in later" :key="s.order"
        ><template v-if="i > 0">, </template>{{ s.customerName }} for {{ s.season ?? dayYear(s.next) }}</template
      >. <RouterLink class="link" to="/orders">Write it now</RouterLink> and it finds its place.</template
    ><template v-else>Orders for later, and what the shelf will want, can be tied in them.</template>
  </p>
  <p v-else>No week is quiet as far as this plan goes.</p>
  <p v-if="inSeason > 0" class="text-call">
    {{ hours(inSeason) }} of work fall into a season ({{ [...new Set(running.flatMap((w) => w.seasons))].join(", ") }}),
    when hands are wanted elsewhere. What of it can be begun in a quiet week before is cheaper there.
  </p>
  <DataTable class="mt-2" label="The weeks ahead" :rows="weeks" :columns="columns" :row-key="(w) => w.week">
    <template #cell-hours="{ row: w }">
      <span
        class="relative block h-3.5 border border-rule-strong"
        :style="{ width: wide(w.there) }"
        role="img"
        :aria-label="`${hours(w.taken)} of ${hours(w.there)} taken`"
        ><span class="absolute inset-y-0 left-0 bg-ink/60" :style="{ width: shareOf(w) }"></span
      ></span>
    </template>
    <template #cell-taken="{ row: w }">{{ hours(w.taken) }} of {{ hours(w.there) }}</template>
    <template #cell-about="{ row: w }"
      ><span v-if="w.isQuiet" class="tag">quiet</span
      ><span v-for="s in w.seasons" :key="s" class="tag mr-1">{{ s }}</span></template
    >
  </DataTable>
</template>
