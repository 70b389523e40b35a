<script setup lang="ts">
import { computed, ref } from "vue";
import { listBatches, mergeBatches, splitBatch, sumBatches, type Batch } from "@kasten/contract/batches";
import { call, usePages, useRead } from "../http";
import DataTable from "../parts/DataTable.vue";
import DozenCount from "../parts/DozenCount.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import ShowMore from "../parts/ShowMore.vue";
import type { Column } from "../parts/column";
import { clock, day } from "../parts/format";
import { useChange } from "../parts/useChange";
import { FlyThumb, formName, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";

const { may, askWhom } = useSession();
const { patterns } = useCatalogue();
const batches = usePages({
  key: () => ["batches"],
  read: (cursor) => call(listBatches, { query: { cursor } }),
  rows: (page) => page.batches,
});
const sums = useRead({ key: ["sums"], query: () => call(sumBatches) });
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
const picked = computed(() => batches.rows.value.filter((b) => chosen.value.includes(b.id)));
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
const colourOf = (b: Batch): string => {
  const of = patterns.value.get(b.pattern);
  return [variantName(of, b.variant), formName(of, b.form)].filter(Boolean).join(", ");
};
const MOST_NAMED = 3;
const columns = computed<Column<Batch>[]>(() => {
  const all: Column<Batch>[] = [
    { id: "choose", head: "Choose", quiet: true },
    { id: "number", head: "Batch", class: "whitespace-nowrap", value: (b) => b.number },
    { id: "fly", head: "Fly", value: (b) => `${b.patternName} ${b.size} ${colourOf(b)}` },
    { id: "due", head: "Due", class: "whitespace-nowrap", value: (b) => b.due },
    { id: "owed", head: "Owed", word: "owed", end: true, class: "text-lg", value: (b) => b.owed },
    { id: "starts", head: "To start", word: "start", end: true, mono: true, class: "text-lg", value: (b) => b.starts },
    {
      id: "for",
      head: "For",
      class: "max-w-48 text-[0.92rem]",
      value: (b) => b.claims.map((c) => c.customer).join(", "),
    },
    { id: "state", head: "State", class: "whitespace-nowrap", value: (b) => words[b.state] },
    { id: "split", head: "Split", quiet: true, act: true },
  ];
  return may("make up batches") ? all : all.filter((c) => c.id !== "choose" && c.id !== "split");
});
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
    <RouterLink class="btn" to="/batches/preparations">Prepare several at once</RouterLink>
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
  <DataTable
    name="batches"
    label="Batches"
    :rows="batches.first.value && batches.rows.value"
    :columns="columns"
    :row-key="(b) => b.id"
    :row-px="58"
    :picked="(b) => chosen.includes(b.id)"
  >
    <template #cell-choose="{ row: b }"
      ><input
        v-if="b.state === 'planned'"
        v-model="chosen"
        type="checkbox"
        class="h-5 w-5"
        :value="b.id"
        :aria-label="`Choose batch ${b.number}`"
    /></template>
    <template #cell-number="{ row: b }"
      ><RouterLink class="link fig text-lg" :to="`/batches/${b.id}`">{{ b.number }}</RouterLink
      ><span v-if="b.held" class="tag ml-2" title="Split or merged by hand: nothing is added to it"
        >by hand</span
      ></template
    >
    <template #cell-fly="{ row: b }"
      ><span class="flex items-center gap-3"
        ><FlyThumb
          :pattern="b.pattern"
          :version="b.patternVersion"
          :choice="{ methods: b.methods, leave: b.leave, use: b.use, buy: b.buy }"
          :size="b.size"
          :variant="b.variant"
          :form="b.form"
          class="h-11 w-[5.5rem] shrink-0"
        /><span
          >{{ b.patternName }} <b class="fig">{{ b.size }}</b><span class="block text-[0.9rem] text-soft">{{
            colourOf(b)
          }}</span></span
        ></span
      ></template
    >
    <template #cell-due="{ row: b }">{{ day(b.due) }}</template>
    <template #cell-owed="{ row: b }"><DozenCount :flies="b.owed" /></template>
    <template #cell-for="{ row: b }"
      ><span v-for="(c, i) in b.claims.slice(0, MOST_NAMED)" :key="c.line"
        >{{ i > 0 ? ", " : ""
        }}<RouterLink class="link" :to="`/orders/${c.orderId}`">{{ c.customer }}</RouterLink></span
      ><span v-if="b.claims.length > MOST_NAMED" class="text-soft">
        and {{ b.claims.length - MOST_NAMED }} more</span
      ></template
    >
    <template #cell-state="{ row: b }"
      ><span class="tag" :class="{ 'tag-done': b.state === 'tying' }">{{ words[b.state] }}</span
      ><span v-if="b.good + b.rejected > 0" class="fig ml-2">{{ b.good }}/{{ b.starts }}</span></template
    >
    <template #cell-split="{ row: b }"
      ><template v-if="b.state === 'planned' && b.owed > 12">
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
        <form v-else class="flex flex-wrap items-center gap-1" @submit.prevent="split(b)">
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
      </template></template
    >
    <template #empty
      >Nothing to tie. Batches make themselves from open orders:
      <RouterLink class="link" to="/orders">write one</RouterLink>.</template
    >
  </DataTable>
  <ShowMore :more="batches.more.value" :loading="batches.loading.value" what="batches" @more="batches.showMore()" />
</template>
