<script setup lang="ts">
import type { BatchDetail } from "@kasten/contract/batches";
import type { RequirementData } from "@kasten/contract/materials";
import ColourSwatch from "../parts/ColourSwatch.vue";
import NumberWords from "../parts/NumberWords.vue";
import { quantity } from "../parts/format";
import { useWorking } from "../parts/working";

const props = defineProps<{ batch: BatchDetail }>();
const panel = useWorking();
const reservedOf = (r: RequirementData) => r.reserved.reduce((n, x) => n + x.quantity, 0);
function show(r: RequirementData): void {
  const { pattern, size, variant, form } = props.batch;
  panel.show({
    title: `${r.role}, ${r.materialName}`,
    words: r.words,
    working: r.working,
    fly: { pattern, size, variant, form },
  });
}
</script>

<template>
  <div class="sheet overflow-x-auto">
    <table>
      <thead>
        <tr>
          <th scope="col">Part</th>
          <th scope="col">Material</th>
          <th scope="col">Issue</th>
          <th scope="col">In bench words</th>
          <th scope="col" class="text-right">Free in drawers</th>
          <th scope="col">Reserved</th>
          <th scope="col">What to do</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in batch.requirements" :key="r.key">
          <th scope="row" class="!border-b !border-rule !text-[0.94rem]">
            {{ r.role }}<span v-if="r.side"> {{ r.side }}</span>
          </th>
          <td>
            <ColourSwatch :colour="r.colour" class="mr-1.5" /><RouterLink class="link" :to="`/stock/${r.material}`">{{
              r.materialName
            }}</RouterLink
            ><span v-if="r.lead" class="tag tag-call ml-1">lead</span>
          </td>
          <td class="whitespace-nowrap">
            <button
              class="num text-lg"
              :aria-label="`Working of ${r.role}: ${quantity(r.issue, r.unit)}`"
              @click="show(r)"
            >
              <NumberWords :words="quantity(r.issue, r.unit)" />
            </button>
          </td>
          <td class="text-[0.94rem]"><NumberWords :words="r.words" /></td>
          <td class="fig whitespace-nowrap text-right"><NumberWords :words="quantity(r.free, r.unit)" /></td>
          <td class="text-[0.92rem]">
            <span v-for="x in r.reserved" :key="x.lot" class="block whitespace-nowrap"
              ><span class="fig"><NumberWords :words="quantity(x.quantity, r.unit)" /></span> {{ x.place }}
              <span class="text-soft">{{ x.lotCode }}{{ x.dyeLot ? `, dye lot ${x.dyeLot}` : "" }}</span></span
            ><span v-if="r.pulled > 0" class="tag tag-done">in the kit {{ quantity(r.pulled, r.unit) }}</span>
          </td>
          <td class="max-w-64 text-[0.92rem]">
            <template v-if="r.short > 0"
              ><span class="tag tag-call">short {{ quantity(r.short, r.unit) }}</span> {{ r.remedy }}</template
            ><span v-else-if="reservedOf(r) + r.pulled >= r.issue" class="text-done">ready</span
            ><span v-else class="text-soft">reserve it</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
