<script setup lang="ts">
import { workingOf, type Requirement } from "@kasten/core/needs";
import type { ComposedFly } from "@kasten/core/fly";
import type { FlyChoice } from "@kasten/core/recipe";
import type { Working } from "@kasten/contract/materials";
import NumberWords from "../parts/NumberWords.vue";
import { quantity } from "../parts/format";
import { useWorking } from "../parts/working";
import { DOZEN } from "./usePattern";

/** What a dozen takes, each quantity with its working. */
const props = defineProps<{
  id: string;
  choice: FlyChoice;
  fly?: ComposedFly;
  materials: Requirement[];
  /** What the recipe leaves open, in words, by requirement. */
  open: Map<string, string>;
}>();
const panel = useWorking();
function show(r: Requirement): void {
  if (props.fly)
    panel.show({
      title: `${r.role}, ${r.materialName}, for a dozen`,
      words: r.words,
      working: workingOf(r, props.fly, DOZEN) as Working,
      fly: { pattern: props.id, ...props.choice },
    });
}
</script>

<template>
  <table class="sheet">
    <thead class="sr-only">
      <tr>
        <th scope="col">Part</th>
        <th scope="col">Material</th>
        <th scope="col">Quantity</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in materials" :key="r.key">
        <th scope="row" class="!border-b !border-rule">{{ r.role }}{{ r.side ? ` ${r.side}` : "" }}</th>
        <td>
          {{ r.materialName }}<span class="block text-[0.88rem] text-soft"><NumberWords :words="r.words" /></span
          ><span v-if="open.get(r.key)" class="block text-[0.88rem] text-soft"
            ><NumberWords :words="open.get(r.key) ?? ''"
          /></span>
        </td>
        <td class="whitespace-nowrap text-right">
          <button class="num text-lg" :aria-label="`Working of ${r.role}`" @click="show(r)">
            {{ quantity(r.issue, r.unit) }}
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>
