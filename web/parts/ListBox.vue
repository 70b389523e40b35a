<script setup lang="ts" generic="T extends string | number | boolean | undefined">
import { Listbox, ListboxButton, ListboxLabel, ListboxOption, ListboxOptions } from "@headlessui/vue";
import { Check, ChevronsUpDown } from "lucide-vue-next";
import { computed } from "vue";
import type { Option } from "./option";
import { useFloatingList } from "./useFloatingList";

/** One of a short list. Its label is always there; where the place tells it, it is only read aloud. */
const props = defineProps<{
  label: string;
  options: Option<T>[];
  quiet?: boolean;
  disabled?: boolean;
  mono?: boolean;
  placeholder?: string;
  describedby?: string;
  wrong?: boolean;
}>();
const taken = defineModel<T>({ required: true });
const { button, list, floatingStyles } = useFloatingList();
const shown = computed(() => props.options.find((o) => o.value === taken.value)?.label ?? props.placeholder ?? "");
</script>

<template>
  <Listbox v-model="taken" as="div" class="min-w-0" :disabled="disabled">
    <ListboxLabel :class="quiet ? 'sr-only' : 'label'">{{ label }}</ListboxLabel>
    <ListboxButton
      ref="button"
      class="field pick flex w-full min-w-0 items-center justify-between gap-2 text-left"
      :class="{ fig: mono, '!border-call': wrong }"
      :aria-describedby="describedby"
      :aria-invalid="wrong || undefined"
      ><span class="truncate">{{ shown }}</span
      ><ChevronsUpDown :size="14" class="shrink-0 text-soft" aria-hidden="true"
    /></ListboxButton>
    <ListboxOptions ref="list" class="options" :style="floatingStyles">
      <ListboxOption
        v-for="o in options"
        :key="String(o.value)"
        v-slot="{ active, selected }"
        :value="o.value"
        :disabled="o.disabled"
        as="template"
      >
        <li class="option" :class="{ 'is-active': active, 'is-off': o.disabled, fig: mono }">
          <Check :size="14" :class="selected ? 'text-deep' : 'invisible'" aria-hidden="true" /><span>{{ o.label }}</span
          ><span v-if="o.note" class="ml-auto pl-3 text-[0.86em] text-soft">{{ o.note }}</span>
        </li>
      </ListboxOption>
    </ListboxOptions>
  </Listbox>
</template>
