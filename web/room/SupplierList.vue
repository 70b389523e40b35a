<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from "vue";
import { listSuppliers } from "@kasten/contract/purchasing";
import type { ReplyOf } from "@kasten/contract/http";
import { call, useRead } from "../http";
import DataTable from "../parts/DataTable.vue";
import ModalDialog from "../parts/ModalDialog.vue";
import type { Column } from "../parts/column";
import { money } from "../parts/format";
import { useSession } from "../team";

const SupplierForm = defineAsyncComponent(() => import("./SupplierForm.vue"));

/** Whom the room buys from. What each sells, at what price and how fast, stands with the material. */
type Supplier = ReplyOf<typeof listSuppliers>["suppliers"][number];
const { may } = useSession();
const suppliers = useRead({ key: ["suppliers"], query: () => call(listSuppliers) });
const open = ref(false);
const chosen = ref<Supplier>();
const can = computed(() => may("handle stock"));
function show(supplier?: Supplier): void {
  chosen.value = supplier;
  open.value = true;
}
async function saved(): Promise<void> {
  open.value = false;
  await suppliers.refetch();
}
function sending(s: Supplier): string {
  if (!s.freightCents) return "";
  return `${money(s.freightCents)}${s.freeFromCents === null ? "" : `, nothing from ${money(s.freeFromCents)}`}`;
}
const columns = computed<Column<Supplier>[]>(() => {
  const all: Column<Supplier>[] = [
    { id: "name", head: "Supplier", lead: true, class: "font-semibold", value: (s) => s.name },
    { id: "note", head: "Note", value: (s) => s.note },
    {
      id: "least",
      head: "Least order",
      end: true,
      mono: true,
      value: (s) => (s.minimumCents ? money(s.minimumCents) : undefined),
    },
    { id: "sending", head: "Sending", value: sending },
    { id: "materials", head: "Materials", end: true, mono: true, value: (s) => s.materials },
    { id: "act", head: "Change", quiet: true, act: true, end: true },
  ];
  return can.value ? all : all.filter((c) => c.id !== "act");
});
</script>

<template>
  <button v-if="can" class="btn mb-3" @click="show()">New supplier</button>
  <DataTable
    name="suppliers"
    label="Suppliers"
    :rows="suppliers.data.value?.suppliers"
    :columns="columns"
    :row-key="(s) => s.id"
  >
    <template #cell-act="{ row: s }"
      ><button class="btn btn-plain !min-h-8" @click="show(s)">
        Change<span class="sr-only"> {{ s.name }}</span>
      </button></template
    >
    <template #empty
      >No supplier yet. A shop outside the trade is one too: wool, sewing, kitchen. Then say at each material where it
      is bought.</template
    >
  </DataTable>
  <ModalDialog v-model="open" :title="chosen ? chosen.name : 'New supplier'"
    ><SupplierForm v-if="open" :supplier="chosen" @saved="saved"
  /></ModalDialog>
</template>
