<script setup lang="ts">
import type { Working } from "@kasten/contract/materials";
import { term } from "./format";

defineProps<{ working: Working; depth?: number }>();
type Source = Working["inputs"][number]["source"];
function sourceWords(s: Source): string {
  switch (s.from) {
    case "measured":
      return `measured, ${s.where ?? ""}`;
    case "nominal":
      return "nominal: not measured here";
    case "pattern":
      return `from the pattern: ${s.where ?? ""}`;
    case "material":
      return s.where ?? "from the material";
    case "learned":
      return `learned from ${s.batches ?? 0} ${s.batches === 1 ? "batch" : "batches"}`;
    case "setting":
      return "setting, or the prior";
    case "order":
      return s.where ?? "from the order";
    default:
      return "computed";
  }
}
</script>

<template>
  <section :class="depth ? 'mt-3 border-l-2 border-rule pl-3' : ''">
    <p class="font-semibold">
      {{ working.result.name }}
      <span class="fig text-lg">{{ term(working.result.value, working.result.unit) }}</span><span class="unit">{{
        working.result.unit
      }}</span>
    </p>
    <p class="text-soft">
      {{ working.formula }}: <span class="fig text-[0.92em]">{{ working.written }}</span>
    </p>
    <p v-if="working.entered" class="text-soft">as entered: {{ working.entered }}</p>
    <table class="mt-1 text-[0.93rem]">
      <thead class="sr-only">
        <tr>
          <th scope="col">Input</th>
          <th scope="col">Value</th>
          <th scope="col">Where it is from</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="i in working.inputs" :key="i.name">
          <th scope="row" class="!border-b !border-rule !font-normal !text-ink">{{ i.name }}</th>
          <td class="fig whitespace-nowrap text-right">
            {{ term(i.value, i.unit) }}<span class="unit">{{ i.unit }}</span>
          </td>
          <td class="text-[0.86rem] text-soft">{{ sourceWords(i.source) }}</td>
        </tr>
        <tr v-for="t in working.through" :key="t.name">
          <th scope="row" class="!border-b !border-rule !font-normal !text-ink">→ {{ t.name }}</th>
          <td class="fig whitespace-nowrap text-right">
            {{ term(t.value, t.unit) }}<span class="unit">{{ t.unit }}</span>
          </td>
          <td class="text-[0.86rem] text-soft">on the way</td>
        </tr>
      </tbody>
    </table>
    <WorkingTree v-for="(p, k) in working.parts ?? []" :key="k" :working="p" :depth="(depth ?? 0) + 1" />
  </section>
</template>
