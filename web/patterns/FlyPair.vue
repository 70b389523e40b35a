<script setup lang="ts">
import type { ComposedFly } from "@kasten/core/fly";
import type { Component, FlyChoice } from "@kasten/core/recipe";
import type { PatternEntry } from "@kasten/contract/patterns";
import type { Tied } from "./catalogue";
import ChoiceBar from "./ChoiceBar.vue";
import FlyPicture from "./FlyPicture.vue";

/** The fly, and beside it another choice of the same pattern where one is wanted. */
const props = defineProps<{
  id: string;
  entry: PatternEntry;
  sizes: string[];
  optional: Component[];
  choice: FlyChoice;
  fly?: ComposedFly;
  second?: Tied;
  inside: boolean;
  step?: string;
}>();
const other = defineModel<FlyChoice>({ required: true });
const titleOf = (of: FlyChoice): string => `${props.entry.name}, size ${of.size}, side view to scale`;
const ALONE_LETTERS = 50;
const PAIR_LETTERS = 38;
</script>

<template>
  <div class="grid gap-3" :class="{ 'lg:grid-cols-2': second }">
    <figure
      class="border border-rule bg-[var(--fly-ground)]"
      :class="second ? 'h-72 2xl:h-[26rem]' : 'h-64 md:h-[26rem] 2xl:h-[36rem]'"
    >
      <FlyPicture
        v-if="fly"
        :fly="fly"
        :seed="id"
        :title="titleOf(choice)"
        :inside="inside"
        measures
        :letters="second ? PAIR_LETTERS : ALONE_LETTERS"
        :step="step"
      />
    </figure>
    <div v-if="second">
      <figure class="h-72 border border-rule bg-[var(--fly-ground)] 2xl:h-[26rem]">
        <FlyPicture
          v-if="second.fly"
          :fly="second.fly"
          :seed="id"
          :title="titleOf(other)"
          :inside="inside"
          measures
          :letters="PAIR_LETTERS"
        />
      </figure>
      <ChoiceBar v-model="other" :entry="entry" :sizes="sizes" :optional="optional" class="mt-2" label="right" />
      <p v-if="second.fault" class="callout mt-2">{{ second.fault }}</p>
    </div>
  </div>
</template>
