<script setup lang="ts">
import { computed } from "vue";
import { listOrders, type Order } from "@kasten/contract/orders";
import { dozensText, type Doubt } from "@kasten/core/orders";
import { call, useRead } from "../http";
import { dayYear } from "../parts/format";
import { useCatalogue } from "../patterns";
import { lineText } from "./lineText";

/**
 * The orders of which a text speaks: those that are there are opened to be changed or cancelled; those of before give
 * their lines to be written anew.
 */
const props = defineProps<{ doubt: Doubt; customer?: { id: string; name: string } }>();
const emit = defineEmits<{ take: [text: string] }>();
const { patterns } = useCatalogue();
const MOST = 6;
const isBefore = computed(() => props.doubt.code === "AS_BEFORE");
const of = (state: "open" | "closed") =>
  useRead({
    key: () => ["orders of", props.customer?.id ?? "", state],
    query: () => call(listOrders, { query: { state, customer: props.customer?.id ?? "", limit: MOST } }),
    enabled: () => props.customer !== undefined && (state === "open" || isBefore.value),
  });
const [open, closed] = [of("open"), of("closed")];
const orders = computed(() => [
  ...(open.data.value?.orders ?? []),
  ...(isBefore.value ? (closed.data.value?.orders ?? []) : []),
]);
const take = (o: Order): void =>
  emit("take", o.lines.map((l) => lineText(l, patterns.value.get(l.pattern))).join("; "));
</script>

<template>
  <section class="callout my-1" aria-label="Earlier orders">
    <p v-if="!customer">Say whom it is for: the orders of that customer are offered here.</p>
    <p v-else-if="open.data.value && orders.length === 0">{{ customer.name }} has no such order here.</p>
    <ul v-else>
      <li v-for="o in orders" :key="o.id" class="flex flex-wrap items-baseline gap-x-3 gap-y-1 py-0.5">
        <RouterLink class="link" :to="`/orders/${o.id}`"
          >Order <span class="fig">{{ o.number }}</span></RouterLink
        >
        <span class="text-soft">due {{ dayYear(o.due) }}</span>
        <span>{{ o.lines.map((l) => `${dozensText(l.flies)} ${l.patternName} ${l.size}`).join(", ") }}</span>
        <button v-if="isBefore" type="button" class="btn !min-h-7" @click="take(o)">Take its lines over</button>
      </li>
    </ul>
  </section>
</template>
