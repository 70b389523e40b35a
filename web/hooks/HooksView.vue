<script setup lang="ts">
import { useQueryCache } from "@pinia/colada";
import { computed, ref } from "vue";
import { compareSizes, hookAt, hookMass, hookQuantities, type HookQuantity } from "@kasten/core/hooks";
import { forgetHookSize, type HookEffect, type HookModelData } from "@kasten/contract/hooks";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";
import { lengthFigure, units } from "../parts/units";
import { useCatalogue } from "../patterns";
import { useSession } from "../team";
import EffectList from "./EffectList.vue";
import HookCurve from "./HookCurve.vue";
import HookForm from "./HookForm.vue";
import HookOutline from "./HookOutline.vue";
import MeasureGuide from "./MeasureGuide.vue";
import NearHooks from "./NearHooks.vue";

const { data, patterns } = useCatalogue();
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
const steps = (n: number, more: string, less: string) =>
  n === 0 ? "standard" : n > 0 ? `${n} ${more}` : `${-n} ${less}`;
const sizes = computed(() =>
  (model.value?.rows ?? [])
    .map((r) => r.size)
    .sort(compareSizes)
    .map((size) => {
      const h = hookAt(model.value as HookModelData, size);
      return { h, own: model.value?.rows.find((r) => r.size === size), mass: hookMass(h) };
    }),
);
const middle = computed(() => sizes.value[Math.floor(sizes.value.length / 2)]?.h);
const users = computed(() => [...patterns.value.values()].filter((p) => p.hookModel === model.value?.id));
const where = (h: (typeof sizes.value)[number]["h"]): string => {
  const s = h.sources.shank;
  return s.from === "measured" ? `measured, ${s.where}` : "nominal";
};
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
async function saved(): Promise<void> {
  await cache.invalidateQueries({ key: ["catalogue"] });
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
        <dl class="grid grid-cols-[auto_1fr] content-start gap-x-4 gap-y-0.5 text-[0.95rem]">
          <dt class="text-soft">Family</dt>
          <dd>
            {{ model.family }}, {{ model.bend }} bend, {{ model.points === 2 ? "two points" : "one point" }},
            {{ model.barbless ? "barbless" : "barbed" }}
          </dd>
          <dt class="text-soft">Shank</dt>
          <dd>{{ steps(model.shankSteps, "longer", "shorter") }}</dd>
          <dt class="text-soft">Gape</dt>
          <dd>{{ steps(model.gapeSteps, "wider", "narrower") }}</dd>
          <dt class="text-soft">Wire</dt>
          <dd>
            {{ steps(model.wireSteps, "heavier", "finer")
            }}<template v-if="model.wireReason">: {{ model.wireReason }}</template>
          </dd>
          <dt class="text-soft">Eye</dt>
          <dd>
            {{ model.eyeForm
            }}<template v-if="model.eyeForm.startsWith('returned')"
              >: level the step that its end leaves along the shank</template
            >
          </dd>
          <dt v-if="model.finish" class="text-soft">Finish</dt>
          <dd v-if="model.finish">{{ model.finish }}</dd>
          <template v-for="n in model.near" :key="n.model"
            ><dt class="text-soft">Near</dt>
            <dd>{{ n.model }}, but {{ n.differs || "not the same" }}</dd></template
          >
          <dt class="text-soft">Patterns</dt>
          <dd>
            <RouterLink v-for="(p, i) in users.slice(0, 8)" :key="p.id" class="link" :to="`/patterns/${p.id}`"
              >{{ i > 0 ? ", " : "" }}{{ p.name }}</RouterLink
            ><template v-if="users.length > 8"> and {{ users.length - 8 }} more</template
            ><template v-if="users.length === 0">none</template>
          </dd>
        </dl>
      </div>
      <div class="sheet overflow-x-auto">
        <table>
          <thead>
            <tr>
              <th scope="col">Size</th>
              <th v-for="q in hookQuantities" :key="q" scope="col" class="text-right">{{ labels[q] }}, {{ units }}</th>
              <th scope="col" class="text-right">Point</th>
              <th scope="col" class="text-right">Barb</th>
              <th scope="col" class="text-right">Bend</th>
              <th scope="col" class="text-right">mg</th>
              <th scope="col">Where from</th>
              <th scope="col"><span class="sr-only">Take back</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in sizes" :key="s.h.size">
              <th scope="row" class="fig !border-b !border-rule !text-base !text-ink">{{ s.h.size }}</th>
              <td
                v-for="q in hookQuantities"
                :key="q"
                class="fig text-right"
                :class="s.own?.[q] ? 'font-bold' : 'text-soft'"
              >
                {{ lengthFigure(s.h[q], 2) }}
              </td>
              <td class="fig text-right text-soft">{{ lengthFigure(s.h.point) }}</td>
              <td class="fig text-right text-soft">{{ lengthFigure(s.h.barb) }}</td>
              <td class="fig text-right text-soft">{{ lengthFigure(s.h.shank) }}</td>
              <td class="fig text-right" :class="s.own?.mass ? 'font-bold' : 'text-soft'">{{ s.mass.toFixed(0) }}</td>
              <td class="text-[0.92rem]">{{ where(s.h) }}</td>
              <td class="text-right">
                <button
                  v-if="may('measure hooks') && s.own && hookQuantities.some((q) => s.own?.[q])"
                  class="btn btn-plain !min-h-7"
                  :aria-label="`Take back what was measured at size ${s.h.size}`"
                  @click="forget(s.h.size)"
                >
                  take back
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
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
