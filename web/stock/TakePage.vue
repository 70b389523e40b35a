<script setup lang="ts">
import { computed, ref } from "vue";
import { listTakes, startTake } from "@kasten/contract/stock";
import type { ReplyOf } from "@kasten/contract/http";
import { call, useRead } from "../http";
import DataTable from "../parts/DataTable.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import SwitchField from "../parts/SwitchField.vue";
import type { Column } from "../parts/column";
import { moment } from "../parts/format";
import { useChange } from "../parts/useChange";
import { useSession } from "../team";
import TakeWalk from "./TakeWalk.vue";

/** A walk along the cabinet: begun here, gone on with on any device, closed when every drawer has been opened. */
type Take = ReplyOf<typeof listTakes>["takes"][number];
const { may } = useSession();
const { busy, refusal, send } = useChange();
const takes = useRead({ key: ["takes"], query: () => call(listTakes) });
const open = computed(() => takes.data.value?.takes.find((t) => !t.done));
const done = computed(() => takes.data.value?.takes.filter((t) => t.done) ?? []);
const blind = ref(false);
async function begin(): Promise<void> {
  if (await send(startTake, { body: { blind: blind.value } })) await takes.refetch();
}
const columns: Column<Take>[] = [
  { id: "at", head: "Begun", mono: true, lead: true, value: (t) => t.startedAt },
  { id: "by", head: "By", value: (t) => t.by },
  { id: "counted", head: "Lots counted", end: true, mono: true, value: (t) => t.counted },
  { id: "off", head: "Otherwise than booked", end: true, mono: true, value: (t) => t.off },
];
</script>

<template>
  <h1 class="mb-2">Stock-take</h1>
  <RefusalNote :refusal="refusal" />
  <TakeWalk v-if="open" :id="open.id" @closed="takes.refetch" />
  <div v-else-if="takes.data.value && may('handle stock')" class="sheet mb-4 grid gap-3 p-3">
    <p>
      Drawer by drawer, everything is counted. It can be stopped at any drawer and gone on with on another device;
      nothing is changed until it is closed.
    </p>
    <SwitchField v-model="blind">blind: what is booked is not shown before a lot is counted</SwitchField>
    <button class="btn btn-main justify-self-start" :disabled="busy" @click="begin">Begin a stock-take</button>
  </div>
  <DataTable
    v-if="done.length > 0"
    name="takes"
    label="Stock-takes that are done"
    :rows="done"
    :columns="columns"
    :row-key="(t) => t.id"
  >
    <template #cell-at="{ row: t }">{{ moment(t.startedAt) }}</template>
  </DataTable>
</template>
