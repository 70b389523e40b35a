<script setup lang="ts">
import { computed, ref } from "vue";
import { endStanding, listStanding, passStanding, type Standing } from "@kasten/contract/orders";
import { dozensText } from "@kasten/core/orders";
import { call, useRead } from "../http";
import FoldOut from "../parts/FoldOut.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { dayYear } from "../parts/format";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "../patterns";
import { lineText } from "./lineText";

/** Orders that come up again each season: those whose time it is, to be adjusted and written; and those of later. */
defineProps<{ can: boolean }>();
const emit = defineEmits<{ take: [text: string, order: string] }>();
const { data: room, patterns } = useCatalogue();
const all = useRead({ key: ["standing"], query: () => call(listStanding) });
const standing = computed(() => all.data.value?.standing ?? []);
const up = computed(() => standing.value.filter((s) => s.isUp));
const later = computed(() => standing.value.filter((s) => !s.isUp));
const { busy, refusal, send } = useChange();
const asked = ref("");

const flies = (s: Standing): string =>
  s.lines.map((l) => `${dozensText(l.flies)} ${l.patternName} ${l.size}`).join(", ");
const when = (s: Standing): string => (s.season ? `${s.season}, ${dayYear(s.next)}` : dayYear(s.next));
/** The season that names the day, where the calendar has it: then the next one is found by it too. */
function dayOf({ season, next }: Standing): string {
  const isSeason = room.value?.settings.seasons.some((x) => x.name === season && x.date === next);
  return season !== null && isSeason ? `for ${season}` : next;
}
const take = (s: Standing): void =>
  emit(
    "take",
    [...s.lines.map((l) => lineText(l, patterns.value.get(l.pattern))), s.customerName, dayOf(s)].join("; "),
    s.order,
  );
const pass = (s: Standing) => send(passStanding, { params: { id: s.order } }, "It comes up again a year later");
async function end(s: Standing): Promise<void> {
  if (await send(endStanding, { params: { id: s.order } }, "It comes up no more")) asked.value = "";
}
</script>

<template>
  <section v-if="standing.length > 0" class="mb-4" aria-label="Standing orders">
    <RefusalNote :refusal="refusal" />
    <div v-if="up.length > 0" class="callout">
      <h2 class="!text-base font-semibold">Standing orders that come up</h2>
      <ul>
        <li v-for="s in up" :key="s.order" class="flex flex-wrap items-baseline gap-x-3 gap-y-1 py-1">
          <b>{{ s.customerName }}</b>
          <span>for {{ when(s) }}</span>
          <span class="min-w-0"
            >{{ flies(s)
            }}<RouterLink class="link ml-2" :to="`/orders/${s.order}`">order {{ s.number }}</RouterLink></span
          >
          <span v-if="can" class="flex flex-wrap gap-2">
            <button type="button" class="btn !min-h-8" @click="take(s)">Adjust and write it</button>
            <button type="button" class="btn !min-h-8" :disabled="busy" @click="pass(s)">Not this time</button>
          </span>
        </li>
      </ul>
    </div>
    <FoldOut
      v-if="later.length > 0"
      :title="
        later.length === 1
          ? 'A standing order that comes up later'
          : `${later.length} standing orders that come up later`
      "
    >
      <ul>
        <li v-for="s in later" :key="s.order" class="flex flex-wrap items-baseline gap-x-3 py-0.5">
          <b>{{ s.customerName }}</b>
          <span>for {{ when(s) }}, {{ s.aheadDays }} days ahead</span>
          <RouterLink class="link" :to="`/orders/${s.order}`">order {{ s.number }}</RouterLink>
          <template v-if="can">
            <button type="button" class="link" @click="take(s)">Write it now</button>
            <button v-if="asked !== s.order" type="button" class="link" @click="asked = s.order">End it</button>
            <template v-else
              ><button type="button" class="btn !min-h-8" :disabled="busy" @click="end(s)">It comes up no more</button
              ><button type="button" class="btn !min-h-8" @click="asked = ''">Keep it</button></template
            >
          </template>
        </li>
      </ul>
    </FoldOut>
  </section>
</template>
