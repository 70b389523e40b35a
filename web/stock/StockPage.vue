<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { computed, defineAsyncComponent, ref } from "vue";
import { threadNumberOf } from "@kasten/core/materials";
import { readOutlook, readStock } from "@kasten/contract/stock";
import { call, tellUnread } from "../http";
import ColourSwatch from "../parts/ColourSwatch.vue";
import NumberWords from "../parts/NumberWords.vue";
import TabSet from "../parts/TabSet.vue";
import { money, quantity } from "../parts/format";
import { MaterialForm, useCatalogue } from "../patterns";
import { useSession } from "../team";
import { fliesLeftWords } from "./fliesLeft";
import LotTable from "./LotTable.vue";
import MovementTable from "./MovementTable.vue";
const RunwayChart = defineAsyncComponent(() => import("./RunwayChart.vue"));
const FeatherShare = defineAsyncComponent(() => import("./FeatherShare.vue"));
const SourcesForm = defineAsyncComponent(() => import("./SourcesForm.vue"));
const IdentifyForm = defineAsyncComponent(() => import("./IdentifyForm.vue"));
const SalvageForm = defineAsyncComponent(() => import("./SalvageForm.vue"));
const CountInForm = defineAsyncComponent(() => import("./CountInForm.vue"));

const ReceiveForm = defineAsyncComponent(() => import("./ReceiveForm.vue"));

const props = defineProps<{ id: string }>();
const { may } = useSession();
const stock = useQuery({
  key: () => ["material", props.id],
  query: () => call(readStock, { params: { id: props.id } }),
});
const m = computed(() => stock.data.value);
const outlook = useQuery({
  key: () => ["material", props.id, "outlook"],
  query: () => call(readOutlook, { params: { id: props.id } }),
});
// What is wrong with the material itself is said where it would stand.
tellUnread(
  computed(() => (stock.error.value ? null : outlook.error.value)),
  outlook.refetch,
);
const share = computed(() => outlook.data.value?.share);
const { materials } = useCatalogue();
const material = computed(() => materials.value.get(m.value?.code ?? ""));
const thread = computed(() => material.value?.thread);
const editing = ref(false);
const side = ref("receive");
const sides = computed(() => [
  { id: "receive", label: "Receive a delivery" },
  { id: "count", label: "Count in what lies there" },
  ...(["hook", "bead"].includes(m.value?.form ?? "") ? [{ id: "salvage", label: "Stripped of a dressing" }] : []),
  { id: "sources", label: "Where it is bought" },
]);
async function known(): Promise<void> {
  editing.value = false;
  await stock.refetch();
}
</script>

<template>
  <template v-if="m">
    <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3">
      <h1>
        <ColourSwatch :colour="m.colour" class="mr-2 !h-5 !w-5" />{{ m.name }}
        <span class="fig font-normal text-soft">{{ m.code }}</span>
      </h1>
      <p class="flex items-baseline gap-4">
        <button
          v-if="material && material.form !== 'hook' && may('write patterns')"
          class="btn"
          @click="editing = !editing"
        >
          {{ editing ? "Leave it" : "Change what is known" }}</button><span
          >drawer <b class="fig">{{ m.drawer }}</b></span
        >
      </p>
    </div>
    <MaterialForm
      v-if="editing && material"
      :key="material.code"
      :material="material"
      @saved="known"
      @leave="editing = false"
    />
    <IdentifyForm v-if="material?.standing === 'unidentified' && may('handle stock')" :stock="m" />
    <p v-if="thread" class="mb-3">
      <span class="fig">{{ thread.denier }}</span> denier, about {{ threadNumberOf(thread.denier) }} in the older
      numbers, which differ from maker to maker.
    </p>
    <p v-if="m.caution" class="callout mb-3">{{ m.caution }} Local law and the maker’s data sheet go first.</p>
    <dl class="mb-4 flex flex-wrap gap-x-10 gap-y-1">
      <div>
        <dt class="text-soft">In drawers</dt>
        <dd class="fig text-3xl"><NumberWords :words="quantity(m.quantity, m.unit)" /></dd>
      </div>
      <div>
        <dt class="text-soft">Reserved</dt>
        <dd class="fig text-3xl"><NumberWords :words="quantity(m.reserved, m.unit)" /></dd>
      </div>
      <div v-if="m.coversDozens !== null">
        <dt class="text-soft">The coming work needs</dt>
        <dd class="fig text-3xl" :class="{ 'text-call': m.needed > m.quantity }">
          <NumberWords :words="quantity(m.needed, m.unit)" />
        </dd>
      </div>
      <div v-if="m.fliesLeft">
        <dt class="text-soft">Flies left in it</dt>
        <dd>{{ fliesLeftWords(m.fliesLeft) }}</dd>
      </div>
      <div v-if="m.skinYield">
        <dt class="text-soft">One skin gave, over {{ m.skinYield.skins }}</dt>
        <dd>
          <template v-for="(c, i) in m.skinYield.classes" :key="c.fromMm + '–' + c.toMm"
            ><template v-if="i > 0">, </template><b class="fig">{{ c.perSkin.toFixed(0) }}</b> of {{ c.fromMm }}–{{
              c.toMm
            }}
            mm</template
          >
        </dd>
      </div>
      <div v-for="s in m.sources" :key="s.supplier">
        <dt class="text-soft">{{ s.supplier }}</dt>
        <dd>
          {{ money(s.priceCents) }} for {{ s.packWords }}, here in <span class="fig">{{ s.leadDays }}</span> days
        </dd>
      </div>
    </dl>
    <section v-if="outlook.data.value" class="mb-4" aria-label="Against time">
      <h2 class="mb-1">Against time</h2>
      <RunwayChart :outlook="outlook.data.value" :unit="m.unit" />
    </section>
    <section v-if="share && share.demands.length > 0" class="mb-4" aria-label="Who gets which feathers">
      <h2 class="mb-1">Who gets which feathers</h2>
      <FeatherShare :share="share" />
    </section>
    <h2 class="mb-1">Lots</h2>
    <LotTable class="mb-4" :stock="m" :today="outlook.data.value?.today ?? ''" />
    <TabSet v-if="may('handle stock')" v-model="side" class="sheet mb-5 p-3" label="Into the drawer" :tabs="sides">
      <template #receive
        ><ReceiveForm :code="m.code" :form="m.form" :unit="m.unit" @received="stock.refetch"
      /></template>
      <template #count
        ><CountInForm :code="m.code" :unit="m.unit" :drawer="m.drawer" @counted="stock.refetch"
      /></template>
      <template #salvage><SalvageForm :code="m.code" @done="stock.refetch" /></template>
      <template #sources
        ><SourcesForm
          :key="m.sources.map((s) => s.supplierId + s.pack + s.priceCents + s.leadDays).join()"
          :code="m.code"
          :unit="m.unit"
          :sources="m.sources"
          @kept="stock.refetch"
      /></template>
    </TabSet>
    <h2 class="mb-1">Movements</h2>
    <MovementTable :stock="m" />
  </template>
  <p v-else-if="stock.error.value" class="callout">
    {{ stock.error.value.message }} <RouterLink class="link" to="/stock">The cabinet</RouterLink>
  </p>
</template>
