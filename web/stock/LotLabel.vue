<script setup lang="ts">
import { onMounted, ref, watch } from "vue";
import type { LotPage } from "@kasten/contract/stock";
import { dayYear } from "../parts/format";

/** A label for the lot, with a code that any reader finds it by: scanned into the cabinet's field, it opens this page. */
const props = defineProps<{ lot: LotPage }>();
const code = ref("");
const wrong = ref("");
async function draw(): Promise<void> {
  const { toSVG } = await import("bwip-js/browser");
  try {
    const svg = toSVG({ bcid: "qrcode", text: props.lot.code, scale: 3, padding: 2 });
    code.value = `data:image/svg+xml,${encodeURIComponent(svg)}`;
  } catch (error) {
    wrong.value = error instanceof Error ? error.message : String(error);
  }
}
onMounted(draw);
watch(() => props.lot.code, draw);
const print = (): void => window.print();
</script>

<template>
  <div class="flex flex-wrap items-start gap-4">
    <div class="label-print flex items-center gap-3 border border-strong bg-white p-3 text-black">
      <img v-if="code" class="code" :src="code" :alt="`Code of lot ${lot.code}`" />
      <div class="max-w-64 leading-tight">
        <p class="font-semibold">{{ lot.material.name }}</p>
        <p class="fig text-xl">{{ lot.code }}</p>
        <p v-if="lot.dyeLot">dye lot {{ lot.dyeLot }}</p>
        <p v-if="lot.barb">barbs {{ lot.barb[0] }}–{{ lot.barb[1] }} mm {{ lot.side ?? "" }}</p>
        <p>{{ dayYear(lot.receivedAt) }}</p>
        <p v-if="lot.material.lead" class="font-semibold">LEAD: wash your hands</p>
        <p v-if="lot.apartUntil">kept apart until {{ dayYear(lot.apartUntil) }}</p>
      </div>
    </div>
    <p v-if="wrong" class="callout">No code could be drawn of “{{ lot.code }}”: {{ wrong }}</p>
    <button class="btn" @click="print">Print the label</button>
  </div>
</template>

<style scoped>
.code {
  width: 96px;
  height: 96px;
}
@media print {
  :global(body *) {
    visibility: hidden;
  }
  .label-print,
  .label-print * {
    visibility: visible;
  }
  .label-print {
    position: fixed;
    inset: 0 auto auto 0;
  }
}
</style>
