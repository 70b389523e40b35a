<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { computed, ref } from "vue";
import { fold } from "@kasten/core/orders";
import type { ReplyOf } from "@kasten/contract/http";
import { listStock } from "@kasten/contract/stock";
import { useRouter } from "vue-router";
import { call } from "../http";
import ColourSwatch from "../parts/ColourSwatch.vue";
import NumberWords from "../parts/NumberWords.vue";
import DozenCount from "../parts/DozenCount.vue";
import { quantity } from "../parts/format";
import { useGradually } from "../parts/useGradually";
import { MaterialForm, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";

const { patterns } = useCatalogue();
const stock = useQuery({ key: ["stock"], query: () => call(listStock) });
const router = useRouter();
const { may } = useSession();
const adding = ref(false);
const words = ref("");
const columns = computed(() => {
  const wanted = fold(words.value).split(" ").filter(Boolean);
  const items = (stock.data.value?.items ?? []).filter((i) =>
    wanted.every((w) => fold(`${i.name} ${i.code} ${i.form} ${i.drawer}`).includes(w)),
  );
  const drawers = new Map<string, typeof items>();
  for (const i of items) drawers.set(i.drawer, [...(drawers.get(i.drawer) ?? []), i]);
  return [...drawers];
});
const seen = useGradually(columns, 4);
const short = (i: { needed: number; quantity: number }) => i.needed > i.quantity;
type Shelf = ReplyOf<typeof listStock>["fliesOnShelf"][number];
const shelf: Column<Shelf>[] = [
  { id: "fly", head: "Fly", lead: true, value: (f) => `${f.patternName} ${f.size}` },
  { id: "colour", head: "Colour", value: (f) => variantName(patterns.value.get(f.pattern), f.variant) },
  { id: "there", head: "There", end: true, value: (f) => f.quantity },
  { id: "by", head: "Put by for orders", end: true, value: (f) => f.reserved || undefined },
];
</script>

<template>
  <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3">
    <h1>The cabinet</h1>
    <span class="flex flex-wrap items-center gap-4"
      ><button v-if="may('write patterns')" class="btn" @click="adding = !adding">New material</button
      ><label class="flex items-center gap-2"
        ><span class="text-soft">Find a material or a drawer</span
        ><input v-model="words" type="search" class="field w-56" /></label
    ></span>
  </div>
  <MaterialForm v-if="adding" @saved="router.push(`/stock/${$event}`)" @leave="adding = false" />
  <div class="wall">
    <section v-for="[drawer, items] in seen" :key="drawer" class="front" :aria-label="`Drawer ${drawer}`">
      <h2 class="plate fig">{{ drawer }}</h2>
      <ul>
        <li v-for="i in items" :key="i.code" class="py-0.5">
          <RouterLink
            :to="`/stock/${i.code}`"
            class="grid min-h-[24px] grid-cols-[auto_1fr_auto] items-baseline gap-x-2 py-0.5 hover:text-deep"
            ><ColourSwatch :colour="i.colour" /><span class="truncate" :title="i.name">{{ i.name }}</span
            ><b class="fig whitespace-nowrap"><NumberWords :words="quantity(i.quantity, i.unit)" /></b
          ></RouterLink>
          <p
            v-if="i.coversDozens !== null"
            class="pl-5 text-[0.85rem]"
            :class="short(i) ? 'font-semibold text-call' : 'text-soft'"
          >
            {{ short(i) ? "runs out after" : "covers all" }} <span class="fig">{{ i.coversDozens.toFixed(0) }}</span> dz
            of the coming work
          </p>
        </li>
      </ul>
    </section>
  </div>
  <p v-if="stock.data.value && columns.length === 0" class="sheet p-4 text-soft">
    {{
      stock.data.value.items.length > 0
        ? "No drawer holds that."
        : "The cabinet is empty. Describe a material, or take in a file of them from the Room; then receive or count in what lies there."
    }}
  </p>
  <h2 class="mb-1 mt-6">Finished flies on the shelf</h2>
  <DataTable
    name="shelf"
    label="Finished flies on the shelf"
    :rows="stock.data.value?.fliesOnShelf ?? []"
    :columns="shelf"
    :row-key="(f) => f.pattern + f.size + f.variant + f.form"
  >
    <template #cell-fly="{ row: f }"
      >{{ f.patternName }} <b class="fig">{{ f.size }}</b></template
    >
    <template #cell-there="{ row: f }"><DozenCount :flies="f.quantity" /></template>
    <template #cell-by="{ row: f }"><DozenCount v-if="f.reserved" :flies="f.reserved" /></template>
    <template #empty
      >None. Good flies beyond what is owed come here, and the next order takes from here first.</template
    >
  </DataTable>
</template>

<style scoped>
.wall {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(15.5rem, 1fr));
  gap: 3px;
  background: var(--rule-strong);
  border: 3px solid var(--rule-strong);
}
.front {
  background: var(--sheet);
  padding: 0.4rem 0.7rem 0.6rem;
  font-size: 0.95rem;
}
.plate {
  display: inline-block;
  border: 1px solid var(--rule-strong);
  border-top: none;
  margin: -0.4rem 0 0.3rem;
  padding: 0 0.7rem;
  background: var(--well);
  font-size: 0.95rem;
}
</style>
