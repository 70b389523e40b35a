<script setup lang="ts">
import { computed, ref } from "vue";
import { proportionsOf, type ComposedFly } from "@kasten/core/fly";
import { requirementsOf } from "@kasten/core/needs";
import type { FlyChoice, Recipe } from "@kasten/core/recipe";
import NumberWords from "../parts/NumberWords.vue";
import { textOf } from "../parts/fields";
import { lengthFigure } from "../parts/units";
import FlyPicture from "./FlyPicture.vue";
import { DOZEN } from "./usePattern";

/** Beside what is written: the fly that it makes, its lengths and quantities, and what it still lacks. */
const props = defineProps<{
  id: string;
  name: string;
  recipe: Recipe;
  shown: FlyChoice;
  sizes: string[];
  tied: { fly?: ComposedFly; whole?: string };
  missing: string[];
  looked?: string;
}>();
const emit = defineEmits<{ choose: [change: Partial<FlyChoice>] }>();
const inside = ref(false);
const MOST_LENGTHS = 7;
const needs = computed(() => (props.tied.fly ? requirementsOf(props.tied.fly, DOZEN) : []));
const lengths = computed(() => (props.tied.fly ? proportionsOf(props.tied.fly).slice(0, MOST_LENGTHS) : []));
const choose = (change: Partial<FlyChoice>): void => emit("choose", change);
</script>

<template>
  <aside class="min-w-0">
    <div class="lg:sticky lg:top-16">
      <div class="mb-1 flex flex-wrap items-center gap-1">
        <button
          v-for="s in sizes"
          :key="s"
          class="btn fig !min-h-8 !px-2"
          :class="{ 'btn-main': s === shown.size }"
          :aria-pressed="s === shown.size"
          @click="choose({ size: s })"
        >
          {{ s }}
        </button>
        <select
          v-if="recipe.variants.length > 1"
          :value="shown.variant"
          class="field !min-h-8"
          aria-label="Colour"
          @change="choose({ variant: textOf($event) })"
        >
          <option v-for="v in recipe.variants" :key="v.id" :value="v.id">{{ v.name }}</option>
        </select>
        <select
          v-if="recipe.forms.length > 1"
          :value="shown.form"
          class="field !min-h-8"
          aria-label="Weight"
          @change="choose({ form: textOf($event) })"
        >
          <option v-for="f in recipe.forms" :key="f.id" :value="f.id">{{ f.name }}</option>
        </select>
        <label class="ml-1 flex items-center gap-1"
          ><input v-model="inside" type="checkbox" class="h-5 w-5" />see inside</label
        >
      </div>
      <figure class="h-64 border border-rule bg-[var(--fly-ground)]" data-testid="drawing">
        <FlyPicture
          v-if="tied.fly"
          :fly="tied.fly"
          :seed="id"
          :title="`${name}, size ${shown.size}`"
          :inside="inside"
          measures
          :letters="38"
          :step="looked"
        />
        <figcaption v-else class="flex h-full items-center justify-center p-4 text-center text-[#33443f]">
          {{ tied.whole ?? "Name the hook, the sizes and the thread: then the fly is drawn." }}
        </figcaption>
      </figure>
      <p v-if="tied.fly" class="mt-1 flex flex-wrap items-baseline gap-x-3">
        <span
          ><span class="fig">{{ tied.fly.tied.mass.total.toFixed(0) }}</span
          ><span class="unit">mg</span></span
        ><span
          ><span class="fig">{{ Number(tied.fly.minutes.toFixed(2)) }}</span
          ><span class="unit">min a fly</span></span
        ><span v-for="p in lengths" :key="p.step + p.kind" class="text-[0.92rem]"
          ><span class="text-soft">{{ p.part }}</span> <span class="fig">{{ lengthFigure(p.mm) }}</span></span
        >
      </p>
      <table v-if="needs.length > 0" class="sheet mt-2">
        <caption class="px-2 pt-1 text-left text-[0.9rem] font-semibold">
          For a dozen
        </caption>
        <thead class="sr-only">
          <tr>
            <th scope="col">Part</th>
            <th scope="col">Quantity</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="n in needs" :key="n.key">
            <td class="!py-0.5">
              {{ n.role }} <span class="text-[0.88rem] text-soft">{{ n.materialName }}</span>
            </td>
            <td class="!py-0.5 text-right"><NumberWords :words="n.words" /></td>
          </tr>
        </tbody>
      </table>
      <div v-if="missing.length > 0" class="callout mt-2">
        <p class="font-semibold">Not complete; it can be saved all the same.</p>
        <ul tabindex="0" class="max-h-40 list-disc overflow-y-auto pl-5 text-[0.93rem]">
          <li v-for="m in missing" :key="m">{{ m }}</li>
        </ul>
      </div>
    </div>
  </aside>
</template>
