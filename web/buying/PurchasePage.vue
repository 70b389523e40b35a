<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { computed, defineAsyncComponent, ref } from "vue";
import { cancelPurchase, confirmPurchase, readPurchase, sendPurchase } from "@kasten/contract/purchasing";
import { call } from "../http";
import DayField from "../parts/DayField.vue";
import FoldOut from "../parts/FoldOut.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import TextField from "../parts/TextField.vue";
import { day, moment, money } from "../parts/format";
import { useChange } from "../parts/useChange";
import { useSession } from "../team";
import PurchaseLines from "./PurchaseLines.vue";
import { comesWords } from "./words";
const ReceiveDelivery = defineAsyncComponent(() => import("./ReceiveDelivery.vue"));

/** One order to a supplier: changed until it is sent, then confirmed, received in one delivery or several. */
const props = defineProps<{ id: string }>();
const { may } = useSession();
const { busy, refusal, send } = useChange();
const purchase = useQuery({
  key: () => ["purchase", props.id],
  query: () => call(readPurchase, { params: { id: props.id } }),
});
const p = computed(() => purchase.data.value);
const params = computed(() => ({ id: props.id }));
const version = computed(() => p.value?.version ?? 0);
const confirmed = ref<string | undefined>();
const answer = ref<string | undefined>();
const why = ref<string | undefined>();
const isOpen = computed(() => p.value?.state === "sent" || p.value?.state === "confirmed");
const canCancel = computed(
  () => (isOpen.value || p.value?.state === "draft") && p.value?.lines.every((l) => l.received === 0),
);
async function sendIt(): Promise<void> {
  if (await send(sendPurchase, { params: params.value, body: { version: version.value } }, "Sent"))
    await purchase.refetch();
}
async function confirm(): Promise<void> {
  if (!confirmed.value) return;
  const body = { version: version.value, day: confirmed.value, answer: answer.value ?? "" };
  if (await send(confirmPurchase, { params: params.value, body }, "Noted")) await purchase.refetch();
}
async function cancel(): Promise<void> {
  const body = { version: version.value, reason: why.value ?? "" };
  if (await send(cancelPurchase, { params: params.value, body }, "Cancelled")) await purchase.refetch();
}
const print = (): void => window.print();
</script>

<template>
  <template v-if="p">
    <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3">
      <h1>
        Order <span class="fig">{{ p.number }}</span> to {{ p.supplier }}
      </h1>
      <p class="print:hidden">
        <RouterLink class="link" to="/materials?side=sent">All orders to suppliers</RouterLink>
      </p>
    </div>
    <RefusalNote :refusal="refusal" />
    <dl class="mb-3 flex flex-wrap gap-x-10 gap-y-1">
      <div>
        <dt class="text-soft">State</dt>
        <dd>
          <span class="tag" :class="{ 'tag-call': p.state === 'draft' }">{{
            p.state === "draft" ? "written, not sent" : p.state
          }}</span>
        </dd>
      </div>
      <div v-if="comesWords(p, day)">
        <dt class="text-soft">Comes</dt>
        <dd>{{ comesWords(p, day) }}</dd>
      </div>
      <div>
        <dt class="text-soft">Written</dt>
        <dd>{{ moment(p.writtenAt) }}, {{ p.by }}</dd>
      </div>
      <div v-if="p.sentAt">
        <dt class="text-soft">Sent</dt>
        <dd>{{ moment(p.sentAt) }}</dd>
      </div>
      <div v-if="p.answer">
        <dt class="text-soft">They say</dt>
        <dd>{{ p.answer }}</dd>
      </div>
      <div>
        <dt class="text-soft">Sum</dt>
        <dd>
          <b class="fig">{{ money(p.goodsCents + p.freightCents) }}</b>
          <span v-if="p.freightCents" class="text-soft"> with {{ money(p.freightCents) }} for sending</span>
        </dd>
      </div>
    </dl>
    <PurchaseLines :key="p.version" class="mb-3" :purchase="p" :can="may('handle stock')" @changed="purchase.refetch" />
    <div class="mb-4 flex flex-wrap gap-2 print:hidden">
      <button v-if="p.state === 'draft' && may('handle stock')" class="btn btn-main" :disabled="busy" @click="sendIt">
        {{ p.byLetter ? "It is posted" : "Send it" }}
      </button>
      <button class="btn" @click="print">Print it</button>
      <a class="btn" :href="`/api/purchases/${p.id}/order.csv`">As a file (CSV)</a>
    </div>
    <template v-if="may('handle stock')">
      <section v-if="isOpen" class="sheet mb-4 p-3 print:hidden" aria-label="A delivery">
        <h2 class="mb-1">A delivery</h2>
        <ReceiveDelivery :key="p.version" :purchase="p" @received="purchase.refetch" />
      </section>
      <FoldOut v-if="isOpen" class="mb-3 print:hidden" title="They have said another day">
        <form class="flex flex-wrap items-end gap-3" @submit.prevent="confirm">
          <DayField v-model="confirmed" label="Here on" />
          <TextField v-model="answer" label="What they say" class="w-80" />
          <button class="btn" :disabled="busy">Note it</button>
        </form>
      </FoldOut>
      <FoldOut v-if="canCancel" class="print:hidden" title="Cancel this order">
        <form class="flex flex-wrap items-end gap-3" @submit.prevent="cancel">
          <TextField v-model="why" label="Why" class="w-80" />
          <button class="btn" :disabled="busy">Cancel it</button>
        </form>
      </FoldOut>
    </template>
  </template>
  <p v-else-if="purchase.error.value" class="callout">
    {{ purchase.error.value.message }}
    <RouterLink class="link" to="/materials?side=sent">Orders to suppliers</RouterLink>
  </p>
</template>
