<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { computed, ref } from "vue";
import { listOrders, type Order } from "@kasten/contract/orders";
import { readLate } from "@kasten/contract/schedule";
import { call, usePages } from "../http";
import DozenCount from "../parts/DozenCount.vue";
import ShowMore from "../parts/ShowMore.vue";
import { day, dayYear } from "../parts/format";
import { useSession } from "../team";
import OrderComposer from "./OrderComposer.vue";

const { may, askWhom } = useSession();
const state = ref<"open" | "closed">("open");
const orders = usePages({
  key: () => ["orders", state.value],
  read: (cursor) => call(listOrders, { query: { state: state.value, cursor } }),
  rows: (page) => page.orders,
});
const late = useQuery({ key: ["late"], query: () => call(readLate) });
const lateOrders = computed(() => {
  const ids = new Set(late.data.value?.orders);
  return (o: Order) => ids.has(o.id);
});
const sum = (o: Order, what: "flies" | "ready" | "boxed") => o.lines.reduce((n, l) => n + l[what], 0);
</script>

<template>
  <div class="mb-3 flex items-baseline justify-between">
    <h1>Orders</h1>
    <div role="group" aria-label="Which orders" class="flex gap-1">
      <button
        v-for="s in ['open', 'closed'] as const"
        :key="s"
        class="btn !min-h-8"
        :class="{ 'btn-main': state === s }"
        :aria-pressed="state === s"
        @click="state = s"
      >
        {{ s }}
      </button>
    </div>
  </div>
  <OrderComposer v-if="may('write orders')" class="mb-5" @saved="state = 'open'" />
  <p v-else class="sheet mb-5 p-3 text-soft">{{ askWhom("write orders") }} Tell them what was asked for.</p>
  <div class="sheet overflow-x-auto">
    <table>
      <thead>
        <tr>
          <th scope="col">Due</th>
          <th scope="col">Order</th>
          <th scope="col">Customer</th>
          <th scope="col">Flies</th>
          <th scope="col" class="text-right">Owed</th>
          <th scope="col" class="text-right">Ready</th>
          <th scope="col" class="text-right">Boxed</th>
          <th scope="col"></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="o in orders.rows.value" :key="o.id">
          <td class="whitespace-nowrap">
            {{ state === "open" ? day(o.due) : dayYear(o.due)
            }}<span v-if="o.dueReason" class="block text-[0.83rem] text-soft">{{ o.dueReason }}</span>
          </td>
          <td>
            <RouterLink class="link fig" :to="`/orders/${o.id}`">{{ o.number }}</RouterLink>
          </td>
          <td>{{ o.customerName }}</td>
          <td class="text-[0.94rem]">
            <span v-for="(l, i) in o.lines" :key="l.id"
              >{{ i > 0 ? ", " : "" }}{{ l.patternName }} <span class="fig">{{ l.size }}</span></span
            >
          </td>
          <td class="text-right"><DozenCount :flies="sum(o, 'flies') - sum(o, 'boxed')" /></td>
          <td class="text-right"><DozenCount v-if="sum(o, 'ready') > 0" :flies="sum(o, 'ready')" /></td>
          <td class="text-right"><DozenCount v-if="sum(o, 'boxed') > 0" :flies="sum(o, 'boxed')" /></td>
          <td>
            <span v-if="lateOrders(o)" class="tag tag-call">late in the plan</span
            ><span
              v-else-if="sum(o, 'ready') > 0 && sum(o, 'ready') + sum(o, 'boxed') >= sum(o, 'flies')"
              class="tag tag-done"
              >ready to box</span
            >
          </td>
        </tr>
        <tr v-if="orders.isEmpty.value">
          <td colspan="8" class="!py-6 text-soft">
            {{
              state === "open"
                ? "No open orders. Write the first one above: how many dozens of what, in which size, for whom and for when."
                : "Nothing has been closed yet."
            }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <ShowMore what="orders" :more="orders.more.value" :loading="orders.loading.value" @more="orders.showMore" />
</template>
