<script setup lang="ts">
import { Combobox, ComboboxButton, ComboboxInput, ComboboxOption, ComboboxOptions } from "@headlessui/vue";
import { computed, ref } from "vue";
import { findMaterials } from "@kasten/core/words";
import ColourSwatch from "../parts/ColourSwatch.vue";
import { useCatalogue } from "./catalogue";

/** Find a material of the cabinet by words of its name. The slot stands below what was found, with the words. */
const props = defineProps<{ label: string; only?: (form: string) => boolean }>();
const code = defineModel<string>({ required: true });
const { materials } = useCatalogue();
const words = ref("");
const SHOWN = 40;
const all = computed(() =>
  [...materials.value.values()].filter((m) => m.form !== "hook" && (props.only?.(m.form) ?? true)),
);
const found = computed(() => (words.value.trim() ? findMaterials(words.value, all.value) : all.value).slice(0, SHOWN));
const name = (value: unknown): string => materials.value.get(String(value))?.name ?? String(value ?? "");
</script>

<template>
  <Combobox v-model="code" as="div" class="relative min-w-0">
    <div class="flex">
      <ComboboxInput
        class="field min-w-0 flex-1 !border-r-0"
        :aria-label="label"
        :display-value="name"
        placeholder="Find a material"
        @change="words = $event.target.value"
      /><ComboboxButton class="field !px-2" :aria-label="`All materials for ${label}`">▾</ComboboxButton>
    </div>
    <ComboboxOptions
      class="absolute z-30 max-h-72 w-full min-w-64 overflow-y-auto border border-strong bg-sheet shadow"
    >
      <ComboboxOption v-for="m in found" :key="m.code" v-slot="{ active }" :value="m.code" as="template"
        ><li class="flex items-center gap-2 px-2 py-1" :class="{ 'bg-well': active }">
          <ColourSwatch :colour="m.colour" /><span class="truncate">{{ m.name }}</span
          ><span class="ml-auto text-[0.82rem] text-soft">{{ m.form }}</span>
        </li></ComboboxOption
      >
      <li v-if="found.length === 0" class="px-2 py-1 text-soft">No material has all of these words.</li>
      <slot :words="words.trim()" />
    </ComboboxOptions>
  </Combobox>
</template>
