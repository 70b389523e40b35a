<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { computed, ref } from "vue";
import { listNeeds } from "@kasten/contract/materials";
import { call } from "../http";
import ColourSwatch from "../parts/ColourSwatch.vue";
import NumberWords from "../parts/NumberWords.vue";
import { day, money, quantity } from "../parts/format";
import { useGradually } from "../parts/useGradually";

const needs = useQuery({ key: ["needs"], query: () => call(listNeeds) });
const onlyShort = ref(false);
const rows = computed(() => (needs.data.value?.needs ?? []).filter((n) => !onlyShort.value || n.short > 0));
const seen = useGradually(rows);
const short = computed(() => (needs.data.value?.needs ?? []).filter((n) => n.short > 0).length);
/** How far what is there goes, as a bar: reserved, free, and what is missing. */
const share = (part: number, whole: number) => `${Math.max(0, Math.min(100, (100 * part) / Math.max(1, whole)))}%`;
</script>

<template>
  <div class="mb-3 flex flex-wrap items-baseline justify-between gap-2">
    <h1>Materials for the open batches</h1>
    <label class="flex items-center gap-2"
      ><input v-model="onlyShort" type="checkbox" class="h-5 w-5" />only the
      <b class="fig" :class="{ 'text-call': short > 0 }">{{ short }}</b> that are short</label
    >
  </div>
  <div class="sheet overflow-x-auto">
    <table>
      <thead>
        <tr>
          <th scope="col">Drawer</th>
          <th scope="col">Material</th>
          <th scope="col" class="text-right">Needed</th>
          <th scope="col" class="text-right">In drawers</th>
          <th scope="col" class="text-right">Reserved</th>
          <th scope="col" class="w-36"><span class="sr-only">Covered</span></th>
          <th scope="col">What to do</th>
          <th scope="col">Batches</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="n in seen" :key="n.material + (n.side ?? '')">
          <td class="fig">{{ n.drawer }}</td>
          <td>
            <ColourSwatch :colour="n.colour" class="mr-1.5" /><RouterLink class="link" :to="`/stock/${n.material}`">{{
              n.materialName
            }}</RouterLink
            ><span v-if="n.side" class="tag ml-1">{{ n.side }}</span>
          </td>
          <td class="fig whitespace-nowrap text-right text-lg"><NumberWords :words="quantity(n.need, n.unit)" /></td>
          <td class="fig whitespace-nowrap text-right"><NumberWords :words="quantity(n.inDrawers, n.unit)" /></td>
          <td class="fig whitespace-nowrap text-right">{{ n.reserved > 0 ? quantity(n.reserved, n.unit) : "" }}</td>
          <td>
            <svg viewBox="0 0 100 8" preserveAspectRatio="none" class="h-2.5 w-full" aria-hidden="true">
              <rect width="100" height="8" fill="var(--well)" />
              <rect :width="share(n.need - n.short, n.need)" height="8" fill="var(--rule-strong)" />
              <rect :width="share(n.reserved, n.need)" height="8" fill="var(--deep)" />
            </svg>
          </td>
          <td class="max-w-80 text-[0.93rem]">
            <template v-if="n.short > 0"
              ><span class="tag tag-call">short {{ quantity(n.short, n.unit) }}</span>
              <template v-if="n.proposal"
                >Order <b class="fig">{{ n.proposal.packs }} × {{ n.proposal.packWords }}</b> from
                {{ n.proposal.supplier }}, {{ money(n.proposal.priceCents) }}: here by
                <b>{{ day(n.proposal.arrives) }}</b></template
              ><template v-else-if="n.milled"
                >Mill it from its parts: log the milling on batch {{ n.batches[0]?.number }}</template
              ><template v-else>Find a supplier.</template></template
            ><span v-else class="text-soft">covered</span>
          </td>
          <td class="fig text-[0.9rem]">
            <RouterLink
              v-for="b in n.batches.slice(0, 6)"
              :key="b.id"
              class="link mr-1 inline-block min-h-[24px] min-w-[28px] text-center"
              :to="`/batches/${b.id}`"
              :title="`${b.pattern}: ${quantity(b.issue, n.unit)}, due ${day(b.due)}`"
              >{{ b.number }}</RouterLink><span v-if="n.batchCount > 6" class="text-soft"
              >+ {{ n.batchCount - 6 }}</span
            >
          </td>
        </tr>
        <tr v-if="needs.data.value && rows.length === 0">
          <td colspan="8" class="!py-6 text-soft">
            {{ onlyShort ? "Nothing is short." : "No open batch needs anything." }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <p class="mt-2 text-[0.9rem] text-soft">
    Earlier batches take first. Open a batch to reserve its lots and print its pull sheet; when a delivery comes,
    receive it in the material’s drawer.
  </p>
</template>
