<script setup lang="ts">
import { computed, ref } from "vue";
import { useRouter } from "vue-router";
import { planBuying, writePurchase, type BuyingPlan } from "@kasten/contract/purchasing";
import { call, useRead } from "../http";
import ListBox from "../parts/ListBox.vue";
import NumberWords from "../parts/NumberWords.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import RadioSet from "../parts/RadioSet.vue";
import SwitchField from "../parts/SwitchField.vue";
import { day, money, quantity } from "../parts/format";
import { orNone, type Option } from "../parts/option";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "../patterns";
import { useSession } from "../team";

/** What to order and from whom: the cheapest way to cover the open batches, and what is used every week. */
const withStock = ref(true);
const first = ref<"time" | "price">("time");
const firsts: Option<"time" | "price">[] = [
  { value: "time", label: "in time for the batches" },
  { value: "price", label: "at the least price" },
];
/** Colours that are found again by their dye lot alone are best bought for a season at once. */
const dyedUntil = ref<string>();
const { data: room } = useCatalogue();
const seasons = computed(() => {
  const { settings, today } = room.value ?? { settings: undefined, today: "" };
  const coming = (settings?.seasons ?? []).filter((s) => s.date > today).sort((a, b) => a.date.localeCompare(b.date));
  return orNone(
    "as they run out",
    coming.map((s) => ({ value: s.date, label: `enough until ${s.name}, ${day(s.date)}` })),
  );
});
const asked = computed(() => ({
  stock: withStock.value ? ("yes" as const) : ("no" as const),
  first: first.value,
  ...(dyedUntil.value && { dyedUntil: dyedUntil.value }),
}));
const plan = useRead({
  key: () => ["buying", asked.value.stock, asked.value.first, dyedUntil.value ?? ""],
  query: () => call(planBuying, { query: asked.value }),
});
const router = useRouter();
const { may } = useSession();
const { busy, refusal, send } = useChange();
type Order = BuyingPlan["orders"][number];
const gone = computed(() => (plan.data.value?.wanted ?? []).filter((w) => w.discontinued).map((w) => w.materialName));
async function write(order: Order): Promise<void> {
  const lines = order.lines.map(({ material, packs, pack, packCents, dyeLot }) => ({
    material,
    packs,
    pack,
    packCents,
    dyeLot,
  }));
  const made = await send(writePurchase, { body: { supplierId: order.supplierId, lines, note: "" } }, "Written");
  if (made) await router.push(`/purchases/${made.id}`);
}
const whyOf = (p: BuyingPlan, material: string): string => {
  const w = p.wanted.find((x) => x.material === material);
  if (!w) return "";
  const parts = [
    ...(w.scarce
      ? [
          `by its scarcest length, ${w.scarce.fromMm}–${w.scarce.toMm} mm: ${quantity(w.scarce.asked, w.unit)} are short, and a skin has few of them`,
        ]
      : []),
    ...(w.forBatches > 0
      ? [`${quantity(w.forBatches, w.unit)} for batches${w.firstDue ? `, the first due ${day(w.firstDue)}` : ""}`]
      : []),
    ...(w.forStock > 0
      ? [
          w.until
            ? `${quantity(w.forStock, w.unit)} in one dye lot, for what is used until ${day(w.until)}, at ${quantity(w.perWeek, w.unit)} a week`
            : `${quantity(w.forStock, w.unit)} to stay above ${quantity(w.reorderAt, w.unit)}, at ${quantity(w.perWeek, w.unit)} a week`,
        ]
      : []),
  ];
  return parts.join("; ");
};
</script>

<template>
  <RefusalNote :refusal="refusal" />
  <div class="mb-3 flex flex-wrap items-center justify-between gap-3">
    <div class="flex flex-wrap items-end gap-5">
      <RadioSet v-model="first" label="Bought" :options="firsts" />
      <SwitchField v-model="withStock">also what is used every week</SwitchField>
      <ListBox v-model="dyedUntil" class="w-72" label="Dyed colours" :options="seasons" />
    </div>
    <p v-if="plan.data.value" class="text-right">
      <b class="fig text-2xl">{{ money(plan.data.value.totalCents) }}</b>
      <span class="text-soft">
        {{
          plan.data.value.proved
            ? "in all: no cheaper way to buy it"
            : `in all; at best ${money(plan.data.value.boundCents)}`
        }}</span
      >
    </p>
  </div>
  <template v-if="plan.data.value">
    <p v-if="plan.data.value.uncovered.length > 0" class="callout mb-3">
      Nobody who is known sells
      <template v-for="(u, i) in plan.data.value.uncovered" :key="u.material"
        ><template v-if="i > 0">, </template
        ><RouterLink class="link" :to="`/stock/${u.material}`">{{ u.materialName }}</RouterLink> ({{
          u.words
        }})</template
      >, at this time of the year<template v-if="gone.length > 0"
        >; {{ gone.join(", ") }} {{ gone.length === 1 ? "is" : "are" }} not made any more</template
      >. Say at the material where it is bought, or choose an alternate for the batches.
    </p>
    <p v-for="s in plan.data.value.seasons" :key="s.material" class="callout mb-3">
      <RouterLink class="link" :to="`/stock/${s.material}`">{{ s.materialName }}</RouterLink> is to be had until
      {{ day(s.until) }} only, and then from {{ day(s.again) }} on.
      <template v-if="s.quantity > 0"
        >The usual use takes <b class="fig">{{ quantity(s.quantity, s.unit) }}</b> more until then than is there: order
        it of {{ s.supplier }} now.</template
      ><template v-else>What is there lasts until then, at the usual use.</template>
    </p>
    <p v-if="plan.data.value.orders.length === 0" class="sheet p-4 text-soft">
      Nothing has to be ordered: what the batches need is there or on its way.
    </p>
    <section v-for="o in plan.data.value.orders" :key="o.supplierId" class="sheet mb-4 p-3" :aria-label="o.supplier">
      <div class="mb-1 flex flex-wrap items-baseline justify-between gap-2">
        <h2>{{ o.supplier }}</h2>
        <p>
          here by about <b>{{ day(o.arrives) }}</b><span v-if="o.late.length > 0" class="tag tag-call ml-2"
            >too late for {{ o.late.join(", ") }}</span
          >
        </p>
      </div>
      <table class="narrow-rows">
        <thead>
          <tr>
            <th>Material</th>
            <th class="text-right">Order</th>
            <th>Why</th>
            <th class="text-right">Costs</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in o.lines" :key="l.material">
            <td>
              <RouterLink class="link" :to="`/stock/${l.material}`">{{ l.materialName }}</RouterLink><span
                v-if="l.dyeLot"
                class="tag ml-1"
                >dye lot {{ l.dyeLot }}</span
              >
            </td>
            <td class="whitespace-nowrap text-right text-lg">
              <b class="fig">{{ l.packs }}</b> × <NumberWords :words="l.packWords" />
            </td>
            <td class="text-[0.93rem]">{{ whyOf(plan.data.value, l.material) }}</td>
            <td class="fig whitespace-nowrap text-right">{{ money(l.totalCents) }}</td>
          </tr>
        </tbody>
        <tfoot>
          <tr>
            <td colspan="3" class="text-right text-soft">
              {{ o.freightCents ? `with ${money(o.freightCents)} for sending` : "sending is free" }}
            </td>
            <td class="fig whitespace-nowrap text-right text-lg">
              <b>{{ money(o.goodsCents + o.freightCents) }}</b>
            </td>
          </tr>
        </tfoot>
      </table>
      <button v-if="may('handle stock')" class="btn btn-main mt-2" :disabled="busy" @click="write(o)">
        Write this order<span class="sr-only"> to {{ o.supplier }}</span>
      </button>
    </section>
  </template>
</template>
