<script setup lang="ts">
import {
  Combobox,
  ComboboxButton,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
} from "@headlessui/vue";
import { computed, ref } from "vue";
import type { MaterialForm as Form } from "@kasten/core/materials";
import { findMaterials } from "@kasten/core/patterns";
import ColourSwatch from "../parts/ColourSwatch.vue";
import { useSession } from "../team";
import { useCatalogue } from "./catalogue";
import MaterialForm from "./MaterialForm.vue"; // which picks the parts of a blend by this same finder

/** Find a material by words of its name. */
const props = defineProps<{
  label: string;
  only?: (form: string) => boolean;
  /** Only what is there: nothing is added from here. */ plain?: boolean;
  /** What a material that is not there yet most likely is. */ likely?: Form;
}>();
const code = defineModel<string>({ required: true });
const { materials } = useCatalogue();
const { may } = useSession();
const words = ref("");
/** Name of a material that is being added. */
const adding = ref<string>();
function added(made: string): void {
  adding.value = undefined;
  words.value = "";
  code.value = made;
}
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
      <li v-if="!plain && words.trim() && may('write patterns')" class="border-t border-rule">
        <button type="button" class="btn btn-plain w-full" @mousedown.prevent="adding = words.trim()">
          Add “{{ words.trim() }}” to the cabinet
        </button>
      </li>
    </ComboboxOptions>
    <Dialog :open="adding !== undefined" class="relative z-40" @close="adding = undefined"
      ><div class="fixed inset-0 overflow-y-auto bg-black/40 p-4">
        <DialogPanel class="mx-auto max-w-4xl"
          ><MaterialForm
            v-if="adding !== undefined"
            :name="adding"
            :form="likely"
            @saved="added"
            @leave="adding = undefined"
        /></DialogPanel></div
    ></Dialog>
  </Combobox>
</template>
