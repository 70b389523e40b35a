<script setup lang="ts">
import { listEvents, listFinished } from "@kasten/contract/book";
import { call, usePages } from "../http";
import DozenCount from "../parts/DozenCount.vue";
import ShowMore from "../parts/ShowMore.vue";
import { dayYear, moment } from "../parts/format";

const finished = usePages({
  key: () => ["finished"],
  read: (cursor) => call(listFinished, { query: { cursor } }),
  rows: (page) => page.batches,
});
const log = usePages({
  key: () => ["log"],
  read: (cursor) => call(listEvents, { query: { cursor } }),
  rows: (page) => page.events,
});
const percent = (x: number) => `${(100 * x).toFixed(1)} %`;
</script>

<template>
  <h1 class="mb-3">Book</h1>
  <h2 class="mb-1">What the batches have taught</h2>
  <div class="sheet mb-5 overflow-x-auto">
    <table>
      <thead>
        <tr>
          <th scope="col">Pattern</th>
          <th scope="col" class="text-right">Batches</th>
          <th scope="col" class="text-right">Good</th>
          <th scope="col" class="text-right">Rejected</th>
          <th scope="col" class="text-right">Reject rate, with the prior</th>
          <th scope="col" class="text-right">To start for 10 dz</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="y in finished.first.value?.yields ?? []" :key="y.pattern">
          <td>{{ y.patternName }}</td>
          <td class="fig text-right">{{ y.batches }}</td>
          <td class="fig text-right">{{ y.good }}</td>
          <td class="fig text-right">{{ y.rejected }}</td>
          <td class="fig text-right">{{ percent(y.rejectRate) }}</td>
          <td class="fig text-right text-lg">{{ y.startsForTenDozen }}</td>
        </tr>
      </tbody>
    </table>
  </div>
  <h2 class="mb-1">Finished batches</h2>
  <div class="sheet mb-3 overflow-x-auto">
    <table>
      <thead>
        <tr>
          <th scope="col">Batch</th>
          <th scope="col">Fly</th>
          <th scope="col">Finished</th>
          <th scope="col" class="text-right">Owed</th>
          <th scope="col" class="text-right">Good</th>
          <th scope="col" class="text-right">Rejected</th>
          <th scope="col">Why</th>
          <th scope="col" class="text-right">Minutes a fly</th>
          <th scope="col">Used against computed</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="b in finished.rows.value" :key="b.id">
          <td class="fig">{{ b.number }}</td>
          <td>
            {{ b.patternName }} <span class="fig">{{ b.size }}</span>
          </td>
          <td>{{ dayYear(b.finishedAt) }}</td>
          <td class="text-right"><DozenCount :flies="b.owed" /></td>
          <td class="fig text-right">{{ b.good }}</td>
          <td class="fig text-right">{{ b.rejected }}</td>
          <td class="text-[0.92rem]">{{ b.reasons.map((r) => `${r.reason} ${r.count}`).join(", ") }}</td>
          <td class="fig text-right">{{ b.minutesPerFly ?? "" }}</td>
          <td class="text-[0.9rem] text-soft">
            {{
              b.uses
                .flatMap((u) => (u.ratio === null || u.ratio === 1 ? [] : [`${u.component} × ${u.ratio.toFixed(2)}`]))
                .slice(0, 4)
                .join(", ")
            }}
          </td>
        </tr>
        <tr v-if="finished.isEmpty.value">
          <td colspan="9" class="text-soft">No batch has been finished yet.</td>
        </tr>
      </tbody>
    </table>
  </div>
  <ShowMore
    what="batches"
    class="mb-5"
    :more="finished.more.value"
    :loading="finished.loading.value"
    @more="finished.showMore"
  />
  <h2 class="mb-1">Who did what</h2>
  <ol class="sheet text-[0.94rem]">
    <li v-for="e in log.rows.value" :key="e.id" class="flex gap-3 border-b border-rule px-3 py-1">
      <time class="fig w-28 shrink-0 text-soft" :datetime="e.at">{{ moment(e.at) }}</time><b
        class="w-28 shrink-0 truncate"
        >{{ e.person }}</b
      ><span>{{ e.sentence }}</span>
    </li>
  </ol>
  <ShowMore what="entries" :more="log.more.value" :loading="log.loading.value" @more="log.showMore" />
</template>
