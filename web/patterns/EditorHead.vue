<script setup lang="ts">
import { Redo2, Undo2 } from "lucide-vue-next";
import type { PatternEntry } from "@kasten/contract/patterns";

/** What is being edited, back and forth in what was typed, and saving it. */
const note = defineModel<string>({ required: true });
defineProps<{
  entry?: PatternEntry;
  base: number;
  canUndo: boolean;
  canRedo: boolean;
  canSave: boolean;
  busy: boolean;
}>();
defineEmits<{ undo: []; redo: []; drop: []; save: [] }>();
</script>

<template>
  <div class="mb-2 flex flex-wrap items-center justify-between gap-2">
    <h1>
      {{ entry ? `Editing ${entry.name}` : "A new pattern" }}
      <span v-if="base > 0" class="font-normal text-soft"
        >from version <span class="fig">{{ base }}</span></span
      >
    </h1>
    <div class="flex flex-wrap items-center gap-1">
      <button class="btn btn-plain" :disabled="!canUndo" aria-label="Undo" @click="$emit('undo')">
        <Undo2 :size="18" /></button
      ><button class="btn btn-plain" :disabled="!canRedo" aria-label="Redo" @click="$emit('redo')">
        <Redo2 :size="18" />
      </button>
      <input
        v-model="note"
        class="field w-56"
        placeholder="what this version changes"
        aria-label="What this version changes"
        maxlength="400"
      />
      <button class="btn" :disabled="!canSave" @click="$emit('drop')">Drop what I changed</button>
      <button class="btn btn-main" :disabled="busy || !canSave" @click="$emit('save')">
        {{ entry ? "Save as a new version" : "Save the pattern" }}
      </button>
    </div>
  </div>
</template>
