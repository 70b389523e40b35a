<script setup lang="ts">
import { computed } from "vue";
import type { proportionsOf } from "@kasten/core/fly";
import { lengthFigure, units } from "../parts/units";

/** Lengths to set against the ruler, and those of the fly beside it. */
type Proportions = ReturnType<typeof proportionsOf>;
const props = defineProps<{ proportions: Proportions; beside?: Proportions }>();
const rows = computed(() =>
  props.proportions.map((p) => ({
    ...p,
    then: props.beside?.find((q) => q.step === p.step && q.kind === p.kind)?.mm,
  })),
);
</script>

<template>
  <table class="sheet">
    <thead>
      <tr>
        <th scope="col">Part</th>
        <th scope="col">Rule</th>
        <th scope="col" class="text-right">{{ units }}</th>
        <th v-if="beside" scope="col" class="text-right">right</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(p, i) in rows" :key="i">
        <th scope="row" class="!border-b !border-rule">
          {{ p.part }}<span v-if="p.kind === 'barb'" class="font-normal text-soft">, barbs</span>
        </th>
        <td class="text-soft">{{ p.rule }}</td>
        <td class="fig text-right text-lg">{{ lengthFigure(p.mm) }}</td>
        <td v-if="beside" class="fig text-right text-lg">
          {{ p.then === undefined ? "–" : lengthFigure(p.then) }}
        </td>
      </tr>
    </tbody>
  </table>
</template>
