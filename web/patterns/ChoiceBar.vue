<script setup lang="ts">
import type { PatternEntry } from "@kasten/contract/patterns";
import type { Component, Dressing, FlyChoice } from "@kasten/core/recipe";
import ListBox from "../parts/ListBox.vue";
import TickBox from "../parts/TickBox.vue";
import { optionsOf } from "../parts/option";

/** Size, colour, weight form, and what may be left out or bought, of one fly. */
const props = withDefaults(
  defineProps<{
    entry: PatternEntry;
    sizes: string[];
    optional: Component[];
    label?: string;
    /** How it may be dressed, its own way among them. */ ratings?: Dressing[];
    rating?: Dressing;
  }>(),
  { label: undefined, ratings: () => [], rating: undefined },
);
const emit = defineEmits<{ dress: [dressing: Dressing] }>();
const choice = defineModel<FlyChoice>({ required: true });
const set = (change: Partial<FlyChoice>): void => {
  choice.value = { ...choice.value, ...change };
};
const toggle = (id: string): void => {
  const left = choice.value.leave ?? [];
  set({ leave: left.includes(id) ? left.filter((x) => x !== id) : [...left, id] });
};
const name = (suffix: string) => (props.label ? `${suffix}, ${props.label}` : suffix);
</script>

<template>
  <div class="flex flex-wrap items-end gap-x-4 gap-y-2">
    <div role="group" :aria-label="name('Size')" class="flex flex-wrap gap-1">
      <button
        v-for="s in sizes"
        :key="s"
        class="btn fig !px-2.5"
        :class="{ 'btn-main': s === choice.size }"
        :aria-pressed="s === choice.size"
        @click="set({ size: s })"
      >
        {{ s }}
      </button>
    </div>
    <ListBox
      :label="name('Colour')"
      :options="entry.variants.map((v) => ({ value: v.id, label: v.name }))"
      :model-value="choice.variant"
      @update:model-value="set({ variant: $event })"
    />
    <ListBox
      v-if="entry.forms.length > 1"
      :label="name('Weight')"
      :options="entry.forms.map((v) => ({ value: v.id, label: v.name }))"
      :model-value="choice.form"
      @update:model-value="set({ form: $event })"
    />
    <ListBox
      v-if="ratings.length > 1"
      :label="name('Dressed')"
      :options="optionsOf(ratings)"
      :model-value="rating ?? 'standard'"
      @update:model-value="emit('dress', $event)"
    />
    <TickBox
      v-for="c in optional"
      :key="c.id"
      class="min-h-9"
      :model-value="!choice.leave?.includes(c.id)"
      @update:model-value="toggle(c.id)"
      >with {{ c.role }}</TickBox
    >
    <slot />
  </div>
</template>
