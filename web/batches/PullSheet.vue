<script setup lang="ts">
import { useStorage } from "@vueuse/core";
import { computed } from "vue";
import { pullBatch, readBatch } from "@kasten/contract/batches";
import { call, useRead } from "../http";
import ColourSwatch from "../parts/ColourSwatch.vue";
import ExceptionNote from "../parts/ExceptionNote.vue";
import WishNote from "../parts/WishNote.vue";
import DataTable from "../parts/DataTable.vue";
import DozenCount from "../parts/DozenCount.vue";
import NumberWords from "../parts/NumberWords.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import type { Column } from "../parts/column";
import { day, quantity } from "../parts/format";
import { useChange } from "../parts/useChange";
import { FlyDrawing, HookNote, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";

const props = defineProps<{ id: string }>();
const { may } = useSession();
const { patterns } = useCatalogue();
const batch = useRead({ key: () => ["batch", props.id], query: () => call(readBatch, { params: { id: props.id } }) });
const { busy, refusal, send } = useChange();
const ticked = useStorage<string[]>(`kasten.pull.${props.id}`, []);
const b = computed(() => batch.data.value);

/** By drawer, in the order in which one walks along the cabinet. */
const rows = computed(() =>
  (b.value?.requirements ?? [])
    .flatMap((r) =>
      r.reserved.length > 0
        ? r.reserved.map((x) => ({
            r,
            place: x.place,
            lot: x.lotCode,
            dyeLot: x.dyeLot,
            quantity: x.quantity,
            cut: x.cut,
            about: x.about,
            several: r.reserved.length > 1,
          }))
        : [
            {
              r,
              place: r.pulled > 0 ? "in kit" : "—",
              lot: "",
              dyeLot: "",
              quantity: r.pulled || r.issue,
              cut: null,
              about: [] as string[],
              several: false,
            },
          ],
    )
    .map((x, i) => ({ ...x, key: `${i} ${x.r.key} ${x.lot}` }))
    .sort((x, y) => x.place.localeCompare(y.place)),
);
type Row = (typeof rows.value)[number];
const columns: Column<Row>[] = [
  { id: "pulled", head: "Pulled", class: "w-16" },
  { id: "drawer", head: "Drawer", mono: true, class: "text-lg font-bold", value: (x) => x.place, fixed: true },
  { id: "lot", head: "Lot", mono: true, class: "text-[0.92rem]", value: (x) => x.lot, fixed: true },
  { id: "material", head: "Material" },
  { id: "much", head: "How much" },
];
const open = computed(() => rows.value.filter((x) => x.lot));
const ready = computed(() => open.value.filter((x) => ticked.value.includes(x.r.key)));
async function pull(): Promise<void> {
  const keys = [...new Set(ready.value.map((x) => x.r.key))];
  if (await send(pullBatch, { params: { id: props.id }, body: { keys } }, "In the kit")) {
    ticked.value = [];
    await batch.refetch();
  }
}
const print = () => window.print();
</script>

<template>
  <article v-if="b" class="mx-auto max-w-[76rem]">
    <RefusalNote :refusal="refusal" />
    <header class="mb-3 flex flex-wrap items-center gap-5">
      <FlyDrawing
        :pattern="b.pattern"
        :version="b.patternVersion"
        :choice="{ methods: b.methods, leave: b.leave, use: b.use, buy: b.buy }"
        :size="b.size"
        :variant="b.variant"
        :form="b.form"
        class="h-24 w-56 border border-rule"
      />
      <div class="flex-1">
        <h1>Pull sheet · batch {{ b.number }}</h1>
        <p>
          {{ b.patternName }} <b class="fig">{{ b.size }}</b>, {{ variantName(patterns.get(b.pattern), b.variant) }};
          <DozenCount :flies="b.owed" /> owed, <b class="fig">{{ b.starts }}</b> to start, due {{ day(b.due) }}
        </p>
        <WishNote v-for="c in b.claims" :key="c.line" :wishes="c.wishes" :of="c.customer" />
        <ExceptionNote :exceptions="[...b.exceptions, ...b.claims.flatMap((c) => c.exception ?? [])]" />
        <HookNote :pattern="b.pattern" :version="b.patternVersion" :choice="b" />
      </div>
      <div class="no-print flex gap-2">
        <button class="btn" @click="print">Print</button>
        <RouterLink v-if="['pulled', 'tying'].includes(b.state)" class="btn btn-main" :to="`/bench/${b.id}`"
          >To the bench</RouterLink
        >
      </div>
    </header>
    <p v-if="b.state === 'planned'" class="callout no-print mb-3">
      This batch is planned, not released: what follows may still change.
      <RouterLink class="link" :to="`/batches/${b.id}`">Reserve and release it</RouterLink> before pulling.
    </p>
    <p v-if="b.bobbins.length > 0" class="mb-3">
      <span class="font-semibold">Bobbins for it:</span>
      <template v-for="(t, i) in b.bobbins" :key="t.material"
        ><template v-if="i > 0">; </template><ColourSwatch :colour="t.colour" /> {{ t.name }},
        <b v-if="t.loaded.length > 0" class="fig">{{ t.loaded.join(", ") }}</b><template v-else
          >load one</template
        ></template
      >
    </p>
    <DataTable label="What is pulled, drawer by drawer" :rows="rows" :columns="columns" :row-key="(x) => x.key">
      <template #cell-pulled="{ row: x }"
        ><label
          v-if="x.lot && b.state === 'released' && may('make up batches')"
          class="-m-2 inline-flex min-h-[44px] min-w-[44px] items-center justify-center p-2"
          ><input
            v-model="ticked"
            type="checkbox"
            class="h-6 w-6"
            :value="x.r.key"
            :aria-label="`Pulled: ${x.r.materialName}`" /></label
        ><span v-else aria-hidden="true" class="inline-block h-5 w-5 border border-strong text-center leading-4">{{
          x.r.pulled > 0 ? "✓" : ""
        }}</span></template
      >
      <template #cell-lot="{ row: x }"
        >{{ x.lot }}<span v-if="x.dyeLot" class="block text-soft">dye lot {{ x.dyeLot }}</span
        ><span v-if="x.about.length" class="block font-sans text-[0.86rem] text-soft">{{
          x.about.join(", ")
        }}</span></template
      >
      <template #cell-material="{ row: x }"
        >{{ x.r.materialName
        }}<span class="block text-[0.9rem] text-soft">{{ x.r.role }}{{ x.r.side ? `, ${x.r.side}` : "" }}</span
        ><span v-if="x.r.caution" class="block text-[0.88rem] text-call">{{ x.r.caution }}</span></template
      >
      <template #cell-much="{ row: x }"
        ><span v-if="x.several" class="fig text-lg">{{ quantity(x.quantity, x.r.unit) }}</span
        ><NumberWords v-else class="text-lg" :words="x.r.words" /><span
          v-if="x.cut && (x.several || x.cut.leftMm !== null)"
          class="block text-[0.9rem]"
          >cut <b class="fig">{{ x.cut.lengths }}</b> of
          <span class="fig">{{ x.cut.ofMm.toFixed(1) }}</span> mm<template v-if="x.cut.leftMm !== null"
            >, <span class="fig">{{ x.cut.leftMm.toFixed(0) }}</span> mm of the remnant stay over</template
          ></span
        ></template
      >
    </DataTable>
    <div v-if="b.state === 'released'" class="no-print mt-3 flex items-center gap-3">
      <button class="btn btn-main" :disabled="busy || ready.length === 0" @click="pull">
        Move {{ ready.length }} of {{ open.length }} into the kit
      </button>
      <button class="btn" @click="ticked = open.map((x) => x.r.key)">Tick all</button>
    </div>
    <footer class="mt-3 text-[0.88rem] text-soft">
      Hook points and blades: glasses, and never a hand behind the point. Local law, makers’ data sheets and
      professional advice go before this sheet.
    </footer>
  </article>
</template>
