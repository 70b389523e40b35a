<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from "vue";
import type { Customer } from "@kasten/contract/customers";
import DataTable from "../parts/DataTable.vue";
import ModalDialog from "../parts/ModalDialog.vue";
import type { Column } from "../parts/column";
import { useCatalogue } from "../patterns";
import { useSession } from "../team";

const CustomerForm = defineAsyncComponent(() => import("./CustomerForm.vue"));

/** For whom the room ties, whose choice materials are, and what is forbidden where the flies go. */
const { may } = useSession();
const { data } = useCatalogue();
const open = ref(false);
const chosen = ref<Customer>();
const can = computed(() => may("write orders"));
function show(customer?: Customer): void {
  chosen.value = customer;
  open.value = true;
}
const policies = { original: "original only", alternates: "alternates accepted", tier: "tier decides" };
const forbids = ({ destination: d }: Customer): string =>
  [d.noLead ? "no lead" : "", d.barblessOnly ? "barbless only" : "", ...d.forbiddenSpecies.map((s) => `no ${s}`)]
    .filter(Boolean)
    .join(", ");
const columns = computed<Column<Customer>[]>(() => {
  const all: Column<Customer>[] = [
    { id: "name", head: "Customer", lead: true, class: "font-semibold", value: (c) => c.name },
    { id: "kind", head: "What they are", value: (c) => c.kind },
    { id: "rank", head: "Rank", end: true, mono: true, value: (c) => c.rank },
    { id: "policy", head: "Materials", value: (c) => policies[c.policy] },
    { id: "forbids", head: "Where the flies go", value: forbids },
    { id: "note", head: "Note", class: "text-[0.93rem]", value: (c) => c.note },
    { id: "act", head: "Change", quiet: true, act: true, end: true },
  ];
  return can.value ? all : all.filter((c) => c.id !== "act");
});
</script>

<template>
  <button v-if="can" class="btn mb-3" @click="show()">New customer</button>
  <DataTable name="customers" label="Customers" :rows="data?.customers ?? []" :columns="columns" :row-key="(c) => c.id">
    <template #cell-act="{ row: c }"
      ><button class="btn btn-plain !min-h-8" @click="show(c)">
        Change<span class="sr-only"> {{ c.name }}</span>
      </button></template
    >
    <template #empty>Nobody yet. Add whom you tie for, or take in a file of them.</template>
  </DataTable>
  <ModalDialog v-model="open" :title="chosen ? chosen.name : 'New customer'"
    ><CustomerForm v-if="open" :customer="chosen" @saved="open = false"
  /></ModalDialog>
</template>
