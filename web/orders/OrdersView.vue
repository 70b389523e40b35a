<script setup lang="ts">
import { computed, ref, defineAsyncComponent } from "vue";
import { listOrders, type Order } from "@kasten/contract/orders";
import { readLate, readOdds } from "@kasten/contract/schedule";
import { call, usePages, useRead } from "../http";
import DataTable from "../parts/DataTable.vue";
import DozenCount from "../parts/DozenCount.vue";
import RadioSet from "../parts/RadioSet.vue";
import ShowMore from "../parts/ShowMore.vue";
import type { Column } from "../parts/column";
import { day, dayYear, ofHundred } from "../parts/format";
import { optionsOf } from "../parts/option";
import { useSession } from "../team";
/** It brings the reader of orders with it. */
const OrderComposer = defineAsyncComponent(() => import("./OrderComposer.vue"));
const StandingOrders = defineAsyncComponent(() => import("./StandingOrders.vue"));
const composer = ref<{ takeUp: (text: string, order: string) => void }>();

const { may, askWhom } = useSession();
const state = ref<"open" | "closed">("open");
const orders = usePages({
  key: () => ["orders", state.value],
  read: (cursor) => call(listOrders, { query: { state: state.value, cursor } }),
  rows: (page) => page.orders,
});
const late = useRead({ key: ["late"], query: () => call(readLate) });
const lateOrders = computed(() => {
  const ids = new Set(late.data.value?.orders);
  return (o: Order) => ids.has(o.id);
});
const odds = useRead({ key: ["odds"], query: () => call(readOdds) });
const oddsOf = computed(() => {
  const known = new Map(odds.data.value?.orders.map((o) => [o.id, o]));
  return (o: Order) => known.get(o.id);
});
/** Surer than this is not worth a word. */
const SURE = 0.95;
const unsure = (o: Order): string => {
  const known = oddsOf.value(o);
  if (!known || known.odds >= SURE || lateOrders.value(o)) return "";
  return `on its day in ${ofHundred(known.odds)} of 100`;
};
const sum = (o: Order, what: "flies" | "ready" | "boxed") => o.lines.reduce((n, l) => n + l[what], 0);
const isReady = (o: Order) => sum(o, "ready") > 0 && sum(o, "ready") + sum(o, "boxed") >= sum(o, "flies");
const said = (o: Order): string => (lateOrders.value(o) ? "late in the plan" : isReady(o) ? "ready to box" : "");
const told = (o: Order): string => [said(o), unsure(o)].filter(Boolean).join(", ");
const MOST_NAMED = 4;
const columns: Column<Order>[] = [
  { id: "due", head: "Due", class: "whitespace-nowrap", value: (o) => o.due },
  { id: "number", head: "Order", value: (o) => o.number },
  { id: "customer", head: "Customer", value: (o) => o.customerName },
  {
    id: "flies",
    head: "Flies",
    class: "text-[0.94rem]",
    fixed: true,
    value: (o) => o.lines.map((l) => `${l.patternName} ${l.size}`).join(", "),
  },
  { id: "owed", head: "Owed", end: true, value: (o) => sum(o, "flies") - sum(o, "boxed") },
  { id: "ready", head: "Ready", word: "ready", end: true, value: (o) => sum(o, "ready") || undefined },
  { id: "boxed", head: "Boxed", end: true, value: (o) => sum(o, "boxed") || undefined },
  { id: "state", head: "How it stands", quiet: true, value: told },
];
</script>

<template>
  <div class="mb-3 flex flex-wrap items-baseline justify-between gap-2">
    <h1>Orders</h1>
    <RadioSet v-model="state" label="Which orders" quiet :options="optionsOf(['open', 'closed'] as const)" />
  </div>
  <OrderComposer v-if="may('write orders')" ref="composer" class="mb-5" @saved="state = 'open'" />
  <p v-else class="sheet mb-5 p-3 text-soft">{{ askWhom("write orders") }} Tell them what was asked for.</p>
  <StandingOrders :can="may('write orders')" @take="(text, order) => composer?.takeUp(text, order)" />
  <DataTable
    name="orders"
    label="Orders"
    :rows="orders.first.value && orders.rows.value"
    :columns="columns"
    :row-key="(o) => o.id"
  >
    <template #cell-due="{ row: o }"
      >{{ state === "open" ? day(o.due) : dayYear(o.due)
      }}<span v-if="o.dueReason" class="block text-[0.83rem] text-soft">{{ o.dueReason }}</span></template
    >
    <template #cell-number="{ row: o }"
      ><RouterLink class="link fig" :to="`/orders/${o.id}`">{{ o.number }}</RouterLink></template
    >
    <template #cell-flies="{ row: o }"
      ><span v-for="(l, i) in o.lines.slice(0, MOST_NAMED)" :key="l.id"
        >{{ i > 0 ? ", " : "" }}{{ l.patternName }} <span class="fig">{{ l.size }}</span></span
      ><span v-if="o.lines.length > MOST_NAMED" class="text-soft">
        and {{ o.lines.length - MOST_NAMED }} more</span
      ></template
    >
    <template #cell-owed="{ row: o }"><DozenCount :flies="sum(o, 'flies') - sum(o, 'boxed')" /></template>
    <template #cell-ready="{ row: o }"><DozenCount v-if="sum(o, 'ready') > 0" :flies="sum(o, 'ready')" /></template>
    <template #cell-boxed="{ row: o }"><DozenCount v-if="sum(o, 'boxed') > 0" :flies="sum(o, 'boxed')" /></template>
    <template #cell-state="{ row: o }"
      ><span v-if="said(o)" class="tag" :class="lateOrders(o) ? 'tag-call' : 'tag-done'">{{ said(o) }}</span
      ><span v-if="unsure(o)" class="tag" :title="oddsOf(o)?.breaks">{{ unsure(o) }}</span></template
    >
    <template #empty>{{
      state === "open"
        ? "No open orders. Write the first one above: how many dozens of what, in which size, for whom and for when."
        : "Nothing has been closed yet."
    }}</template>
  </DataTable>
  <ShowMore what="orders" :more="orders.more.value" :loading="orders.loading.value" @more="orders.showMore" />
</template>
