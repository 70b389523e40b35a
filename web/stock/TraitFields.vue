<script setup lang="ts" generic="V extends object">
import type { MaterialForm } from "@kasten/core/materials";
import { colourDepths, consistencies, traitsFor, type LotTrait } from "@kasten/core/stock";
import EntryChoice from "../parts/EntryChoice.vue";
import EntryNumber from "../parts/EntryNumber.vue";
import EntryText from "../parts/EntryText.vue";
import EntryTick from "../parts/EntryTick.vue";
import { optionsOf, orNone } from "../parts/option";
import type { EntryForm } from "../parts/useEntryForm";

/** What is looked at or measured on a lot of such a material: asked by what it is. Shares are in per cent here. */
defineProps<{ form: EntryForm<V>; of: MaterialForm }>();
const texts: Partial<Record<LotTrait, string>> = {
  area: "From which part of the skin",
  age: "Age of bird or animal",
  band: "Band",
  gauge: "Gauge on the label",
  finish: "Finish",
  labelColour: "Colour, as the label says it",
  seenColour: "Colour, as seen (#rrggbb)",
};
const numbers: Partial<Record<LotTrait, { label: string; unit: string; most: number }>> = {
  splits: { label: "Split or broken", unit: "%", most: 100 },
  unusable: { label: "Of no use", unit: "%", most: 100 },
  perMm: { label: "Fibres on one side", unit: "a mm", most: 50 },
  stemMm: { label: "Stem that can be wound", unit: "mm", most: 1000 },
  fibreMm: { label: "Longest fibre", unit: "mm", most: 1000 },
  stapleMm: { label: "Staple", unit: "mm", most: 1000 },
};
const choices = {
  depth: { label: "Depth of colour", options: orNone("not looked at", optionsOf(colourDepths)) },
  consistency: { label: "Consistency", options: orNone("not looked at", optionsOf(consistencies)) },
} as const;
const isChoice = (t: LotTrait): t is keyof typeof choices => t in choices;
</script>

<template>
  <template v-for="t in traitsFor(of)" :key="t">
    <EntryNumber
      v-if="numbers[t]"
      :form="form"
      :name="`traits.${t}`"
      :label="numbers[t]?.label ?? t"
      :unit="numbers[t]?.unit"
      :min="0"
      :max="numbers[t]?.most"
    />
    <EntryChoice
      v-else-if="isChoice(t)"
      :form="form"
      :name="`traits.${t}`"
      :label="choices[t].label"
      :options="choices[t].options"
    />
    <EntryTick v-else-if="t === 'used'" :form="form" name="traits.used">stripped of a dressing before</EntryTick>
    <EntryText v-else :form="form" :name="`traits.${t}`" :label="texts[t] ?? t" />
  </template>
</template>
