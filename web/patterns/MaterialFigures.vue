<script setup lang="ts">
import { computed } from "vue";
import type { Material } from "@kasten/core/materials";
import { fieldsOf, figureAt, softened, withFigure } from "./materialDraft";
import ListBox from "../parts/ListBox.vue";
import NumberField from "../parts/NumberField.vue";
import TickBox from "../parts/TickBox.vue";
import { optionsOf, orNone } from "../parts/option";

/** The figures that a material of this form is computed with; nominal until somebody has measured. */
const m = defineModel<Material>({ required: true });
const fields = computed(() => fieldsOf(m.value.form));
</script>

<template>
  <fieldset class="flex flex-wrap items-end gap-3">
    <legend class="label">Figures{{ m.measured ? ", measured here" : ", nominal until measured" }}</legend>
    <NumberField
      v-for="f in fields"
      :key="f.path"
      class="w-28"
      :label="f.unit ? `${f.label}, ${f.unit}` : f.label"
      :min="0"
      :model-value="figureAt(m, f)"
      @update:model-value="m = withFigure(m, f, $event)"
    />
    <ListBox
      v-if="m.thread"
      v-model="m.thread.fibre"
      class="w-36"
      label="fibre"
      :options="optionsOf(['polyester', 'nylon', 'gel-spun'] as const)"
    />
    <template v-if="m.liquid"
      ><ListBox
        v-model="m.liquid.kind"
        class="w-32"
        label="kind"
        :options="optionsOf(['lacquer', 'resin', 'glue'] as const)" /><ListBox
        v-if="m.liquid.kind === 'glue'"
        v-model="m.liquid.body"
        class="w-32"
        label="thin or gel"
        :options="orNone('not said', optionsOf(['thin', 'gel'] as const))"
    /></template>
    <label v-if="m.prepLoss"
      ><span class="label">what is lost there</span
      ><input v-model="m.prepLoss.what" class="field w-44" maxlength="80" placeholder="underfur combed out"
    /></label>
    <TickBox
      v-if="m.feather"
      class="min-h-9"
      :model-value="m.feather.soft === true"
      @update:model-value="m = softened(m, $event === true)"
      >soft: one feather, one fly</TickBox
    >
    <TickBox v-model="m.measured" class="min-h-9">measured here</TickBox>
  </fieldset>
</template>
