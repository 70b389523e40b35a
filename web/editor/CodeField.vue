<script setup lang="ts">
import { onMounted, shallowRef, useTemplateRef } from "vue";
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
  /** Lines can be moved by a handle before them. */
  handles?: boolean;
  /** Rows of the plain field that stands there until the editor has come. */
  rows?: number;
}>();
const text = defineModel<string>({ required: true });
defineEmits<{ send: []; cursor: [at: number] }>();
// Held here and not by an asynchronous component: the plain field gives way to the editor within one rendering, so that
// no key falls between them.
const editorPart = shallowRef<(typeof import("./CodeEditor.vue"))["default"]>();
const plain = useTemplateRef<HTMLTextAreaElement>("plain");
const editor = useTemplateRef<{ goTo: (at: number) => void }>("editor");
defineExpose({ goTo: (at: number) => editor.value?.goTo(at) });
const start = shallowRef<{ focus: boolean; at: number }>();
onMounted(async () => {
  const part = await import("./CodeEditor.vue");
  const field = plain.value;
  start.value = { focus: document.activeElement === field, at: field?.selectionStart ?? text.value.length };
  editorPart.value = part.default;
});
</script>

<template>
  <component
    :is="editorPart"
    v-if="editorPart"
    :id="id"
    ref="editor"
    v-model="text"
    :label="label"
    :placeholder="placeholder"
    :marks="marks"
    :questions="questions"
    :offers="offers"
    :handles="handles"
    :start="start"
    @send="$emit('send')"
    @cursor="$emit('cursor', $event)"
  />
  <textarea
    v-else
    :id="id"
    ref="plain"
    class="field fig block w-full !px-[0.6rem] !py-[0.45rem] text-[1.12rem] leading-[1.55] [field-sizing:content]"
    :rows="rows ?? 2"
    spellcheck="false"
    :aria-label="label"
    :placeholder="placeholder"
    :value="text"
    @input="text = textOf($event)"
    @keydown.ctrl.enter.prevent="$emit('send')"
  ></textarea>
</template>
