<script setup lang="ts">
import { useQueryCache } from "@pinia/colada";
import { computed, defineAsyncComponent, ref } from "vue";
import { compareSizes, hookAt, hookQuantities, type HookQuantity } from "@kasten/core/hooks";
import { forgetHookSize, type HookEffect, type HookModelData } from "@kasten/contract/hooks";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "../patterns";
import { useSession } from "../team";
import HookFacts from "./HookFacts.vue";
import HookOutline from "./HookOutline.vue";
import HookTable from "./HookTable.vue";
import NearHooks from "./NearHooks.vue";
const EffectList = defineAsyncComponent(() => import("./EffectList.vue"));
const HookCurve = defineAsyncComponent(() => import("./HookCurve.vue"));
const MeasureGuide = defineAsyncComponent(() => import("./MeasureGuide.vue"));

const HookForm = defineAsyncComponent(() => import("./HookForm.vue"));

const { data } = useCatalogue();
const { may } = useSession();
const cache = useQueryCache();
const { refusal, send } = useChange();
const chosen = ref("");
const mode = ref<"look" | "measure" | "edit" | "new">("look");
const effect = ref<HookEffect>();
const models = computed(() => data.value?.hooks ?? []);
const model = computed<HookModelData | undefined>(
  () => models.value.find((m) => m.id === chosen.value) ?? models.value[0],
);
const labels: Record<HookQuantity, string> = { shank: "Shank", gape: "Gape", wire: "Wire", eye: "Eye" };
/** Drawn as it is in the middle of its sizes. */
const middle = computed(() => {
  const sizes = (model.value?.rows ?? []).map((r) => r.size).sort(compareSizes);
  const size = sizes[Math.floor(sizes.length / 2)];
  return model.value && size !== undefined ? hookAt(model.value, size) : undefined;
});
function choose(id: string): void {
  chosen.value = id;
  mode.value = "look";
  effect.value = undefined;
}
function measured(found: HookEffect): void {
  effect.value = found;
  mode.value = "look";
}
async function forget(size: string): Promise<void> {
  if (!model.value) return;
  const found = await send(
    forgetHookSize,
    { params: { id: model.value.id, size: size.replace("/", "-") } },
    `Size ${size} is nominal again`,
  );
  if (!found) return;
  effect.value = found;
  await cache.invalidateQueries({ key: ["catalogue"] });
}
async function saved(id: string): Promise<void> {
  await Promise.all(["catalogue", "stock", "beginnings"].map((key) => cache.invalidateQueries({ key: [key] })));
  chosen.value = id;
  mode.value = "look";
}
</script>

<template>
  <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3">
    <h1>Hooks</h1>
    <button v-if="may('measure hooks')" class="btn" @click="mode = 'new'">New hook model</button>
  </div>
  <HookForm v-if="mode === 'new'" @saved="saved" @leave="mode = 'look'" />
  <RefusalNote :refusal="refusal" />
  <div class="grid grid-cols-[minmax(0,1fr)] gap-5 md:grid-cols-[13rem_minmax(0,1fr)]">
    <nav aria-label="Hook models">
      <ul class="sheet flex flex-wrap md:block">
        <li v-for="m in models" :key="m.id" class="border-b border-rule">
          <button
            class="w-full px-3 py-2 text-left hover:bg-ground"
            :class="{ 'bg-ground font-semibold': m.id === model?.id }"
            :aria-current="m.id === model?.id ? 'true' : undefined"
            @click="choose(m.id)"
          >
            <span class="fig mr-2">{{ m.id }}</span>{{ m.name
            }}<span class="block text-[0.86rem] font-normal text-soft"
              >{{ m.family }}, {{ m.rows.filter((r) => r.shank).length }} of {{ m.rows.length }} measured</span
            >
          </button>
        </li>
      </ul>
    </nav>
    <section v-if="model" :aria-label="model.name">
      <div class="mb-2 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 class="!text-xl">
          <span class="fig">{{ model.id }}</span> {{ model.name }}
        </h2>
        <template v-if="may('measure hooks') && mode === 'look'"
          ><button class="btn btn-main" @click="mode = 'measure'">Measure it</button
          ><button class="btn btn-plain" @click="mode = 'edit'">Change what is known</button></template
        >
      </div>
      <HookForm v-if="mode === 'edit'" :key="model.id" :model="model" @saved="saved" @leave="mode = 'look'" />
      <MeasureGuide v-if="mode === 'measure'" :key="model.id" :model="model" @done="measured" @leave="mode = 'look'" />
      <div v-if="effect" class="sheet mb-3 p-3" role="status">
        <div class="flex justify-between">
          <h3 class="font-semibold">What that changed in the running batches</h3>
          <button class="btn btn-plain !min-h-7" @click="effect = undefined">Seen</button>
        </div>
        <EffectList :effect="effect" />
      </div>
      <div class="mb-3 grid gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)]">
        <HookOutline v-if="middle" :hook="middle" class="h-40 border border-rule" />
        <HookFacts :model="model" />
      </div>
      <HookTable :model="model" :labels="labels" :can="may('measure hooks')" @forget="forget" />
      <NearHooks :model="model" :all="models" />
      <p class="mb-1 mt-4 text-[0.92rem] text-soft">
        <span class="text-call">◆</span> measured here, ○ computed from what was measured; the dashed line is nominal.
        Shaded: between measured sizes; two sizes beyond them the line ends, and a size must be measured.
      </p>
      <div class="grid gap-x-4 gap-y-2 sm:grid-cols-2">
        <HookCurve
          v-for="q in hookQuantities"
          :key="q"
          :model="model"
          :quantity="q"
          :label="labels[q]"
          class="sheet p-2"
        />
      </div>
    </section>
  </div>
</template>
