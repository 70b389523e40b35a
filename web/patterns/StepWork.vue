<script setup lang="ts">
import { computed } from "vue";
import type { MaterialForm } from "@kasten/core/materials";
import type { Recipe, RecipeStep, Role } from "@kasten/core/recipe";
import NumberField from "../parts/NumberField.vue";
import OneOf from "../parts/OneOf.vue";
import TextField from "../parts/TextField.vue";
import TickBox from "../parts/TickBox.vue";

/** What only some kinds of step have: a bundle carried on, glue, levelling, the rotary vise. */
const step = defineModel<RecipeStep>({ required: true });
const props = defineProps<{ recipe: Recipe; role?: Role; form?: MaterialForm }>();
const set = (change: Partial<RecipeStep> | Record<string, unknown>): void => {
  step.value = { ...step.value, ...change } as RecipeStep;
};
const laid = computed(() => props.recipe.steps.filter((s) => s.id !== step.value.id && s.do === "lay"));
const glues = computed(() =>
  props.recipe.components.filter((c) => c.role === "finish").map((c) => ({ id: c.id, name: c.id })),
);
const MINUTES_USUAL = 0.3;
</script>

<template>
  <OneOf
    v-if="step.do === 'wind'"
    label="Carries on the bundle of"
    none="a material of its own"
    :options="laid"
    :model-value="step.carries"
    @update:model-value="set({ carries: $event })"
  />
  <OneOf
    v-if="step.do === 'seat' && role === 'eyes'"
    label="Glue that may fix it"
    none="none"
    :options="glues"
    :model-value="step.glue"
    @update:model-value="set({ glue: $event })"
  />
  <template v-if="step.do === 'wind' && (form === 'thread' || form === 'floss')">
    <TickBox :model-value="step.levels !== undefined" @update:model-value="set({ levels: $event ? {} : undefined })"
      >it levels what lies under the body</TickBox
    >
    <OneOf
      v-if="step.levels"
      label="Butts that could do it instead"
      none="none"
      :options="laid"
      :model-value="step.levels.butts"
      @update:model-value="set({ levels: $event ? { butts: $event } : {} })"
    />
  </template>
  <TextField
    label="Turned in a rotary vise: what is done in a fixed one"
    placeholder="pass the bobbin over the hook"
    :model-value="step.rotary?.fixedWay"
    @update:model-value="
      set({ rotary: $event ? { fixedWay: $event, minutes: step.rotary?.minutes ?? MINUTES_USUAL } : undefined })
    "
  />
  <NumberField
    v-if="step.rotary"
    label="Minutes that it takes more"
    :min="0"
    :max="60"
    :step="0.1"
    :model-value="step.rotary.minutes"
    @update:model-value="set({ rotary: { fixedWay: step.rotary.fixedWay, minutes: $event ?? 0 } })"
  />
</template>
