<script setup lang="ts">
import { computed } from "vue";
import type { Material } from "@kasten/core/materials";
import { findMaterials } from "@kasten/core/words";
import ComboBox from "../parts/ComboBox.vue";
import type { Option } from "../parts/option";
import { useCatalogue } from "./catalogue";

/** Find a material of the cabinet by words of its name. The slot stands below what was found, with the words. */
const props = defineProps<{ label: string; only?: (form: string) => boolean }>();
defineSlots<{ default: (found: { words: string }) => unknown }>();
const code = defineModel<string>({ required: true });
const { materials } = useCatalogue();
const all = computed(() =>
  [...materials.value.values()].filter((m) => m.form !== "hook" && (props.only?.(m.form) ?? true)),
);
const asOption = (m: Material): Option => ({
  value: m.code,
  label: m.name,
  note: m.form,
  colour: m.colour,
});
/** What is taken is named, also where it is not one of those to choose from; what nobody knows stands as its code. */
const options = computed(() => {
  const taken = materials.value.get(code.value);
  const known = all.value.map(asOption);
  if (!code.value || known.some((o) => o.value === code.value)) return known;
  return [taken ? asOption(taken) : { value: code.value, label: code.value }, ...known];
});
const find = (words: string): Option[] => findMaterials(words, all.value).map(asOption);
</script>

<template>
  <ComboBox
    v-slot="{ words }"
    v-model="code"
    :label="label"
    quiet
    swatches
    placeholder="Find a material"
    nothing="No material has all of these words."
    :options="options"
    :find="find"
    ><slot :words="words"
  /></ComboBox>
</template>
