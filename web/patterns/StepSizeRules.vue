<script setup lang="ts">
import { computed } from "vue";
import type { MaterialForm } from "@kasten/core/materials";
import { roomToMove, type Recipe, type RecipeStep, type Role } from "@kasten/core/recipe";
import { sayStep } from "@kasten/core/words";
import TextField from "../parts/TextField.vue";
import RowList from "../parts/RowList.vue";
import { sizeRuleOf, sizeRuleWords } from "./sizeRules";

/** Other quantities at other sizes, said in the words of the step. */
const step = defineModel<RecipeStep>({ required: true });
const props = defineProps<{ recipe: Recipe; role?: Role; form?: MaterialForm }>();
type Rule = NonNullable<RecipeStep["bySize"]>[number];
/** Between which places of the list the step may stand. */
const places = computed(() =>
  roomToMove(
    props.recipe,
    props.recipe.steps.findIndex((s) => s.id === step.value.id),
  ),
);
const fresh = (): Rule => ({ sizes: { from: props.recipe.sizes.to, to: props.recipe.sizes.to }, set: {} });
const setRules = (bySize: Rule[] | undefined): void => {
  step.value = { ...step.value, bySize } as RecipeStep;
};
</script>

<template>
  <RowList
    label="Other quantities at other sizes"
    add="a size rule"
    take-out="Take the size rule out"
    :fresh="fresh"
    :model-value="step.bySize"
    @update:model-value="setRules"
  >
    <template #default="{ row, set }">
      <span class="pt-2">sizes</span>
      <TextField
        class="w-16"
        label="from size"
        quiet
        mono
        :model-value="row.sizes.from"
        @update:model-value="set({ sizes: { ...row.sizes, from: $event ?? '' } })"
      />
      <span class="pt-2">to</span>
      <TextField
        class="w-16"
        label="to size"
        quiet
        mono
        :model-value="row.sizes.to"
        @update:model-value="set({ sizes: { ...row.sizes, to: $event ?? '' } })"
      />
      <TextField
        class="min-w-48 flex-1"
        label="how it is done at these sizes"
        quiet
        placeholder="4 fibres"
        :model-value="sizeRuleWords(step, row.set)"
        @update:model-value="set({ set: sizeRuleOf($event ?? '', step, role, form) })"
      />
    </template>
    <template #after>
      <span class="ml-2 text-[0.88rem] text-soft"
        >Now: {{ sayStep(step) }}. It may stand from place <span class="fig">{{ places.first + 1 }}</span> to
        <span class="fig">{{ places.last + 1 }}</span>.</span
      >
    </template>
  </RowList>
</template>
