<script setup lang="ts">
import WishNote from "../parts/WishNote.vue";
import ExceptionNote from "../parts/ExceptionNote.vue";
import type { BatchDetail } from "@kasten/contract/batches";
import ListBox from "../parts/ListBox.vue";
import { optionsOf } from "../parts/option";
import DozenCount from "../parts/DozenCount.vue";
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
/** What a customer wants to be kept to, in a few words. */
function rulesOf({ policy, destination }: BatchDetail["claims"][number]): string {
  const words = [
    { original: "originals only", alternates: "", tier: "" }[policy],
    destination.noLead ? "no lead" : "",
    destination.barblessOnly ? "barbless" : "",
    destination.forbiddenSpecies.length > 0 ? `no ${destination.forbiddenSpecies.join(", ")}` : "",
  ];
  return words.filter(Boolean).join(" · ");
}
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
      <ListBox
        v-if="open"
        class="ml-3 inline-block"
        label="How it is tied"
        quiet
        :options="optionsOf(['fly by fly', 'step by step'] as const)"
        :model-value="batch.mode"
        @update:model-value="emit('choose', { mode: $event })"
      /><span v-else class="ml-3">{{ batch.mode }}</span>
    </dd>
    <template v-if="batch.tiers.length > 0">
      <dt class="text-soft">Minutes a fly</dt>
      <dd class="text-[0.94rem]">
        <span v-for="t in batch.tiers" :key="t.person" class="mr-3 inline-block"
          >{{ t.name }} <b class="fig">{{ t.perFly.toFixed(1) }}</b><span class="text-soft"
            >, {{ t.low.toFixed(1) }} to {{ t.high.toFixed(1) }},
            {{ t.batches === 0 ? "by the prior" : `from ${t.batches} ${t.batches === 1 ? "batch" : "batches"}` }}</span
          ></span
        >
      </dd>
    </template>
    <template v-for="x in batch.buyable" :key="x.component">
      <dt class="text-soft">{{ x.role }}</dt>
      <dd>
        <ListBox
          :label="`Make or buy the ${x.role}`"
          quiet
          :disabled="!open"
          :options="[
            { value: 'make', label: `made here, ${x.makeMinutes} min a fly` },
            { value: 'buy', label: `bought: ${x.bought}` },
          ]"
          :model-value="batch.buy.includes(x.component) ? 'buy' : 'make'"
          @update:model-value="makeOrBuy(x.component, $event)"
        />
      </dd>
    </template>
    <dt class="text-soft">For</dt>
    <dd>
      <span v-for="c in batch.claims" :key="c.line" class="block"
        ><RouterLink class="link" :to="`/orders/${c.orderId}`">{{ c.customer }}, order {{ c.order }}</RouterLink
        >: <DozenCount :flies="c.flies" /> by {{ day(c.due)
        }}<span v-if="rulesOf(c)" class="tag ml-2">{{ rulesOf(c) }}</span
        ><WishNote :wishes="c.wishes" /><ExceptionNote :exceptions="c.exception ? [c.exception] : []"
      /></span>
    </dd>
  </dl>
</template>
