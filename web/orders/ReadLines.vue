<script setup lang="ts">
import { computed } from "vue";
import { dozensText, wishWords, type ReadLine, type wishedChoice } from "@kasten/core/orders";
import { isPlain, type LinePrice } from "@kasten/core/recipe";
import { isGranted, wishFateSentence } from "@kasten/core/sentences";
import WishNote from "../parts/WishNote.vue";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";
import { day, money, ofHundred } from "../parts/format";
import { FlyDrawing, TakenAway, formName, useCatalogue, variantName } from "../patterns";
import type { Promised } from "./usePromise";

/** Each line as it was understood, and the earliest day for it. */
const props = defineProps<{
  read: ReadLine[];
  /** What became of each line's wishes. */
  wished: ReturnType<typeof wishedChoice>[];
  /** What a dozen costs, as each line asks, and why. */
  prices: (LinePrice | undefined)[];
  promised: Promised;
}>();
const { patterns, recipeOf } = useCatalogue();
const lines = computed(() =>
  props.read.map((l, i) => {
    const of = patterns.value.get(l.pattern ?? "");
    return {
      ...l,
      key: String(i),
      of,
      form: l.form ?? "",
      formWords: of && formName(of, l.form ?? ""),
      promised: props.promised.lines[i],
      price: l.flies && props.prices[i] ? money((l.flies / 12) * props.prices[i].perDozenCents) : "",
      why: whyOf(props.prices[i]),
      asked: props.wished[i]?.asked ?? {},
      fates: props.wished[i]?.fates ?? [],
      recipe: l.pattern === undefined ? undefined : recipeOf(l.pattern),
    };
  }),
);
/** What a price is made of, where it is not simply the pattern's. */
function whyOf(price: LinePrice | undefined): string {
  if (!price || (!price.break && price.discount === 0)) return "";
  return [
    `${money(price.listCents)} a dozen`,
    ...(price.break ? [`−${price.break.percent} % from ${price.break.dozens} dz`] : []),
    ...(price.discount > 0 ? [`−${price.discount} % for them`] : []),
  ].join(", ");
}
type Line = (typeof lines.value)[number];
const columns: Column<Line>[] = [
  { id: "fly", head: "Fly", quiet: true, lead: true, class: "!p-0.5 w-28" },
  { id: "flies", head: "Quantity", mono: true, class: "whitespace-nowrap text-lg" },
  { id: "pattern", head: "Pattern" },
  { id: "size", head: "Size", mono: true },
  { id: "colour", head: "Colour" },
  { id: "price", head: "Price", mono: true, class: "whitespace-nowrap", value: (l) => l.price, fixed: true },
  { id: "earliest", head: "Earliest", value: (l) => l.promised?.sentence, fixed: true },
];
</script>

<template>
  <DataTable label="The order as it was understood" :rows="lines" :columns="columns" :row-key="(l) => l.key">
    <template #cell-fly="{ row: l }"
      ><FlyDrawing
        v-if="l.pattern && l.size && l.variant"
        :pattern="l.pattern"
        :size="l.size"
        :variant="l.variant"
        :form="l.form"
        :choice="l.asked"
        class="h-12 w-24"
    /></template>
    <template #cell-flies="{ row: l }">{{ l.flies ? dozensText(l.flies) : "?" }}</template>
    <template #cell-pattern="{ row: l }"
      >{{ l.of?.name ?? "?" }} <span v-if="l.formWords" class="tag">{{ l.formWords }}</span><span
        v-if="l.policy"
        class="tag ml-1"
        >{{ l.policy }}</span
      ><WishNote :wishes="wishWords(l)" />
      <ul v-if="l.fates.length > 0" aria-label="What becomes of the wishes">
        <li v-for="f in l.fates" :key="f.words + f.code" :class="{ 'text-call': !isGranted(f) }">
          {{ wishFateSentence(f) }}
        </li>
      </ul>
      <TakenAway
        v-if="l.recipe && l.size && l.variant && !isPlain(l.asked)"
        :recipe="l.recipe"
        :choice="{ size: l.size, variant: l.variant, form: l.form, ...l.asked }"
        class="mt-1"
    /></template>
    <template #cell-size="{ row: l }">{{ l.size ?? "?" }}</template>
    <template #cell-colour="{ row: l }">{{ l.variant ? variantName(l.of, l.variant) : "?" }}</template>
    <template #cell-price="{ row: l }"
      >{{ l.price
      }}<span v-if="l.why" class="block text-[0.83rem] whitespace-normal text-soft">{{ l.why }}</span></template
    >
    <template #cell-earliest="{ row: l }"
      ><span v-if="l.promised" :title="l.promised.sentence"
        ><b v-if="l.due" class="block">due {{ day(l.due) }}</b
        >{{ l.promised.day ? day(l.promised.day) : "no day"
        }}<span class="block text-[0.83rem] text-soft">{{
          l.promised.holds === "shelf" ? "on the shelf" : `held by ${l.promised.holds}`
        }}</span
        ><span
          v-if="l.promised.odds !== null && l.promised.holds !== 'shelf'"
          class="block text-[0.83rem]"
          :class="l.promised.odds < 0.8 ? 'text-call' : 'text-soft'"
          >on the day in {{ ofHundred(l.promised.odds) }} of 100</span
        ></span
      ><span v-else-if="promised.until" class="text-[0.83rem] text-soft">{{ promised.until }}</span></template
    >
  </DataTable>
</template>
