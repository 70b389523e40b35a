<script setup lang="ts">
import { useQueryCache } from "@pinia/colada";
import { computed, ref } from "vue";
import { addDrawers, listDrawers, nameDrawer, removeDrawer } from "@kasten/contract/stock";
import type { ReplyOf } from "@kasten/contract/http";
import { call, useRead } from "../http";
import DataTable from "../parts/DataTable.vue";
import EntryText from "../parts/EntryText.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import TextField from "../parts/TextField.vue";
import type { Column } from "../parts/column";
import { useChange } from "../parts/useChange";
import { useEntryForm } from "../parts/useEntryForm";
import { useSession } from "../team";
import { drawerCodes } from "./drawerCodes";

/** The drawers of the cabinet: put up, named, and taken out while nothing has lain in them. */
type Drawer = ReplyOf<typeof listDrawers>["drawers"][number];
const { may } = useSession();
const cache = useQueryCache();
const drawers = useRead({ key: ["drawers"], query: () => call(listDrawers) });
const { busy, refusal, send } = useChange();
const naming = ref<number | null>(null);
const can = computed(() => may("handle stock"));
const again = async (): Promise<void> => {
  await Promise.all([drawers.refetch(), cache.invalidateQueries({ key: ["stock"] })]);
};
const form = useEntryForm({
  endpoint: addDrawers,
  values: { codes: "" },
  body: ({ codes }) => ({ codes: drawerCodes(codes) ?? ["no row of drawers"] }),
  fields: Object.fromEntries(Array.from({ length: 400 }, (_, i) => [`codes.${i}`, "codes"])),
  send: async (body) => {
    const reply = await send(addDrawers, { body }, "Put up");
    if (!reply) return refusal.value;
    form.restart();
    await again();
    return null;
  },
});
async function rename(drawer: Drawer, name: string | undefined): Promise<void> {
  naming.value = null;
  if (name && name !== drawer.name && (await send(nameDrawer, { params: { id: drawer.id }, body: { name } })))
    await again();
}
async function remove(drawer: Drawer): Promise<void> {
  if (await send(removeDrawer, { params: { id: drawer.id } }, `Drawer ${drawer.code} is taken out`)) await again();
}
const columns = computed<Column<Drawer>[]>(() => {
  const all: Column<Drawer>[] = [
    { id: "code", head: "Drawer", mono: true, class: "text-lg font-bold", value: (d) => d.code },
    { id: "name", head: "Name", value: (d) => d.name },
    { id: "materials", head: "Materials", end: true, mono: true, value: (d) => d.materials },
    { id: "lots", head: "Lots in it", end: true, mono: true, value: (d) => d.lots },
    { id: "act", head: "What to do", quiet: true, act: true, end: true },
  ];
  return can.value ? all : all.filter((c) => c.id !== "act");
});
</script>

<template>
  <RefusalNote :refusal="refusal" />
  <form v-if="can" class="mb-4 flex flex-wrap items-start gap-3" @submit.prevent="form.submit">
    <EntryText
      class="w-80"
      :form="form"
      name="codes"
      label="Put up drawers"
      placeholder="A1 to A24, B1"
      hint="One, several by comma, or a row of them."
      mono
    /><button class="btn btn-main mt-[1.45rem]" :disabled="form.isBusy.value">Put up</button>
  </form>
  <DataTable
    name="drawers"
    label="Drawers"
    :rows="drawers.data.value?.drawers"
    :columns="columns"
    :row-key="(d) => String(d.id)"
  >
    <template #cell-name="{ row: d }"
      ><TextField
        v-if="naming === d.id"
        label="Name of the drawer"
        quiet
        :most="80"
        :model-value="d.name"
        @update:model-value="rename(d, $event)"
      /><template v-else>{{ d.name }}</template></template
    >
    <template #cell-act="{ row: d }"
      ><button class="btn btn-plain !min-h-8" @click="naming = naming === d.id ? null : d.id">
        {{ naming === d.id ? "Leave" : "Name it" }}<span class="sr-only">: {{ d.code }}</span></button
      ><button v-if="d.materials + d.lots === 0" class="btn btn-plain !min-h-8" :disabled="busy" @click="remove(d)">
        Take out<span class="sr-only">: {{ d.code }}</span>
      </button></template
    >
    <template #empty>No drawer yet. Put up the first row of them above, as they stand in your cabinet.</template>
  </DataTable>
</template>
