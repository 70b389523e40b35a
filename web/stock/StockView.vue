<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from "vue";
import { fold } from "@kasten/core/orders";
import type { ReplyOf } from "@kasten/contract/http";
import { listDrawers, listStock } from "@kasten/contract/stock";
import { useRoute, useRouter } from "vue-router";
import { call, useRead } from "../http";
import DozenCount from "../parts/DozenCount.vue";
import { useGradually } from "../parts/useGradually";
import { MaterialForm, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";
import DataTable from "../parts/DataTable.vue";
import DrawerWall from "./DrawerWall.vue";
import FoundList from "./FoundList.vue";
const ArrangeWall = defineAsyncComponent(() => import("./ArrangeWall.vue"));
const DrawerLabel = defineAsyncComponent(() => import("./DrawerLabel.vue"));
const BobbinRack = defineAsyncComponent(() => import("./BobbinRack.vue"));
const FoundForm = defineAsyncComponent(() => import("./FoundForm.vue"));
import type { Column } from "../parts/column";

const { patterns } = useCatalogue();
const stock = useRead({ key: ["stock"], query: () => call(listStock) });
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
const drawers = useRead({ key: ["drawers"], query: () => call(listDrawers) });
const arranging = ref(false);
const items = computed(() => stock.data.value?.items ?? []);
const isAsked = computed(() => words.value.trim() !== "" || typeof route.query.drawer === "string");
/** Which drawers are shown: all, the one that was asked for, or those that hold what was typed. */
const only = computed(() => {
  if (!isAsked.value) return undefined;
  const wanted = fold(words.value).split(" ").filter(Boolean);
  const holding = items.value.filter((i) =>
    wanted.every((w) => fold(`${i.name} ${i.code} ${i.form} ${i.drawer}`).includes(w)),
  );
  const codes = new Set(holding.map((i) => i.drawer));
  return typeof route.query.drawer === "string" ? new Set([route.query.drawer]) : codes;
});
const one = computed(() => drawers.data.value?.drawers.find((d) => d.code === route.query.drawer));
const seen = useGradually(
  computed(() => (stock.data.value ? (drawers.data.value?.drawers ?? []) : [])),
  8,
);
async function kept(): Promise<void> {
  arranging.value = false;
  await drawers.refetch();
}
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
      ><button
        v-if="may('handle stock') && (drawers.data.value?.drawers.length ?? 0) > 0"
        class="btn"
        @click="arranging = !arranging"
      >
        Arrange the wall</button
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
  <ArrangeWall
    v-if="arranging && drawers.data.value"
    :drawers="drawers.data.value.drawers"
    @kept="kept"
    @leave="arranging = false"
  />
  <template v-else>
    <DrawerLabel
      v-if="one"
      class="mb-3"
      :code="one.code"
      :name="one.name"
      :materials="items.filter((i) => i.drawer === one?.code).map((i) => i.name)"
    />
    <DrawerWall :drawers="seen" :items="items" :only="only" />
  </template>
  <p v-if="stock.data.value && (items.length === 0 || only?.size === 0)" class="sheet p-4 text-soft">
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
    :rows="stock.data.value?.fliesOnShelf"
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
