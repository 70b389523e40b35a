<script setup lang="ts">
import { computed } from "vue";
import type { Material } from "@kasten/core/materials";
import { textOf } from "../parts/fields";
import { fieldsOf, figureAt, withFigure, type FigureField } from "./materialDraft";

/** The figures that a material of this form is computed with; nominal until somebody has measured. */
const m = defineModel<Material>({ required: true });
const fields = computed(() => fieldsOf(m.value.form));
function setFigure(field: FigureField, event: Event): void {
  const typed = textOf(event).trim();
  const value = typed === "" ? undefined : Number(typed);
  if (value === undefined || Number.isFinite(value)) m.value = withFigure(m.value, field, value);
}
</script>

<template>
  <fieldset class="flex flex-wrap items-end gap-3">
    <legend class="label">Figures{{ m.measured ? ", measured here" : ", nominal until measured" }}</legend>
    <label v-for="f in fields" :key="f.path"
      ><span class="label"
        >{{ f.label }}<span v-if="f.unit">, {{ f.unit }}</span></span
      ><input
        class="field fig w-24"
        type="number"
        min="0"
        step="any"
        :value="figureAt(m, f)"
        @change="setFigure(f, $event)"
    /></label>
    <label v-if="m.thread"
      ><span class="label">fibre</span
      ><select v-model="m.thread.fibre" class="field">
        <option>polyester</option>
        <option>nylon</option>
        <option>gel-spun</option>
      </select></label
    >
    <template v-if="m.liquid"
      ><label
        ><span class="label">kind</span
        ><select v-model="m.liquid.kind" class="field">
          <option>lacquer</option>
          <option>resin</option>
          <option>glue</option>
        </select></label
      ><label v-if="m.liquid.kind === 'glue'"
        ><span class="label">thin or gel</span
        ><select v-model="m.liquid.body" class="field">
          <option :value="undefined">not said</option>
          <option>thin</option>
          <option>gel</option>
        </select></label
      ></template
    >
    <label v-if="m.prepLoss"
      ><span class="label">what is lost there</span
      ><input v-model="m.prepLoss.what" class="field w-44" maxlength="80" placeholder="underfur combed out"
    /></label>
    <label class="flex items-center gap-2"
      ><input v-model="m.measured" type="checkbox" class="h-5 w-5" />measured here</label
    >
  </fieldset>
</template>
