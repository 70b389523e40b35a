<script setup lang="ts">
import { ChevronDown, ChevronUp, GripVertical, Settings2, Trash2 } from "lucide-vue-next";
import { useTextareaAutosize } from "@vueuse/core";
import { ref, watch } from "vue";
import type { StepReading } from "@kasten/core/words";
import ColourSwatch from "../parts/ColourSwatch.vue";

/** One step as it is written: the part, its words, how they are understood, and what is wrong at it. */
defineProps<{
  number: number;
  role: string;
  material: string;
  colour?: string;
  sizes: boolean;
  reading: StepReading;
  notes: { sentence: string; hard: boolean }[];
  open: boolean;
  first: boolean;
  last: boolean;
}>();
const text = defineModel<string>({ required: true });
const emit = defineEmits<{ move: [by: number]; remove: []; toggle: []; next: []; look: [on: boolean] }>();
const field = ref<HTMLTextAreaElement>();
// The words may run over more than one line; the field grows with them, by itself where the browser can do that.
if (!CSS.supports("field-sizing", "content")) {
  const { triggerResize } = useTextareaAutosize({ element: field, watch: text });
  watch(field, () => triggerResize());
}
defineExpose({ focus: () => field.value?.focus() });
function keys(e: KeyboardEvent): void {
  if (e.altKey && e.key === "ArrowUp") emit("move", -1);
  else if (e.altKey && e.key === "ArrowDown") emit("move", 1);
  else if (e.altKey && e.key === "Backspace") emit("remove");
  else if (e.key === "Enter") emit("next");
  else return;
  e.preventDefault();
}
</script>

<template>
  <li
    class="border-b border-rule bg-sheet px-2 py-1.5"
    :class="{ 'bg-ground': open }"
    @mouseenter="emit('look', true)"
    @mouseleave="emit('look', false)"
  >
    <div
      class="grid grid-cols-[auto_auto_minmax(0,1fr)_auto] md:grid-cols-[auto_auto_minmax(6rem,9rem)_minmax(0,1fr)_auto] items-center gap-x-2"
    >
      <span class="handle cursor-grab py-1 text-soft" aria-hidden="true"><GripVertical :size="17" /></span>
      <span class="fig w-6 text-right text-soft">{{ number }}</span>
      <button
        type="button"
        class="min-w-0 text-left hover:text-deep"
        :aria-expanded="open"
        :aria-label="`Part and details of step ${number}, ${role}`"
        @click="emit('toggle')"
      >
        <b class="block truncate leading-tight">{{ role }}</b><span
          class="flex items-center gap-1.5 text-[0.86rem] text-soft"
          ><ColourSwatch v-if="material" :colour="colour" /><span class="truncate"
            >{{ material }}{{ sizes ? ", by size" : "" }}</span
          ></span
        >
      </button>
      <textarea
        ref="field"
        v-model="text"
        rows="1"
        class="field w-full resize-none overflow-hidden leading-snug [field-sizing:content] max-md:order-last max-md:col-span-full"
        :class="{ '!border-call': reading.doubts.length > 0 || notes.some((n) => n.hard) }"
        :aria-label="`How step ${number} is done`"
        :aria-describedby="`doubts-${number}`"
        spellcheck="false"
        autocomplete="off"
        @keydown="keys"
        @focus="emit('look', true)"
        @blur="emit('look', false)"
      ></textarea>
      <span class="flex"
        ><button
          type="button"
          class="btn btn-plain !px-1"
          aria-label="Move up"
          title="Alt + ↑"
          :disabled="first"
          @click="emit('move', -1)"
        >
          <ChevronUp :size="17" /></button
        ><button
          type="button"
          class="btn btn-plain !px-1"
          aria-label="Move down"
          title="Alt + ↓"
          :disabled="last"
          @click="emit('move', 1)"
        >
          <ChevronDown :size="17" /></button
        ><button
          type="button"
          class="btn btn-plain !px-1"
          aria-label="Details"
          :aria-expanded="open"
          @click="emit('toggle')"
        >
          <Settings2 :size="17" /></button
        ><button
          type="button"
          class="btn btn-plain !px-1"
          aria-label="Take the step out"
          title="Alt + ⌫"
          @click="emit('remove')"
        >
          <Trash2 :size="16" /></button
      ></span>
    </div>
    <div :id="`doubts-${number}`" class="md:pl-[3.9rem]">
      <p v-for="d in reading.doubts" :key="d.sentence" class="text-[0.92rem] text-call">{{ d.sentence }}</p>
      <p
        v-for="n in notes"
        :key="n.sentence"
        class="text-[0.92rem]"
        :class="n.hard ? 'font-semibold text-call' : 'text-call'"
      >
        {{ n.sentence }}
      </p>
      <p v-if="reading.assumed.length > 0" class="text-[0.86rem] text-soft">
        taken as usual: {{ reading.assumed.join(", ") }}
      </p>
    </div>
    <slot />
  </li>
</template>
