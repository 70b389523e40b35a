<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { ref, defineAsyncComponent } from "vue";
import { useRouter } from "vue-router";
import { cancelOrder, readOrderById, type Order } from "@kasten/contract/orders";
import { call } from "../http";
import ExceptionNote from "../parts/ExceptionNote.vue";
import WishNote from "../parts/WishNote.vue";
import DataTable from "../parts/DataTable.vue";
import DozenCount from "../parts/DozenCount.vue";
import HistoryList from "../parts/HistoryList.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import type { Column } from "../parts/column";
import { dayYear, money, ofHundred } from "../parts/format";
import { useChange } from "../parts/useChange";
import { AskedNote, FlyThumb, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";
/** It brings the reader of orders with it. */
const OrderComposer = defineAsyncComponent(() => import("./OrderComposer.vue"));
const StandingForm = defineAsyncComponent(() => import("./StandingForm.vue"));

const props = defineProps<{ id: string }>();
const { may } = useSession();
const { patterns } = useCatalogue();
const router = useRouter();
const order = useQuery({
  key: () => ["order", props.id],
  query: () => call(readOrderById, { params: { id: props.id } }),
});
const { busy, refusal, send } = useChange();
const editing = ref<Order | undefined>();
const asks = ref(false);
async function cancel(version: number): Promise<void> {
  if (await send(cancelOrder, { params: { id: props.id }, body: { version } }, "Cancelled"))
    await router.push("/orders");
}
type Line = Order["lines"][number];
const columns: Column<Line>[] = [
  { id: "fly", head: "Fly", quiet: true, lead: true, class: "!p-0.5 w-32" },
  { id: "pattern", head: "Pattern", value: (l) => l.patternName },
  { id: "size", head: "Size", mono: true, value: (l) => l.size },
  { id: "colour", head: "Colour", value: (l) => variantName(patterns.value.get(l.pattern), l.variant) },
  { id: "flies", head: "Ordered", end: true, class: "text-lg", value: (l) => l.flies },
  { id: "batches", head: "In batches", end: true, value: (l) => l.inBatches || undefined },
  { id: "ready", head: "Ready", end: true, value: (l) => l.ready || undefined },
  { id: "boxed", head: "Boxed", end: true, value: (l) => l.boxed || undefined },
  { id: "promised", head: "Promised", class: "whitespace-nowrap", value: (l) => l.promisedFor ?? undefined },
  { id: "price", head: "Price", end: true, mono: true, value: (l) => ((l.flies / 12) * l.pricePerDozenCents) / 100 },
];
</script>

<template>
  <template v-if="order.data.value">
    <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3">
      <h1 class="min-w-0 [overflow-wrap:anywhere]">
        Order {{ order.data.value.number }} · {{ order.data.value.customerName }}
      </h1>
      <p>
        due <b>{{ dayYear(order.data.value.due) }}</b><span v-if="order.data.value.dueReason"
          >, {{ order.data.value.dueReason }}</span
        >
      </p>
    </div>
    <div v-if="may('write orders') && !order.data.value.closedAt" class="mb-4 flex flex-wrap gap-2">
      <button v-if="!editing" class="btn" @click="editing = order.data.value">Change the order</button>
      <button v-else class="btn" @click="editing = undefined">Leave it as it is</button>
      <button v-if="!asks" class="btn" @click="asks = true">Cancel what is not boxed</button>
      <template v-else
        ><span class="self-center">This cannot be taken back.</span
        ><button class="btn" :disabled="busy" @click="cancel(order.data.value.version)">Cancel it</button
        ><button class="btn" @click="asks = false">Keep it</button></template
      >
    </div>
    <RefusalNote :refusal="refusal" />
    <OrderComposer
      v-if="editing"
      :key="editing.id"
      :order="editing"
      class="mb-4"
      @saved="
        editing = undefined;
        order.refetch();
      "
    />
    <StandingForm
      v-if="may('write orders')"
      :key="String(order.data.value.standing?.aheadDays)"
      :order="id"
      :standing="order.data.value.standing"
      @changed="order.refetch()"
    />
    <p v-else-if="order.data.value.standing" class="mb-4">
      Stands: it comes up again for {{ dayYear(order.data.value.standing.next) }}.
    </p>
    <ExceptionNote :exceptions="order.data.value.exception ? [order.data.value.exception] : []" />
    <DataTable
      name="order-lines"
      label="Lines of the order"
      class="mb-5"
      :rows="order.data.value.lines"
      :columns="columns"
      :row-key="(l) => l.id"
    >
      <template #cell-fly="{ row: l }"
        ><FlyThumb
          :pattern="l.pattern"
          :size="l.size"
          :variant="l.variant"
          :form="l.form"
          :choice="l.asked"
          class="h-14 w-28"
      /></template>
      <template #cell-pattern="{ row: l }"
        ><RouterLink class="link" :to="`/patterns/${l.pattern}`">{{ l.patternName }}</RouterLink
        ><span v-if="l.due" class="tag ml-2">due {{ dayYear(l.due) }}</span
        ><span v-if="l.policy" class="tag ml-2">{{ l.policy }}</span
        ><WishNote :wishes="l.wishes" /><AskedNote
          :pattern="l.pattern"
          :size="l.size"
          :variant="l.variant"
          :form="l.form"
          :asked="l.asked"
      /></template>
      <template #cell-flies="{ row: l }"><DozenCount :flies="l.flies" /></template>
      <template #cell-batches="{ row: l }"><DozenCount v-if="l.inBatches" :flies="l.inBatches" /></template>
      <template #cell-ready="{ row: l }"><DozenCount v-if="l.ready" :flies="l.ready" /></template>
      <template #cell-boxed="{ row: l }"><DozenCount v-if="l.boxed" :flies="l.boxed" /></template>
      <template #cell-promised="{ row: l }"
        ><template v-if="l.promisedFor"
          >{{ dayYear(l.promisedFor)
          }}<span v-if="l.promisedOdds !== null" class="block text-[0.83rem] text-soft"
            >held to be kept in {{ ofHundred(l.promisedOdds) }} of 100</span
          ></template
        ></template
      >
      <template #cell-price="{ row: l }">{{ money((l.flies / 12) * l.pricePerDozenCents) }}</template>
    </DataTable>
    <h2 class="mb-1">History</h2>
    <HistoryList :events="order.data.value.history" />
  </template>
  <p v-else-if="order.error.value" class="callout">
    {{ order.error.value.message }} <RouterLink class="link" to="/orders">All orders</RouterLink>
  </p>
</template>
