<script setup lang="ts">
import { computed, nextTick, ref, watch } from "vue";
import { closeTake, countInTake, readTake, type StockTake } from "@kasten/contract/stock";
import { call, useRead } from "../http";
import ColourSwatch from "../parts/ColourSwatch.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { money, quantity } from "../parts/format";
import { say } from "../parts/say";
import { useChange } from "../parts/useChange";
import { baseOf, writtenOf, writtenUnit } from "../parts/written";

/** The drawer in hand with its lots: each is typed and kept by Enter; the drawers along the top say how far it is. */
const props = defineProps<{ id: string }>();
const emit = defineEmits<{ closed: [] }>();
const { busy, refusal, send } = useChange();
const take = useRead({ key: () => ["take", props.id], query: () => call(readTake, { params: { id: props.id } }) });
type Drawer = StockTake["drawers"][number];
type Lot = Drawer["lots"][number];
const drawers = computed(() => take.data.value?.drawers ?? []);
const isCounted = (d: Drawer): boolean => d.lots.every((l) => l.counted !== null);
const at = ref<string>();
const drawer = computed(
  () => drawers.value.find((d) => d.code === at.value) ?? drawers.value.find((d) => !isCounted(d)) ?? drawers.value[0],
);
const counted = computed(() => drawers.value.flatMap((d) => d.lots).filter((l) => l.counted !== null).length);
const all = computed(() => drawers.value.flatMap((d) => d.lots).length);
const typed = ref<Record<string, number | "">>({});
const keyOf = (l: Lot): string => `${l.lot}|${l.place}`;
/** A count of somebody else that would be written over: it is asked first. */
const asks = ref<string>();
const form = ref<HTMLElement>();
watch(
  () => drawer.value?.code,
  () => {
    typed.value = {};
    asks.value = undefined;
  },
);
async function keep(l: Lot, i: number, again = false): Promise<void> {
  const value = typed.value[keyOf(l)];
  if (value === undefined || value === "") return;
  const body = {
    lot: l.lot,
    place: l.place,
    counted: baseOf(value, l.unit),
    plusMinus: 0,
    how: "counted" as const,
    note: "",
    again,
  };
  if (!(await send(countInTake, { params: { id: props.id }, body }))) {
    asks.value = refusal.value?.problem.type === "conflict" ? keyOf(l) : undefined;
    return;
  }
  asks.value = undefined;
  at.value ??= drawer.value?.code;
  await take.refetch();
  await nextTick();
  form.value?.querySelectorAll<HTMLInputElement>("input[type=number]")[i + 1]?.focus();
}
function next(): void {
  const i = drawers.value.findIndex((d) => d.code === drawer.value?.code);
  const after = [...drawers.value.slice(i + 1), ...drawers.value.slice(0, i)];
  at.value = after.find((d) => !isCounted(d))?.code ?? after[0]?.code;
}
async function close(): Promise<void> {
  const done = await send(closeTake, { params: { id: props.id }, body: { note: "" } });
  if (!done) return;
  say(
    `${done.counted} lots counted, ${done.changed} put right${done.worthCents ? `, worth ${money(done.worthCents)}` : ""}`,
  );
  emit("closed");
}
const off = (l: Lot): number | undefined =>
  l.counted !== null && l.expected !== null ? l.counted - l.expected : undefined;
</script>

<template>
  <div v-if="take.data.value" ref="form">
    <p class="mb-2">
      <b class="fig text-2xl">{{ counted }}</b> of <span class="fig">{{ all }}</span> lots counted.
      <span class="text-soft">Begun by {{ take.data.value.by }}.</span>
    </p>
    <RefusalNote :refusal="refusal" />
    <ol class="mb-3 flex flex-wrap gap-1" aria-label="Drawers">
      <li v-for="d in drawers" :key="d.code">
        <button
          class="fig min-h-9 min-w-12 border px-2"
          :class="[
            d.code === drawer?.code
              ? 'border-deep bg-deep text-deepink'
              : isCounted(d)
                ? 'border-rule bg-well'
                : 'border-strong bg-sheet',
          ]"
          :aria-current="d.code === drawer?.code ? 'step' : undefined"
          @click="at = d.code"
        >
          {{ d.code }}<span v-if="isCounted(d)" aria-label="counted"> ✓</span>
        </button>
      </li>
    </ol>
    <section v-if="drawer" class="sheet mb-3 p-3" :aria-label="drawer.name">
      <h2 class="mb-2">{{ drawer.name }}</h2>
      <ul>
        <li
          v-for="(l, i) in drawer.lots"
          :key="keyOf(l)"
          class="grid items-center gap-x-3 gap-y-1 border-b border-rule py-2 sm:grid-cols-[1fr_auto_9rem]"
        >
          <span class="min-w-0"
            ><ColourSwatch :colour="l.colour" class="mr-1.5" /><b>{{ l.materialName }}</b>
            <RouterLink class="link fig" :to="`/lots/${l.lot}`">{{ l.code }}</RouterLink>
            <span class="text-soft"> {{ l.about }}</span></span
          >
          <form class="flex flex-wrap items-center gap-2" @submit.prevent="keep(l, i)">
            <input
              v-model.number="typed[keyOf(l)]"
              class="field fig !min-h-[44px] w-28 text-lg"
              type="number"
              inputmode="decimal"
              min="0"
              step="any"
              :placeholder="l.counted === null ? '' : String(writtenOf(l.counted, l.unit))"
              :aria-label="`${l.materialName}, lot ${l.code}, in ${writtenUnit[l.unit]}`"
            /><span class="unit">{{ writtenUnit[l.unit] }}</span
            ><button class="btn !min-h-[44px]" :disabled="busy">Keep</button
            ><button
              v-if="asks === keyOf(l)"
              type="button"
              class="btn btn-plain"
              :disabled="busy"
              @click="keep(l, i, true)"
            >
              mine holds
            </button>
          </form>
          <span class="sm:text-right"
            ><template v-if="l.counted !== null"
              ><span class="tag">{{ quantity(l.counted, l.unit) }}</span
              ><span v-if="off(l)" class="ml-1 font-semibold text-call"
                >{{ (off(l) ?? 0) > 0 ? "+" : "−" }}{{ quantity(Math.abs(off(l) ?? 0), l.unit) }}</span
              ></template
            ><span v-else-if="l.expected !== null" class="text-soft"
              >booked {{ quantity(l.expected, l.unit) }}</span
            ></span
          >
        </li>
      </ul>
      <button class="btn btn-main mt-3 !min-h-[44px]" @click="next">Next drawer</button>
    </section>
    <p class="mb-4">
      <button class="btn" :disabled="busy || counted === 0" @click="close">Close it and put the ledger right</button>
      <span v-if="counted < all" class="ml-2 text-soft"
        >{{ all - counted }} lots are not counted: they stay as they are booked.</span
      >
    </p>
  </div>
</template>
