<script setup lang="ts">
import { computed, ref } from "vue";
import { proportionsOf, type ComposedFly } from "@kasten/core/fly";
import { requirementsOf } from "@kasten/core/needs";
import type { FlyChoice, Recipe } from "@kasten/core/recipe";
import ListBox from "../parts/ListBox.vue";
import NumberWords from "../parts/NumberWords.vue";
import SwitchField from "../parts/SwitchField.vue";
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
    <div class="lg:sticky lg:top-[calc(var(--frame-head)+0.8rem)]">
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
        <ListBox
          v-if="recipe.variants.length > 1"
          label="Colour"
          quiet
          :options="recipe.variants.map((v) => ({ value: v.id, label: v.name }))"
          :model-value="shown.variant"
          @update:model-value="choose({ variant: $event })"
        />
        <ListBox
          v-if="recipe.forms.length > 1"
          label="Weight"
          quiet
          :options="recipe.forms.map((f) => ({ value: f.id, label: f.name }))"
          :model-value="shown.form"
          @update:model-value="choose({ form: $event })"
        />
        <SwitchField v-model="inside" class="ml-1">see inside</SwitchField>
      </div>
      <figure class="h-56 border border-rule bg-[var(--fly-ground)]" data-testid="drawing">
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
      <slot />
      <section v-if="needs.length > 0" class="sheet mt-2 px-2 py-1">
        <h3 class="text-[0.9rem] font-semibold">For a dozen</h3>
        <dl>
          <div
            v-for="n in needs"
            :key="n.key"
            class="flex flex-wrap justify-between gap-x-3 border-t border-rule py-0.5"
          >
            <dt>
              {{ n.role }} <span class="text-[0.88rem] text-soft">{{ n.materialName }}</span>
            </dt>
            <dd><NumberWords :words="n.words" /></dd>
          </div>
        </dl>
      </section>
      <div v-if="missing.length > 0" class="callout mt-2">
        <p class="font-semibold">Not complete; it can be saved all the same.</p>
        <ul tabindex="0" class="max-h-40 list-disc overflow-y-auto pl-5 text-[0.93rem]">
          <li v-for="m in missing" :key="m">{{ m }}</li>
        </ul>
      </div>
    </div>
  </aside>
</template>
