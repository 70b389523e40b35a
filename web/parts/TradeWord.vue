<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from "@headlessui/vue";
import { ref } from "vue";
import { meaningOf } from "./glossary";
import { useFloatingList } from "./useFloatingList";

/** A word of the trade in a label: a click on its mark opens its line of the glossary. */
const props = defineProps<{ word: string }>();
const meaning = ref("");
const { button, list, floatingStyles } = useFloatingList();
async function ask(): Promise<void> {
  meaning.value ||= (await meaningOf(props.word)) ?? "Not in the glossary yet.";
}
</script>

<template>
  <Popover as="span" class="whitespace-nowrap"
    ><slot>{{ word }}</slot
    ><PopoverButton ref="button" class="asks" :aria-label="`What ${word} means`" @click="ask"
      ><span class="mark" aria-hidden="true">?</span></PopoverButton
    ><PopoverPanel ref="list" as="span" class="options !max-w-80 !p-3" :style="floatingStyles" role="note"
      ><b>{{ word }}</b
      >: {{ meaning }}</PopoverPanel
    ></Popover
  >
</template>
