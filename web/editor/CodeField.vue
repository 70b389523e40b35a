<script setup lang="ts">
import { defineAsyncComponent, onMounted, ref, shallowRef, useTemplateRef } from "vue";
import { textOf } from "../parts/fields";
import type { TextMark, TextOffers, TextQuestion } from "./types";

/** A text that is read as it is typed. A plain field until the editor is there: what was typed meanwhile stays. */
defineProps<{
  id: string;
  label: string;
  placeholder?: string;
  marks: TextMark[];
  questions: TextQuestion[];
  offers?: (text: string, at: number) => TextOffers | undefined;
}>();
const text = defineModel<string>({ required: true });
defineEmits<{ send: []; cursor: [at: number] }>();
const CodeEditor = defineAsyncComponent(() => import("./CodeEditor.vue"));
const plain = useTemplateRef<HTMLTextAreaElement>("plain");
const isReady = ref(false);
const start = shallowRef<{ focus: boolean; at: number }>();
onMounted(async () => {
  await import("./CodeEditor.vue");
  const field = plain.value;
  start.value = { focus: document.activeElement === field, at: field?.selectionStart ?? text.value.length };
  isReady.value = true;
});
</script>

<template>
  <CodeEditor
    v-if="isReady"
    :id="id"
    v-model="text"
    :label="label"
    :placeholder="placeholder"
    :marks="marks"
    :questions="questions"
    :offers="offers"
    :start="start"
    @send="$emit('send')"
    @cursor="$emit('cursor', $event)"
  />
  <textarea
    v-else
    :id="id"
    ref="plain"
    class="field fig block w-full !px-[0.6rem] !py-[0.45rem] text-[1.12rem] leading-[1.55] [field-sizing:content]"
    rows="2"
    spellcheck="false"
    :aria-label="label"
    :placeholder="placeholder"
    :value="text"
    @input="text = textOf($event)"
    @keydown.ctrl.enter.prevent="$emit('send')"
  ></textarea>
</template>
