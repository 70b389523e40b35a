<script setup lang="ts">
import { computed } from "vue";
import type { Working } from "@kasten/contract/materials";
import { term } from "./format";

const props = defineProps<{ working: Working; depth?: number }>();
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
/** What went in, and what came about on the way. */
const lines = computed(() => [
  ...props.working.inputs.map((i) => ({ ...i, from: sourceWords(i.source) })),
  ...props.working.through.map((t) => ({ ...t, name: `→ ${t.name}`, from: "on the way" })),
]);
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
    <ul class="mt-1 text-[0.93rem]">
      <li
        v-for="l in lines"
        :key="l.name"
        class="grid grid-cols-[1fr_auto] items-baseline gap-x-3 border-b border-rule py-1"
      >
        <span>{{ l.name }}</span><span class="fig whitespace-nowrap"
          >{{ term(l.value, l.unit) }}<span class="unit">{{ l.unit }}</span></span
        ><span class="col-span-2 text-[0.88rem] text-soft">{{ l.from }}</span>
      </li>
    </ul>
    <WorkingTree v-for="(p, k) in working.parts ?? []" :key="k" :working="p" :depth="(depth ?? 0) + 1" />
  </section>
</template>
