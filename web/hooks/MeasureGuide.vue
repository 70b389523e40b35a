<script setup lang="ts">
import { useQueryCache } from "@pinia/colada";
import { useStorage, watchDebounced } from "@vueuse/core";
import { computed, ref } from "vue";
import {
  compareSizes,
  hookAt,
  hookQuantities,
  sizeNumber,
  type HookModel,
  type HookQuantity,
} from "@kasten/core/hooks";
import { hookEffect, measureHook, type HookEffect, type HookModelData } from "@kasten/contract/hooks";
import { call, Refusal } from "../http";
import DataTable from "../parts/DataTable.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import type { Column } from "../parts/column";
import { useChange } from "../parts/useChange";
import EffectList from "./EffectList.vue";
import HookCurve from "./HookCurve.vue";
import HookOutline from "./HookOutline.vue";

/** Guided: three sizes of a model, one caliper setting after another; what it changes is told before it is kept. */
const props = defineProps<{ model: HookModelData }>();
const emit = defineEmits<{ done: [effect: HookEffect]; leave: [] }>();
const cache = useQueryCache();
const { busy, refusal, send } = useChange();
type Typed = { size: string; shank?: number; gape?: number; wire?: number; eye?: number; mass?: number };

/** The smallest, a middle and the largest size that is kept: the line between them then reaches all the others. */
function suggested(): Typed[] {
  const sizes = props.model.rows.map((r) => r.size).sort(compareSizes);
  const three = sizes.length <= 3 ? sizes : [sizes[0], sizes[Math.floor(sizes.length / 2)], sizes[sizes.length - 1]];
  return three.flatMap((s) => (s === undefined ? [] : [{ size: s }]));
}
const rows = useStorage<Typed[]>(`kasten.measure.${props.model.id}`, suggested());
const lines = computed(() => rows.value.map((row, n) => ({ row, at: n })));
type Line = (typeof lines.value)[number];
const at = ref<{ row: number; quantity: HookQuantity }>({ row: 0, quantity: "shank" });
const labels: Record<HookQuantity, string> = { shank: "Shank", gape: "Gape", wire: "Wire", eye: "Eye" };
const columns: Column<Line>[] = [
  { id: "size", head: "Size" },
  ...hookQuantities.map((q) => ({ id: q, head: `${labels[q]}, mm` })),
  { id: "mass", head: "One hook, mg" },
  { id: "out", head: "Take out", quiet: true },
];
const given = computed(() =>
  rows.value
    .filter((r) => isReadable(r.size) && hookQuantities.some((q) => (r[q] ?? 0) > 0))
    .map(
      (r) =>
        Object.fromEntries(
          Object.entries(r).filter(([, v]) => v !== "" && v !== undefined && v !== null && v !== 0),
        ) as Typed,
    ),
);
const isReadable = (size: string): boolean => /^\s*#?\d{1,2}(\s*\/\s*0)?\s*$/.test(size) && safe(size);
function safe(size: string): boolean {
  try {
    return Number.isFinite(sizeNumber(size));
  } catch {
    return false; // said beside the field
  }
}
const draft = computed<HookModel>(() => {
  const by = new Map<string, HookModelData["rows"][number]>(props.model.rows.map((r) => [r.size, r]));
  for (const r of given.value) by.set(r.size, { ...by.get(r.size), ...r });
  return { ...props.model, rows: [...by.values()] };
});
const hook = computed(() => {
  const size = rows.value[at.value.row]?.size ?? "";
  return hookAt(draft.value, isReadable(size) ? size : (props.model.rows[0]?.size ?? "12"));
});
/** Far from what was known so far: most often a slip of the calipers or the decimal point. */
function odd(row: Typed, q: HookQuantity): string | undefined {
  const value = row[q];
  if (!value || !isReadable(row.size)) return undefined;
  const nominal = hookAt({ ...props.model, rows: [] }, row.size)[q];
  const ratio = value / nominal;
  return ratio > 1.35 || ratio < 0.7
    ? `${value} mm is ${ratio > 1 ? "much more" : "much less"} than the nominal ${nominal.toFixed(2)} mm. Measure again, or keep it if it is so.`
    : undefined;
}
const preview = ref<HookEffect>();
const previewFault = ref("");
watchDebounced(
  given,
  async (now) => {
    previewFault.value = "";
    if (now.length === 0) return void (preview.value = undefined);
    try {
      preview.value = await call(hookEffect, { params: { id: props.model.id }, body: { rows: now } });
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      previewFault.value = error.message;
    }
  },
  { debounce: 350, immediate: true, deep: true },
);

async function keep(): Promise<void> {
  const effect = await send(
    measureHook,
    { params: { id: props.model.id }, body: { rows: given.value } },
    "Measured: the quantities follow",
  );
  if (!effect) return;
  rows.value = [];
  localStorage.removeItem(`kasten.measure.${props.model.id}`);
  await cache.invalidateQueries({ key: ["catalogue"] });
  emit("done", effect);
}
</script>

<template>
  <section class="sheet mb-3 p-4" :aria-label="`Measure ${model.name}`">
    <div class="mb-2 flex flex-wrap items-baseline justify-between gap-3">
      <h3 class="font-semibold">Measure {{ model.name }} with calipers: three sizes are enough for all</h3>
      <button class="btn btn-plain" @click="emit('leave')">Leave; what is typed is kept</button>
    </div>
    <RefusalNote :refusal="refusal" />
    <div class="grid grid-cols-[minmax(0,1fr)] gap-4 xl:grid-cols-[minmax(0,1.9fr)_minmax(14rem,1fr)]">
      <div>
        <DataTable label="What the calipers say" :rows="lines" :columns="columns" :row-key="(x) => String(x.at)">
          <template #cell-size="{ row: x }"
            ><input v-model="x.row.size" class="field fig w-16" :aria-label="`Size ${x.at + 1}`"
          /></template>
          <template v-for="q in hookQuantities" :key="q" #[`cell-${q}`]="{ row: x }"
            ><input
              v-model.number="x.row[q]"
              class="field fig w-[4.6rem]"
              :class="{ '!border-call': odd(x.row, q) }"
              type="number"
              inputmode="decimal"
              step="0.01"
              min="0.05"
              max="80"
              :aria-label="`${labels[q]} of size ${x.row.size}, mm`"
              @focus="at = { row: x.at, quantity: q }"
          /></template>
          <template #cell-mass="{ row: x }"
            ><input
              v-model.number="x.row.mass"
              class="field fig w-[4.6rem]"
              type="number"
              inputmode="decimal"
              step="0.5"
              min="1"
              :aria-label="`Weight of one hook of size ${x.row.size}, mg`"
          /></template>
          <template #cell-out="{ row: x }"
            ><button class="btn btn-plain" :aria-label="`Take size ${x.row.size} out`" @click="rows.splice(x.at, 1)">
              ×
            </button></template
          >
          <template #empty>No size is chosen: add one below.</template>
        </DataTable>
        <button class="btn btn-plain" @click="rows.push({ size: '' })">Another size</button>
        <p
          v-for="(r, i) in rows.filter((x) => x.size !== '' && !isReadable(x.size))"
          :key="`bad${i}`"
          class="text-call"
        >
          “{{ r.size }}” is not a hook size. Write a number such as 14, or an aught size such as 2/0.
        </p>
        <template v-for="(r, i) in rows" :key="`odd${i}`"
          ><p v-for="q in hookQuantities.filter((x) => odd(r, x))" :key="q" class="text-call">
            Size {{ r.size }}, {{ labels[q].toLowerCase() }}: {{ odd(r, q) }}
          </p></template
        >
        <p class="mt-2 text-[0.93rem] text-soft">
          Zero the calipers first; take three hooks from different packs and write the middle value. Hold the point away
          from the fingers. What is left empty stays as it is.
        </p>
        <div class="mt-3">
          <h4 class="label">What it would change in the running batches</h4>
          <p v-if="previewFault" class="text-call">{{ previewFault }}</p>
          <EffectList v-else-if="preview" :effect="preview" />
          <p v-else class="text-soft">Type a measurement to see.</p>
        </div>
        <button class="btn btn-main mt-3" :disabled="busy || given.length === 0" @click="keep">
          Keep {{ given.length === 1 ? "this size" : `these ${given.length} sizes` }}
        </button>
      </div>
      <div>
        <HookOutline :hook="hook" :quantity="at.quantity" class="mb-3 h-36" /><HookCurve
          :model="model"
          :draft="draft"
          :quantity="at.quantity"
          :label="labels[at.quantity]"
          class="mt-8"
        />
      </div>
    </div>
  </section>
</template>
