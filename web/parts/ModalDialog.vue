<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from "@headlessui/vue";
import { X } from "lucide-vue-next";

/** Something that wants an answer before the work goes on; Escape, the cross or a click beside it leave it. */
defineProps<{ title: string; quiet?: boolean; wide?: boolean }>();
const open = defineModel<boolean>({ required: true });
</script>

<template>
  <Dialog :open="open" class="relative z-40" @close="open = false">
    <div class="fixed inset-0 overflow-y-auto bg-black/45 p-3 sm:p-8">
      <DialogPanel
        class="relative mx-auto border border-strong bg-sheet p-4 text-ink"
        :class="wide ? 'max-w-5xl' : 'max-w-2xl'"
      >
        <div class="mb-2 flex items-start justify-between gap-3">
          <DialogTitle as="h2" :class="quiet ? 'sr-only' : '!text-xl'">{{ title }}</DialogTitle>
          <button type="button" class="btn btn-plain -mr-2 -mt-2 ml-auto" aria-label="Leave" @click="open = false">
            <X :size="18" />
          </button>
        </div>
        <slot />
      </DialogPanel>
    </div>
  </Dialog>
</template>
