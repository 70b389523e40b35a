<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { ref } from "vue";
import { useRouter } from "vue-router";
import { cancelOrder, readOrderById, type Order } from "@kasten/contract/orders";
import { call } from "../http";
import DozenCount from "../parts/DozenCount.vue";
import HistoryList from "../parts/HistoryList.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { dayYear, money } from "../parts/format";
import { useChange } from "../parts/useChange";
import { FlyDrawing, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";
import OrderComposer from "./OrderComposer.vue";

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
</script>

<template>
  <template v-if="order.data.value">
    <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3">
      <h1>Order {{ order.data.value.number }} · {{ order.data.value.customerName }}</h1>
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
    <div class="sheet mb-5 overflow-x-auto">
      <table>
        <thead>
          <tr>
            <th scope="col" class="w-32">Fly</th>
            <th scope="col">Pattern</th>
            <th scope="col">Size</th>
            <th scope="col">Colour</th>
            <th scope="col" class="text-right">Ordered</th>
            <th scope="col" class="text-right">In batches</th>
            <th scope="col" class="text-right">Ready</th>
            <th scope="col" class="text-right">Boxed</th>
            <th scope="col" class="text-right">Price</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in order.data.value.lines" :key="l.id">
            <td class="!p-0.5">
              <FlyDrawing :pattern="l.pattern" :size="l.size" :variant="l.variant" :form="l.form" class="h-14 w-28" />
            </td>
            <td>
              <RouterLink class="link" :to="`/patterns/${l.pattern}`">{{ l.patternName }}</RouterLink><span
                v-if="l.policy"
                class="tag ml-2"
                >{{ l.policy }}</span
              >
            </td>
            <td class="fig">{{ l.size }}</td>
            <td>{{ variantName(patterns.get(l.pattern), l.variant) }}</td>
            <td class="text-right text-lg"><DozenCount :flies="l.flies" /></td>
            <td class="text-right"><DozenCount v-if="l.inBatches" :flies="l.inBatches" /></td>
            <td class="text-right"><DozenCount v-if="l.ready" :flies="l.ready" /></td>
            <td class="text-right"><DozenCount v-if="l.boxed" :flies="l.boxed" /></td>
            <td class="fig text-right">{{ money((l.flies / 12) * l.pricePerDozenCents) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <h2 class="mb-1">History</h2>
    <HistoryList :events="order.data.value.history" />
  </template>
  <p v-else-if="order.error.value" class="callout">
    {{ order.error.value.message }} <RouterLink class="link" to="/orders">All orders</RouterLink>
  </p>
</template>
