<script setup lang="ts">
import { closeCompletion, completionKeymap, completionStatus } from "@codemirror/autocomplete";
import { defaultKeymap, history, historyKeymap } from "@codemirror/commands";
import { EditorState, Prec } from "@codemirror/state";
import { EditorView, keymap, placeholder as placeholderOf } from "@codemirror/view";
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from "vue";
import { completeBy } from "./complete";
import { lineHandles } from "./handles";
import { readingField, setReading, type Reading } from "./marks";
import type { TextMark, TextOffers, TextQuestion } from "./types";

/** The editor itself: a text, what was understood of it, and its questions where they arise. */
const props = defineProps<{
  id: string;
  label: string;
  placeholder?: string;
  marks: TextMark[];
  questions: TextQuestion[];
  offers?: (text: string, at: number) => TextOffers | undefined;
  /** Lines can be moved by a handle before them. */
  handles?: boolean;
  /** Where the cursor stood in the plain field that was there before. */
  start?: { focus: boolean; at: number };
}>();
const text = defineModel<string>({ required: true });
const emit = defineEmits<{ send: []; cursor: [at: number] }>();
const host = useTemplateRef<HTMLElement>("host");
let view: EditorView | undefined;
const reading = (): Reading => ({ marks: props.marks, questions: props.questions });

onMounted(() => {
  if (!host.value) return;
  view = new EditorView({
    parent: host.value,
    state: EditorState.create({
      doc: text.value,
      selection: { anchor: Math.min(props.start?.at ?? text.value.length, text.value.length) },
      extensions: [
        EditorView.cspNonce.of(document.querySelector<HTMLMetaElement>("meta[name=csp-nonce]")?.content ?? ""),
        history(),
        Prec.highest(
          keymap.of([
            { key: "Ctrl-Enter", mac: "Cmd-Enter", run: () => (emit("send"), true) },
            // Tab leaves the field, as in any other; Escape first closes the offers.
            { key: "Escape", run: (v) => (completionStatus(v.state) ? closeCompletion(v) : false) },
          ]),
        ),
        completeBy((all, at) => props.offers?.(all, at)),
        ...(props.handles ? [lineHandles()] : []),
        keymap.of([...completionKeymap, ...historyKeymap, ...defaultKeymap]),
        EditorView.lineWrapping,
        EditorView.contentAttributes.of({
          id: props.id,
          "aria-label": props.label,
          "aria-multiline": "true",
          spellcheck: "false",
          autocapitalize: "off",
        }),
        placeholderOf(props.placeholder ?? ""),
        readingField,
        EditorView.updateListener.of((update) => {
          if (update.docChanged) text.value = update.state.doc.toString();
          if (update.selectionSet || update.docChanged) emit("cursor", update.state.selection.main.head);
        }),
      ],
    }),
  });
  view.dispatch({ effects: setReading.of(reading()) });
  if (props.start?.focus) view.focus();
});
onBeforeUnmount(() => view?.destroy());
watch(text, (now) => {
  if (!view || view.state.doc.toString() === now) return;
  view.dispatch({ changes: { from: 0, to: view.state.doc.length, insert: now } });
});
watch(
  () => [props.marks, props.questions],
  () => view?.dispatch({ effects: setReading.of(reading()) }),
);
/** Puts the cursor at a place of the text. */
function goTo(at: number): void {
  view?.dispatch({ selection: { anchor: Math.min(at, view.state.doc.length) }, scrollIntoView: true });
  view?.focus();
}
defineExpose({ goTo });
</script>

<template>
  <div ref="host" class="editor" :class="{ 'editor-lines': handles }"></div>
</template>

<style>
.editor .cm-editor {
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
  color: var(--ink);
}
.editor .cm-editor.cm-focused {
  outline: 3px solid var(--deep);
  outline-offset: 2px;
}
.editor .cm-scroller {
  font-family: var(--font-mono);
  font-size: 1.12rem;
  line-height: 1.55;
}
.editor .cm-content {
  min-height: 4.4rem;
  padding: 0.45rem 0;
  caret-color: var(--ink);
}
.editor .cm-line {
  padding: 0 0.6rem;
}
.editor .cm-gutters {
  border: 0;
  border-right: 1px solid var(--rule);
  background: var(--well);
  color: var(--ink-soft);
  font-family: var(--font-mono);
}
.editor .cm-handle {
  display: flex;
  min-width: 2.6rem;
  cursor: grab;
  justify-content: flex-end;
  gap: 0.35rem;
  padding: 0 0.4rem;
  user-select: none;
  touch-action: none;
}
.editor .cm-handle::before {
  content: "⋮⋮";
  letter-spacing: -0.25em;
  opacity: 0.55;
}
.editor .cm-drop-before {
  box-shadow: inset 0 3px 0 var(--deep);
}
.editor .cm-placeholder {
  color: var(--ink-soft);
}
.editor .cm-known {
  box-shadow: inset 0 -2px 0 var(--done);
}
.editor .cm-doubt {
  background: var(--call-ground);
  box-shadow: inset 0 -3px 0 var(--call);
}
.editor .cm-aside {
  color: var(--ink-soft);
  font-style: italic;
}
.editor-lines .cm-scroller {
  font-size: 1rem;
  line-height: 1.5;
}
.editor-lines .cm-content {
  min-height: 22rem;
}
.editor-lines .cm-known {
  box-shadow: none;
  text-decoration: underline dotted var(--done) 1px;
  text-underline-offset: 0.28em;
}
.editor .cm-cursor {
  border-left-color: var(--ink);
}
.editor .cm-selectionBackground,
.editor .cm-content ::selection {
  background: color-mix(in srgb, var(--deep) 28%, transparent);
}
.editor .cm-question {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.3rem 0.7rem;
  padding: 0.35rem 0.6rem;
  border-left: 4px solid var(--call);
  background: var(--call-ground);
  font-family: var(--font-sans);
  font-size: 1rem;
  white-space: normal;
}
.editor .cm-question-of {
  margin-left: auto;
  font-size: 0.88rem;
  color: var(--ink-soft);
}
.cm-tooltip.options > ul {
  max-height: 19rem;
  font-family: var(--font-sans) !important;
}
.cm-tooltip.options > ul > li {
  display: flex;
  gap: 0.9rem;
  padding: 0.25rem 0.6rem !important;
}
.cm-tooltip.options > ul > li[aria-selected] {
  background: var(--well) !important;
  color: var(--ink) !important;
  box-shadow: inset 3px 0 0 var(--deep);
}
.cm-tooltip.options .cm-completionDetail {
  margin-left: auto;
  font-style: normal;
  color: var(--ink-soft);
}
.cm-tooltip.options .cm-completionMatchedText {
  text-decoration: none;
  font-weight: 700;
}
</style>
