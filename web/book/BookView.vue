<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { ref } from "vue";
import { listEvents, listFinished } from "@kasten/contract/book";
import { call } from "../http";
import DozenCount from "../parts/DozenCount.vue";
import { dayYear, moment } from "../parts/format";

const limit = ref(50);
const finished = useQuery({
  key: () => ["finished", limit.value],
  query: () => call(listFinished, { query: { limit: limit.value } }),
});
const log = useQuery({
  key: () => ["log", limit.value],
  query: () => call(listEvents, { query: { limit: limit.value } }),
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
        <tr v-for="y in finished.data.value?.yields ?? []" :key="y.pattern">
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
  <div class="sheet mb-5 overflow-x-auto">
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
        <tr v-for="b in finished.data.value?.batches ?? []" :key="b.id">
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
        <tr v-if="finished.data.value?.batches.length === 0">
          <td colspan="9" class="text-soft">No batch has been finished yet.</td>
        </tr>
      </tbody>
    </table>
  </div>
  <h2 class="mb-1">Who did what</h2>
  <ol class="sheet text-[0.94rem]">
    <li v-for="e in log.data.value?.events ?? []" :key="e.id" class="flex gap-3 border-b border-rule px-3 py-1">
      <time class="fig w-28 shrink-0 text-soft" :datetime="e.at">{{ moment(e.at) }}</time><b
        class="w-28 shrink-0 truncate"
        >{{ e.person }}</b
      ><span>{{ e.sentence }}</span>
    </li>
  </ol>
  <button v-if="log.data.value?.next || finished.data.value?.next" class="btn mt-3" @click="limit = 200">
    Show more
  </button>
</template>
