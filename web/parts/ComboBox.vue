<script setup lang="ts" generic="T extends string | undefined">
import {
  Combobox,
  ComboboxButton,
  ComboboxInput,
  ComboboxLabel,
  ComboboxOption,
  ComboboxOptions,
} from "@headlessui/vue";
import { ChevronsUpDown } from "lucide-vue-next";
import { computed, ref } from "vue";
import { fold } from "@kasten/core/orders";
import ColourSwatch from "./ColourSwatch.vue";
import type { Option } from "./option";
import { useFloatingList } from "./useFloatingList";

/** One of a long list, found by words of its name. The slot stands below what was found, with the words typed. */
const props = defineProps<{
  label: string;
  options: Option<T>[];
  quiet?: boolean;
  placeholder?: string;
  nothing?: string;
  disabled?: boolean;
  /** Another way of finding than by the beginnings of words. */
  find?: (words: string) => Option<T>[];
  swatches?: boolean;
  wrong?: boolean;
  describedby?: string;
}>();
defineSlots<{ default: (found: { words: string }) => unknown }>();
const taken = defineModel<T>({ required: true });
const SHOWN = 40;
const words = ref("");
const { button, list, floatingStyles } = useFloatingList();
const byWords = (typed: string): Option<T>[] => {
  const wanted = fold(typed).split(" ").filter(Boolean);
  return props.options.filter((o) => wanted.every((w) => fold(`${o.label} ${o.note ?? ""}`).includes(w)));
};
const all = computed(() => (words.value.trim() ? (props.find ?? byWords)(words.value) : props.options));
const found = computed(() => all.value.slice(0, SHOWN));
const name = (value: unknown): string => props.options.find((o) => o.value === value)?.label ?? "";
</script>

<template>
  <Combobox v-model="taken" as="div" class="min-w-0" :disabled="disabled">
    <ComboboxLabel :class="quiet ? 'sr-only' : 'label'">{{ label }}</ComboboxLabel>
    <div ref="button" class="flex">
      <ComboboxInput
        class="field min-w-0 flex-1 !border-r-0"
        :class="{ '!border-call': wrong }"
        :display-value="name"
        :placeholder="placeholder"
        :aria-invalid="wrong || undefined"
        :aria-describedby="describedby"
        autocomplete="off"
        @change="words = $event.target.value"
      /><ComboboxButton class="field !px-2" :aria-label="`All of ${label}`"
        ><ChevronsUpDown :size="14" aria-hidden="true"
      /></ComboboxButton>
    </div>
    <ComboboxOptions ref="list" class="options" :style="floatingStyles" @after-leave="words = ''">
      <ComboboxOption v-for="o in found" :key="String(o.value)" v-slot="{ active }" :value="o.value" as="template">
        <li class="option" :class="{ 'is-active': active }">
          <ColourSwatch v-if="swatches" :colour="o.colour ?? null" /><span class="truncate">{{ o.label }}</span
          ><span v-if="o.note" class="ml-auto whitespace-nowrap pl-3 text-[0.86em] text-soft">{{ o.note }}</span>
        </li>
      </ComboboxOption>
      <li v-if="found.length === 0" class="px-2 py-1 text-soft">{{ nothing ?? "None has all of these words." }}</li>
      <li v-else-if="all.length > found.length" class="px-2 py-1 text-[0.9rem] text-soft">
        {{ all.length - found.length }} more: type a word of the name.
      </li>
      <slot :words="words.trim()" />
    </ComboboxOptions>
  </Combobox>
</template>
