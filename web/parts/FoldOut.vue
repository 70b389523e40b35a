<script setup lang="ts">
import { Disclosure, DisclosureButton, DisclosurePanel } from "@headlessui/vue";
import { ChevronRight } from "lucide-vue-next";

/** What not everybody needs at once, behind its heading. */
defineProps<{ title: string; open?: boolean; call?: boolean }>();
</script>

<template>
  <Disclosure v-slot="{ open: isOpen }" as="div" :default-open="open">
    <DisclosureButton class="flex items-center gap-1.5 text-left font-semibold" :class="call ? 'text-call' : 'text-ink'"
      ><ChevronRight :size="16" class="shrink-0 text-soft" :class="{ 'rotate-90': isOpen }" aria-hidden="true" />{{
        title
      }}</DisclosureButton
    >
    <DisclosurePanel class="mt-2"><slot /></DisclosurePanel>
  </Disclosure>
</template>
