<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { computed, ref } from "vue";
import { listBatches, mergeBatches, splitBatch, sumBatches, type Batch } from "@kasten/contract/batches";
import { call, usePages } from "../http";
import DozenCount from "../parts/DozenCount.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import ShowMore from "../parts/ShowMore.vue";
import { clock, day } from "../parts/format";
import { useChange } from "../parts/useChange";
import { useGradually } from "../parts/useGradually";
import { FlyThumb, formName, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";

const { may, askWhom } = useSession();
const { patterns } = useCatalogue();
const batches = usePages({
  key: () => ["batches"],
  read: (cursor) => call(listBatches, { query: { cursor } }),
  rows: (page) => page.batches,
});
const sums = useQuery({ key: ["sums"], query: () => call(sumBatches) });
const { busy, refusal, send } = useChange();
const chosen = ref<string[]>([]);
const splitting = ref<string | null>(null);
const splitDozens = ref(1);
const words: Record<Batch["state"], string> = {
  planned: "planned",
  released: "to be pulled",
  pulled: "kit ready",
  tying: "being tied",
  finished: "finished",
};

const sku = (b: Batch) => [b.pattern, b.variant, b.form, b.size].join("|");
const all = batches.rows;
const seen = useGradually(all);
const picked = computed(() => all.value.filter((b) => chosen.value.includes(b.id)));
const mergeable = computed(() => picked.value.length > 1 && new Set(picked.value.map(sku)).size === 1);
async function merge(): Promise<void> {
  if (
    await send(
      mergeBatches,
      { body: { batches: picked.value.map((b) => ({ id: b.id, version: b.version })) } },
      "Merged",
    )
  ) {
    chosen.value = [];
  }
}
async function split(b: Batch): Promise<void> {
  if (
    await send(
      splitBatch,
      { params: { id: b.id }, body: { flies: splitDozens.value * 12, version: b.version } },
      `Split ${splitDozens.value} dozen off`,
    )
  ) {
    splitting.value = null;
  }
}
</script>

<template>
  <div class="mb-3 flex flex-wrap items-baseline justify-between gap-2">
    <h1>Batches</h1>
    <p v-if="sums.data.value" class="text-soft">
      <span class="fig text-ink">{{ sums.data.value.batches }}</span> batches,
      <DozenCount :flies="sums.data.value.owed" /> owed,
      <span class="fig text-ink">{{ sums.data.value.starts }}</span> flies to start, about
      <span class="fig text-ink">{{ clock(sums.data.value.minutes) }}</span> at the vise
    </p>
  </div>
  <RefusalNote :refusal="refusal" />
  <div v-if="may('make up batches')" class="mb-2 flex min-h-9 items-center gap-3">
    <template v-if="picked.length > 0"
      ><button class="btn" :disabled="!mergeable || busy" @click="merge">Merge {{ picked.length }}</button
      ><span v-if="!mergeable" class="text-soft"
        >Choose batches of the same pattern, colour and size to merge them.</span
      ></template
    >
    <span v-else class="text-soft"
      >Same pattern, colour and size with nearby days go together, up to
      {{ (batches.first.value?.most ?? 0) / 12 }} dozen with the expected rejects on a tray. Tick two to merge
      them.</span
    >
  </div>
  <p v-else class="mb-2 text-soft">{{ askWhom("make up batches") }}</p>
  <div class="sheet overflow-x-auto">
    <table>
      <thead>
        <tr>
          <th v-if="may('make up batches')" scope="col"><span class="sr-only">Choose</span></th>
          <th scope="col">Batch</th>
          <th scope="col">Fly</th>
          <th scope="col">Due</th>
          <th scope="col" class="text-right">Owed</th>
          <th scope="col" class="text-right">To start</th>
          <th scope="col">For</th>
          <th scope="col">State</th>
          <th v-if="may('make up batches')" scope="col"><span class="sr-only">Split</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="b in seen" :key="b.id">
          <td v-if="may('make up batches')">
            <input
              v-if="b.state === 'planned'"
              v-model="chosen"
              type="checkbox"
              class="h-5 w-5"
              :value="b.id"
              :aria-label="`Choose batch ${b.number}`"
            />
          </td>
          <td>
            <RouterLink class="link fig text-lg" :to="`/batches/${b.id}`">{{ b.number }}</RouterLink><span
              v-if="b.held"
              class="tag ml-2"
              title="Split or merged by hand: nothing is added to it"
              >by hand</span
            >
          </td>
          <td>
            <span class="flex items-center gap-3"
              ><FlyThumb
                :pattern="b.pattern"
                :version="b.patternVersion"
                :choice="{ methods: b.methods, leave: b.leave, use: b.use, buy: b.buy }"
                :size="b.size"
                :variant="b.variant"
                :form="b.form"
                class="h-11 w-[5.5rem] shrink-0"
              /><span
                >{{ b.patternName }} <b class="fig">{{ b.size }}</b><span class="block text-[0.9rem] text-soft"
                  >{{ variantName(patterns.get(b.pattern), b.variant)
                  }}{{
                    formName(patterns.get(b.pattern), b.form) ? `, ${formName(patterns.get(b.pattern), b.form)}` : ""
                  }}</span
                ></span
              ></span
            >
          </td>
          <td class="whitespace-nowrap">{{ day(b.due) }}</td>
          <td class="text-right text-lg"><DozenCount :flies="b.owed" /></td>
          <td class="fig text-right text-lg">{{ b.starts }}</td>
          <td class="max-w-48 text-[0.92rem]">
            <span v-for="(c, i) in b.claims" :key="c.line"
              >{{ i > 0 ? ", " : ""
              }}<RouterLink class="link" :to="`/orders/${c.orderId}`">{{ c.customer }}</RouterLink></span
            >
          </td>
          <td class="whitespace-nowrap">
            <span class="tag" :class="{ 'tag-done': b.state === 'tying' }">{{ words[b.state] }}</span><span
              v-if="b.good + b.rejected > 0"
              class="fig ml-2"
              >{{ b.good }}/{{ b.starts }}</span
            >
          </td>
          <td v-if="may('make up batches')" class="whitespace-nowrap">
            <template v-if="b.state === 'planned' && b.owed > 12">
              <button
                v-if="splitting !== b.id"
                class="btn btn-plain"
                @click="
                  splitting = b.id;
                  splitDozens = 1;
                "
              >
                Split<span class="sr-only"> batch {{ b.number }}</span>
              </button>
              <form v-else class="flex items-center gap-1" @submit.prevent="split(b)">
                <input
                  v-model.number="splitDozens"
                  class="field fig w-16"
                  type="number"
                  min="1"
                  :max="Math.floor((b.owed - 1) / 12)"
                  :aria-label="`Dozens to split off batch ${b.number}`"
                /><span>dz</span><button class="btn" :disabled="busy">Split off</button
                ><button type="button" class="btn btn-plain" @click="splitting = null">Leave</button>
              </form>
            </template>
          </td>
        </tr>
        <tr v-if="batches.isEmpty.value">
          <td colspan="9" class="!py-6 text-soft">
            Nothing to tie. Batches make themselves from open orders:
            <RouterLink class="link" to="/orders">write one</RouterLink>.
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <ShowMore :more="batches.more.value" :loading="batches.loading.value" what="batches" @more="batches.showMore()" />
</template>
