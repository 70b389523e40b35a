<script setup lang="ts">
import { computed } from "vue";
import { listBatches } from "@kasten/contract/batches";
import { readTurns } from "@kasten/contract/schedule";
import { call, usePages, useRead } from "../http";
import DozenCount from "../parts/DozenCount.vue";
import ShowMore from "../parts/ShowMore.vue";
import { day } from "../parts/format";
import { FlyThumb, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";

const { person, may, askWhom } = useSession();
const { patterns } = useCatalogue();
const batches = usePages({
  key: () => ["batches", "bench"],
  read: (cursor) => call(listBatches, { query: { cursor, states: "released,pulled,tying" } }),
  rows: (page) => page.batches,
});
const turns = useRead({ key: ["turns"], query: () => call(readTurns) });
const ready = computed(() => batches.rows.value.filter((b) => b.state !== "released"));
const toPull = computed(() => batches.rows.value.filter((b) => b.state === "released"));
const mine = computed(() => turns.data.value?.people.find((p) => p.id === person.value?.id)?.batches ?? []);
</script>

<template>
  <h1 class="mb-3">Bench</h1>
  <p v-if="!may('tie and tally')" class="callout mb-3">{{ askWhom("tie and tally") }}</p>
  <ul class="grid gap-3 sm:grid-cols-2">
    <li v-for="b in ready" :key="b.id">
      <RouterLink :to="`/bench/${b.id}`" class="sheet flex items-center gap-4 p-3 hover:border-deep"
        ><FlyThumb
          :pattern="b.pattern"
          :version="b.patternVersion"
          :choice="{ methods: b.methods, leave: b.leave, use: b.use, buy: b.buy }"
          :size="b.size"
          :variant="b.variant"
          :form="b.form"
          class="h-20 w-36 shrink-0"
        /><span class="flex-1"
          ><b
            >{{ b.patternName }} <span class="fig">{{ b.size }}</span>
            {{ variantName(patterns.get(b.pattern), b.variant) }}</b
          ><span class="block text-soft">batch {{ b.number }}, due {{ day(b.due) }}</span></span
        ><span class="fig text-3xl"
          >{{ b.good }}<span class="unit">/ {{ b.starts }}</span></span
        ></RouterLink
      >
    </li>
  </ul>
  <p v-if="batches.first.value && ready.length === 0" class="sheet p-4 text-soft">
    No kit is at the bench. Release a batch and pull its kit; then it is tied and tallied here.
  </p>
  <template v-if="toPull.length > 0"
    ><h2 class="mb-1 mt-5">Released, to be pulled</h2>
    <ul class="sheet">
      <li v-for="b in toPull" :key="b.id" class="flex items-center gap-4 border-b border-rule px-3 py-2">
        <RouterLink class="link flex-1" :to="`/batches/${b.id}/sheet`"
          >Batch {{ b.number }}, {{ b.patternName }} {{ b.size }}
          {{ variantName(patterns.get(b.pattern), b.variant) }}</RouterLink
        ><DozenCount :flies="b.owed" />
      </li></ul
  ></template>
  <ShowMore :more="batches.more.value" :loading="batches.loading.value" what="batches" @more="batches.showMore()" />
  <template v-if="mine.length > 0"
    ><h2 class="mb-1 mt-5">Next for {{ person?.name }}, by the plan</h2>
    <ul class="sheet">
      <li v-for="b in mine" :key="b.id" class="flex items-center gap-4 border-b border-rule px-3 py-2">
        <RouterLink class="link flex-1" :to="`/batches/${b.id}`"
          >Batch {{ b.number }}, {{ b.patternName }} {{ b.size }}
          {{ variantName(patterns.get(b.pattern), b.variant) }}</RouterLink
        ><span>due {{ day(b.due) }}</span
        ><DozenCount :flies="b.owed" />
      </li></ul
  ></template>
</template>
