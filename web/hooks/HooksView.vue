<script setup lang="ts">
import { useQueryCache } from "@pinia/colada";
import { computed, reactive, ref } from "vue";
import { compareSizes, hookAt, hookQuantities, landmarks, placeAt } from "@kasten/core/hooks";
import { measureHook } from "@kasten/contract/hooks";
import type { HookModelData } from "@kasten/contract/hooks";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "../patterns";
import { useSession } from "../team";

const { data } = useCatalogue();
const { may } = useSession();
const cache = useQueryCache();
const { busy, refusal, send } = useChange();
const measuring = ref<string | null>(null);
const row = reactive<{ size: string; shank?: number; gape?: number; wire?: number; eye?: number }>({ size: "" });
const steps = (n: number, more: string, less: string) => (n === 0 ? "standard" : n > 0 ? `${n}X ${more}` : `${-n}X ${less}`);
const tables = computed(() =>
  (data.value?.hooks ?? []).map((m) => ({
    model: m,
    sizes: m.rows.map((r) => r.size).sort(compareSizes).map((s) => {
      const h = hookAt(m, s);
      return { h, own: m.rows.find((r) => r.size === s), marks: landmarks.map((l) => ({ l, mm: placeAt({ landmark: l }, h) })) };
    }),
  })),
);
function begin(m: HookModelData): void {
  measuring.value = m.id;
  Object.assign(row, { size: m.rows[0]?.size ?? "", shank: undefined, gape: undefined, wire: undefined, eye: undefined });
}
async function keep(id: string): Promise<void> {
  const body = { size: row.size, ...Object.fromEntries(hookQuantities.flatMap((q) => (row[q] ? [[q, row[q]]] : []))) };
  if (await send(measureHook, { params: { id }, body }, "Measured: the quantities follow")) {
    measuring.value = null;
    await cache.invalidateQueries({ key: ["catalogue"] });
  }
}
</script>
<template>
  <h1 class="mb-1">Hooks</h1>
  <p class="mb-4 text-soft">What was measured here is in bold; between measured sizes it is interpolated, and the rest is nominal until somebody measures it.</p>
  <RefusalNote :refusal="refusal" />
  <section v-for="t in tables" :key="t.model.id" class="mb-6">
    <div class="mb-1 flex flex-wrap items-baseline gap-x-4"><h2 class="!text-lg"><span class="fig">{{ t.model.id }}</span> {{ t.model.name }}</h2><span class="text-soft">{{ t.model.family }}, {{ t.model.bend }} bend, shank {{ steps(t.model.shankSteps, "long", "short") }}, wire {{ steps(t.model.wireSteps, "heavy", "fine") }}, {{ t.model.barbless ? "barbless" : "barbed" }}</span>
      <button v-if="may('measure hooks') && measuring !== t.model.id" class="btn btn-plain" @click="begin(t.model)">Measure a size<span class="sr-only"> of {{ t.model.name }}</span></button></div>
    <form v-if="measuring === t.model.id" class="sheet mb-2 flex flex-wrap items-end gap-3 p-3" @submit.prevent="keep(t.model.id)">
      <label><span class="label">Size</span><input v-model="row.size" class="field fig w-20" required /></label>
      <label v-for="q in hookQuantities" :key="q"><span class="label">{{ { shank: "Shank: back of the eye to the bend", gape: "Gape", wire: "Wire", eye: "Eye length" }[q] }}, mm</span><input v-model.number="row[q]" class="field fig w-24" type="number" min="0.05" max="80" step="0.01" /></label>
      <button class="btn btn-main" :disabled="busy || !(row.shank || row.gape || row.wire || row.eye)">Keep it</button><button type="button" class="btn" @click="measuring = null">Leave</button>
      <p class="w-full text-[0.9rem] text-soft">With calipers, the point turned away from the fingers. What is left empty stays as it is.</p>
    </form>
    <div class="sheet overflow-x-auto"><table>
      <thead><tr><th scope="col">Size</th><th v-for="q in hookQuantities" :key="q" scope="col" class="text-right">{{ q }}, mm</th><th v-for="l in landmarks.filter((x) => x !== 'eye')" :key="l" scope="col" class="text-right">{{ l === "intoBend" ? "into the bend" : l }}</th><th scope="col">Where it is from</th></tr></thead>
      <tbody><tr v-for="s in t.sizes" :key="s.h.size">
        <th scope="row" class="fig !border-b !border-rule !text-base !text-ink">{{ s.h.size }}</th>
        <td v-for="q in hookQuantities" :key="q" class="fig text-right" :class="s.own?.[q] ? 'font-bold' : 'text-soft'">{{ s.h[q].toFixed(2) }}</td><td v-for="k in s.marks.filter((x) => x.l !== 'eye')" :key="k.l" class="fig text-right text-soft">{{ k.mm.toFixed(1) }}</td>
        <td class="text-[0.92rem]">{{ s.h.sources.shank.from === "measured" ? `measured, ${s.h.sources.shank.where}` : "nominal" }}</td>
      </tr></tbody>
    </table></div>
  </section>
</template>
