<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from "@headlessui/vue";
import { X } from "lucide-vue-next";
import { FlyDrawing } from "../patterns";
import { useWorking } from "../parts/working";
import NumberWords from "../parts/NumberWords.vue";
import WorkingTree from "../parts/WorkingTree.vue";

const panel = useWorking();
</script>

<template>
  <Dialog :open="panel.working !== null" class="relative z-40" @close="panel.close()">
    <div class="fixed inset-0 bg-black/25" aria-hidden="true"></div>
    <DialogPanel
      class="fixed inset-y-0 right-0 w-full max-w-[30rem] overflow-y-auto border-l border-strong bg-sheet p-5"
    >
      <div class="mb-3 flex items-start justify-between gap-3">
        <div>
          <DialogTitle as="h2">The working: {{ panel.title }}</DialogTitle>
          <p class="text-xl"><NumberWords :words="panel.words" /></p>
        </div>
        <button class="btn btn-plain" aria-label="Close the working" @click="panel.close()"><X :size="20" /></button>
      </div>
      <FlyDrawing v-if="panel.fly" v-bind="panel.fly" class="mb-3 h-36" />
      <WorkingTree v-if="panel.working" :working="panel.working" />
    </DialogPanel>
  </Dialog>
</template>
