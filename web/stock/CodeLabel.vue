<script setup lang="ts">
import { onMounted, ref, watch } from "vue";

/** A label with a code that any reader finds it by, and what is said beside it; printed alone. */
const props = defineProps<{ code: string; about: string }>();
const image = ref("");
const wrong = ref("");
async function draw(): Promise<void> {
  const { toSVG } = await import("bwip-js/browser");
  try {
    const svg = toSVG({ bcid: "qrcode", text: props.code, scale: 3, padding: 2 });
    image.value = `data:image/svg+xml,${encodeURIComponent(svg)}`;
    wrong.value = "";
  } catch (error) {
    wrong.value = error instanceof Error ? error.message : String(error);
  }
}
onMounted(draw);
watch(() => props.code, draw);
const print = (): void => window.print();
</script>

<template>
  <div class="flex flex-wrap items-start gap-4">
    <div class="label-print flex items-center gap-3 border border-strong bg-white p-3 text-black">
      <img v-if="image" class="code" :src="image" :alt="`Code of ${about}`" />
      <div class="max-w-64 leading-tight"><slot /></div>
    </div>
    <p v-if="wrong" class="callout">No code could be drawn of “{{ code }}”: {{ wrong }}</p>
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
