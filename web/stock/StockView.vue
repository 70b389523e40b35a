<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { computed, defineAsyncComponent, ref } from "vue";
import { fold } from "@kasten/core/orders";
import type { ReplyOf } from "@kasten/contract/http";
import { listStock } from "@kasten/contract/stock";
import { useRoute, useRouter } from "vue-router";
import { call } from "../http";
import ColourSwatch from "../parts/ColourSwatch.vue";
import NumberWords from "../parts/NumberWords.vue";
import DozenCount from "../parts/DozenCount.vue";
import { quantity } from "../parts/format";
import { useGradually } from "../parts/useGradually";
import { MaterialForm, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";
import DataTable from "../parts/DataTable.vue";
import FoundList from "./FoundList.vue";
const BobbinRack = defineAsyncComponent(() => import("./BobbinRack.vue"));
const FoundForm = defineAsyncComponent(() => import("./FoundForm.vue"));
import type { Column } from "../parts/column";

const { patterns } = useCatalogue();
const stock = useQuery({ key: ["stock"], query: () => call(listStock) });
const route = useRoute();
const router = useRouter();
const { may } = useSession();
const adding = ref(false);
const naming = ref(false);
const words = ref("");
const foundList = ref<InstanceType<typeof FoundList>>();
/** A scanner types its code and Enter: what is just that is opened. */
const openFirst = (): void => void foundList.value?.openFirst();
const waiting = computed(() => stock.data.value?.waiting ?? []);
const columns = computed(() => {
  const wanted = fold(words.value).split(" ").filter(Boolean);
  const items = (stock.data.value?.items ?? []).filter((i) =>
    wanted.every((w) => fold(`${i.name} ${i.code} ${i.form} ${i.drawer}`).includes(w)),
  );
  const drawers = new Map<string, typeof items>();
  for (const i of items) drawers.set(i.drawer, [...(drawers.get(i.drawer) ?? []), i]);
  const one = typeof route.query.drawer === "string" ? route.query.drawer : undefined;
  return [...drawers].filter(([code]) => one === undefined || code === one);
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
      ><RouterLink class="btn" to="/stock-take">Stock-take</RouterLink
      ><button v-if="may('handle stock')" class="btn" @click="naming = !naming">Something unidentified</button
      ><button v-if="may('write patterns')" class="btn" @click="adding = !adding">New material</button
      ><label class="flex items-center gap-2"
        ><span class="text-soft">Find anything, or scan a code</span
        ><input v-model="words" type="search" class="field w-56" @keydown.enter="openFirst" /></label
    ></span>
  </div>
  <MaterialForm v-if="adding" @saved="router.push(`/stock/${$event}`)" @leave="adding = false" />
  <FoundForm v-if="naming" @leave="naming = false" />
  <FoundList v-if="words.trim().length > 1" ref="foundList" class="mb-3" :words="words" />
  <p v-if="waiting.length > 0" class="callout mb-3">
    <template v-for="(w, i) in waiting" :key="w.id"
      ><template v-if="i > 0">, </template><RouterLink class="link" :to="`/lots/${w.id}`">{{ w.code }}</RouterLink> of
      {{ w.material }}</template
    >
    {{ waiting.length === 1 ? "was" : "were" }} kept apart until now: look at
    {{ waiting.length === 1 ? "it" : "them" }} and let {{ waiting.length === 1 ? "it" : "them" }} join the drawer.
  </p>
  <p v-if="route.query.drawer" class="mb-2">
    Only drawer <b class="fig">{{ route.query.drawer }}</b>.
    <RouterLink class="link" to="/stock">The whole cabinet</RouterLink>
  </p>
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
  <p class="mt-3 flex flex-wrap gap-4 text-[0.94rem]">
    <a class="link" href="/api/lots.csv">All lots as a file (CSV)</a>
    <a class="link" href="/api/movements.csv?days=90">Movements of the last 90 days as a file (CSV)</a>
    <a class="link" href="/api/counts.csv?days=90">Counts of the last 90 days as a file (CSV)</a>
    <a class="link" href="/api/prices.csv">Price lists of all suppliers as a file (CSV)</a>
  </p>
  <BobbinRack class="mt-6" />
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
