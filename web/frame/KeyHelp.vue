<script setup lang="ts">
import { onKeyStroke } from "@vueuse/core";
import { defineAsyncComponent, ref, watch } from "vue";
import { isTyped, useKeySheet } from "../parts/keySheet";

/** It comes when somebody asks for the keys: every screen begins without it. */
const ModalDialog = defineAsyncComponent(() => import("../parts/ModalDialog.vue"));

/** What the keys do on this screen: opened by ?, wherever nobody is typing. */
const sheet = useKeySheet();
const open = ref(false);
const wasOpened = ref(false);
watch(open, (isOpen) => (wasOpened.value ||= isOpen));
onKeyStroke("?", (e) => {
  if (isTyped(e)) return;
  e.preventDefault();
  open.value = !open.value;
});
defineExpose({ show: () => (open.value = true) });
</script>

<template>
  <ModalDialog v-if="wasOpened" v-model="open" title="Keys on this screen">
    <dl class="grid grid-cols-[auto_1fr] items-baseline gap-x-5 gap-y-1.5">
      <template v-for="k in sheet.all" :key="k.does">
        <dt class="whitespace-nowrap">
          <template v-for="(key, i) in k.keys" :key="key"
            ><span v-if="i > 0" class="text-soft"> </span><kbd class="key">{{ key }}</kbd></template
          >
        </dt>
        <dd>{{ k.does }}</dd>
      </template>
    </dl>
    <p class="mt-3 text-soft">
      A word with a <b>?</b> beside it opens its meaning; a figure with a dotted line below it opens its working.
    </p>
  </ModalDialog>
</template>
