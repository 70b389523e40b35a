<script setup lang="ts">
import { computed } from "vue";
import { questionsOf } from "@kasten/core/methods";
import { moments, type Check, type Recipe, type RecipeStep } from "@kasten/core/recipe";
import ListBox from "../parts/ListBox.vue";
import { optionsOf, type Option } from "../parts/option";
import RowList from "../parts/RowList.vue";
import TextField from "../parts/TextField.vue";
import { wordsByComma } from "../parts/fields";
import { useCatalogue } from "./catalogue";
import DoubtField from "./DoubtField.vue";
import StepOrder from "./StepOrder.vue";
import StepSizeRules from "./StepSizeRules.vue";
import StepWays from "./StepWays.vue";
import StepWork from "./StepWork.vue";

/** What the words of a step do not say: instruction, caution, checks, order, schools, size rules. */
const step = defineModel<RecipeStep>({ required: true });
const props = defineProps<{ recipe: Recipe }>();
const { materials } = useCatalogue();
const set = (change: Partial<RecipeStep>): void => {
  step.value = { ...step.value, ...change } as RecipeStep;
};
const component = computed(() => props.recipe.components.find((c) => c.id === step.value.component));
const facts = computed(() => ({
  step: step.value,
  role: component.value?.role,
  form: materials.value.get(component.value?.material[0]?.value ?? "")?.form,
  recipe: props.recipe,
}));
const views: Option<"do" | "avoid">[] = [
  { value: "do", label: "do it" },
  { value: "avoid", label: "avoid it" },
];
const questions = computed(() => questionsOf(facts.value));
</script>

<template>
  <fieldset class="grid gap-3 border border-rule p-3 md:grid-cols-2">
    <legend class="px-1 font-semibold">The step</legend>
    <TextField
      label="Its name"
      :model-value="step.name"
      @update:model-value="set({ name: $event?.slice(0, 80) ?? step.name })"
    />
    <TextField
      label="Skills it needs, by comma"
      :model-value="(step.skills ?? []).join(', ')"
      @update:model-value="set({ skills: wordsByComma($event) })"
    />
    <TextField
      label="How to do it"
      :rows="2"
      :model-value="step.instruction"
      @update:model-value="set({ instruction: $event })"
    />
    <TextField
      label="Caution, where the hazard is"
      :rows="2"
      :model-value="step.caution"
      @update:model-value="set({ caution: $event })"
    />
    <TextField
      label="What it guards against, so that nothing takes it away unseen"
      placeholder="locks the hackle"
      :model-value="step.guard"
      @update:model-value="set({ guard: $event })"
    />
    <StepOrder v-model="step" :recipe="recipe" />
    <StepWork v-model="step" :recipe="recipe" :role="facts.role" :form="facts.form" />
    <DoubtField class="md:col-span-2" :model-value="step.doubt" @update:model-value="set({ doubt: $event })" />
    <RowList
      class="md:col-span-2"
      label="What is said for it and against it; no verdict"
      add="a view"
      take-out="Take this view out"
      :fresh="() => ({ says: 'do', because: '' }) as NonNullable<RecipeStep['views']>[number]"
      :model-value="step.views"
      @update:model-value="set({ views: $event })"
    >
      <template #default="{ row, set: change }">
        <ListBox
          label="for or against"
          quiet
          :options="views"
          :model-value="row.says"
          @update:model-value="change({ says: $event })"
        /><TextField
          class="min-w-48 flex-1"
          label="why"
          quiet
          placeholder="because"
          :model-value="row.because"
          @update:model-value="change({ because: $event ?? '' })"
        /><TextField
          class="w-36"
          label="who says so"
          quiet
          placeholder="who says so"
          :most="80"
          :model-value="row.by"
          @update:model-value="change({ by: $event })"
        />
      </template>
    </RowList>
    <StepWays v-if="questions.length > 0" v-model="step" class="md:col-span-2" :facts="facts" :questions="questions" />
    <StepSizeRules v-model="step" class="md:col-span-2" :recipe="recipe" :role="facts.role" :form="facts.form" />
    <RowList
      class="md:col-span-2"
      label="Checks on the master fly"
      add="a check"
      take-out="Take the check out"
      :fresh="() => ({ feature: '', when: 'finished' }) as Check"
      :model-value="step.checks"
      @update:model-value="set({ checks: $event })"
    >
      <template #default="{ row, set: change }">
        <TextField
          class="min-w-48 flex-1"
          label="what is looked at"
          quiet
          :model-value="row.feature"
          @update:model-value="change({ feature: $event ?? '' })"
        /><ListBox
          label="when"
          quiet
          :options="optionsOf(moments)"
          :model-value="row.when"
          @update:model-value="change({ when: $event })"
        /><TextField
          class="w-32"
          label="how strictly"
          quiet
          placeholder="strict, loose"
          :model-value="row.tolerance"
          @update:model-value="change({ tolerance: $event })"
        />
      </template>
    </RowList>
  </fieldset>
</template>
