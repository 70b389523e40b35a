<script setup lang="ts">
import type { BatchDetail } from "@kasten/contract/batches";
import DozenCount from "../parts/DozenCount.vue";
import { textOf } from "../parts/fields";
import { clock, day } from "../parts/format";
import { useWorking } from "../parts/working";
import type { BatchChange } from "./change";
import { startsWorking } from "./startsWorking";

/** What a batch owes, starts and takes, for whom; and how it is tied, as long as that may be chosen. */
const props = defineProps<{ batch: BatchDetail; open: boolean }>();
const emit = defineEmits<{ choose: [change: BatchChange] }>();
const panel = useWorking();
const showStarts = (): void =>
  panel.show({ title: "flies to start", words: `${props.batch.starts} flies`, working: startsWorking(props.batch) });
function makeOrBuy(component: string, way: string): void {
  const others = props.batch.buy.filter((c) => c !== component);
  emit("choose", { buy: way === "buy" ? [...others, component] : others });
}
</script>

<template>
  <dl class="grid grid-cols-[auto_1fr] items-baseline gap-x-5 gap-y-1.5">
    <dt class="text-soft">Owed</dt>
    <dd class="text-2xl"><DozenCount :flies="batch.owed" /></dd>
    <dt class="text-soft">To start</dt>
    <dd class="text-2xl">
      <button class="num" @click="showStarts">{{ batch.starts }}</button>
      <span class="unit">flies, rejects included</span>
    </dd>
    <dt class="text-soft">At the vise</dt>
    <dd>
      <span class="fig">{{ clock(batch.minutes) }}</span>
      <label v-if="open" class="ml-3"
        ><span class="sr-only">How it is tied</span
        ><select
          class="field"
          :value="batch.mode"
          @change="emit('choose', { mode: textOf($event) as BatchDetail['mode'] })"
        >
          <option>fly by fly</option>
          <option>step by step</option>
        </select></label
      ><span v-else class="ml-3">{{ batch.mode }}</span>
    </dd>
    <template v-for="x in batch.buyable" :key="x.component">
      <dt class="text-soft">{{ x.role }}</dt>
      <dd>
        <select
          class="field"
          :disabled="!open"
          :aria-label="`Make or buy the ${x.role}`"
          :value="batch.buy.includes(x.component) ? 'buy' : 'make'"
          @change="makeOrBuy(x.component, textOf($event))"
        >
          <option value="make">made here, {{ x.makeMinutes }} min a fly</option>
          <option value="buy">bought: {{ x.bought }}</option>
        </select>
      </dd>
    </template>
    <dt class="text-soft">For</dt>
    <dd>
      <span v-for="c in batch.claims" :key="c.line" class="block"
        ><RouterLink class="link" :to="`/orders/${c.orderId}`">{{ c.customer }}, order {{ c.order }}</RouterLink
        >: <DozenCount :flies="c.flies" /> by {{ day(c.due) }}</span
      >
    </dd>
  </dl>
</template>
