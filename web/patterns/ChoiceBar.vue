<script setup lang="ts">
import type { PatternEntry } from "@kasten/contract/patterns";
import type { Component, Dressing, FlyChoice } from "@kasten/core/recipe";

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
const picked = (event: Event): string => (event.target as HTMLSelectElement).value;
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
    <label
      ><span class="label">{{ name("Colour") }}</span
      ><select class="field" :value="choice.variant" @change="set({ variant: picked($event) })">
        <option v-for="v in entry.variants" :key="v.id" :value="v.id">{{ v.name }}</option>
      </select></label
    >
    <label v-if="entry.forms.length > 1"
      ><span class="label">{{ name("Weight") }}</span
      ><select class="field" :value="choice.form" @change="set({ form: picked($event) })">
        <option v-for="v in entry.forms" :key="v.id" :value="v.id">{{ v.name }}</option>
      </select></label
    >
    <label v-if="ratings.length > 1"
      ><span class="label">{{ name("Dressed") }}</span
      ><select class="field" :value="rating" @change="emit('dress', picked($event) as Dressing)">
        <option v-for="d in ratings" :key="d">{{ d }}</option>
      </select></label
    >
    <label v-for="c in optional" :key="c.id" class="flex min-h-9 items-center gap-2"
      ><input type="checkbox" class="h-5 w-5" :checked="!choice.leave?.includes(c.id)" @change="toggle(c.id)" />with
      {{ c.role }}</label
    >
    <slot />
  </div>
</template>
