<script setup lang="ts">
import { computed, ref } from "vue";
import { traitWords } from "@kasten/core/stock";
import { letGoLot, type LotPage } from "@kasten/contract/stock";
import NumberWords from "../parts/NumberWords.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { dayYear, money, quantity } from "../parts/format";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "../patterns";
import { useSession } from "../team";
import { fliesLeftWords } from "./fliesLeft";
import { standingOf } from "./standing";

/** What is known of a lot; a lot that is kept apart asks to be looked at and let go. */
const props = defineProps<{ lot: LotPage }>();
const emit = defineEmits<{ changed: [] }>();
const { may } = useSession();
const { busy, refusal, send } = useChange();
const { materials } = useCatalogue();
const looked = ref("");
const today = new Date().toISOString().slice(0, 10);
const there = computed(() => props.lot.places.reduce((sum, p) => sum + p.quantity, 0));
const reserved = computed(() => props.lot.places.reduce((sum, p) => sum + p.reserved, 0));
const standing = computed(() => standingOf(props.lot, today));
const price = computed(() => {
  const { priceCents, priceFor, material } = props.lot;
  return priceCents === null || priceFor === null
    ? "unknown"
    : `${money(priceCents)} for ${quantity(priceFor, material.unit)}`;
});
const facts = computed(() =>
  [
    ["Sold as", props.lot.soldAs],
    ["From", props.lot.supplier ?? "nobody known"],
    ["Received", dayYear(props.lot.receivedAt)],
    ["Price", price.value],
    ["Dye lot", props.lot.dyeLot],
    ["Grade", props.lot.grade],
    [
      "Class",
      props.lot.barb ? `${props.lot.side ?? ""} barbs ${props.lot.barb.join("–")} mm`.trim() : (props.lot.side ?? ""),
    ],
    ["Flies left in it", fliesLeftWords(props.lot.fliesLeft)],
    ["Still makes", props.lot.stillMakes.map((m) => `${m.lengths} for ${m.pattern}, batch ${m.number}`).join("; ")],
    ["Its offcuts", materials.value.get(props.lot.material.code)?.secondLife ?? ""],
    ["Looked at", traitWords(props.lot.traits).join(", ")],
    ["A usable piece", props.lot.centsPerUsable === null ? "" : money(props.lot.centsPerUsable)],
    ["Opened", props.lot.openedOn ? dayYear(props.lot.openedOn) : ""],
    ["Good until", props.lot.expiresOn ? dayYear(props.lot.expiresOn) : ""],
    ["Origin", props.lot.origin],
    ["Papers", props.lot.papers],
    ["Note", props.lot.note],
  ].filter(([, value]) => value !== ""),
);
async function letGo(): Promise<void> {
  const body = { version: props.lot.version, note: looked.value };
  if (await send(letGoLot, { params: { id: props.lot.id }, body }, "It joins its drawer")) emit("changed");
}
</script>

<template>
  <div>
    <form
      v-if="standing?.call && lot.apartUntil && may('handle stock')"
      class="callout mb-3 flex flex-wrap items-end gap-2"
      @submit.prevent="letGo"
    >
      <p class="w-full">
        Kept apart since it came, until {{ dayYear(lot.apartUntil) }}. Look for moth, mite and gnawed quills before it
        joins the others; gloves, if it was treated.
      </p>
      <label class="grid gap-0.5"
        ><span class="text-[0.86rem]">What you looked at</span
        ><input v-model="looked" class="field w-80 max-w-full" required maxlength="200" /></label
      ><button class="btn btn-main" :disabled="busy">Let it join its drawer</button>
    </form>
    <RefusalNote :refusal="refusal" />
    <dl class="flex flex-wrap gap-x-10 gap-y-1.5">
      <div>
        <dt class="text-soft">There</dt>
        <dd class="text-3xl"><NumberWords :words="quantity(there, lot.material.unit)" /></dd>
      </div>
      <div>
        <dt class="text-soft">Put by</dt>
        <dd class="text-3xl"><NumberWords :words="quantity(reserved, lot.material.unit)" /></dd>
      </div>
      <div v-if="standing">
        <dt class="text-soft">State</dt>
        <dd>
          <span class="tag" :class="{ 'tag-call': standing.call }">{{ standing.label }}</span>
        </dd>
      </div>
      <div v-for="[name, value] in facts" :key="name" class="max-w-72">
        <dt class="text-soft">{{ name }}</dt>
        <dd>{{ value }}</dd>
      </div>
    </dl>
  </div>
</template>
