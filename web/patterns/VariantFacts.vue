<script setup lang="ts">
import { Plus, X } from "lucide-vue-next";
import { computed } from "vue";
import type { Recipe, WeightForm } from "@kasten/core/recipe";
import { useCatalogue } from "./catalogue";
import { unique } from "./draft";
import SwapList from "./SwapList.vue";
import OneOf from "../parts/OneOf.vue";
import TickBox from "../parts/TickBox.vue";

/** Colour variants and weight forms: what each swaps, by hook size where that changes, and what a form leaves out. */
const recipe = defineModel<Recipe>({ required: true });
const { hooks } = useCatalogue();
const swappable = computed(() => recipe.value.components.filter((c) => c.role !== "hook" && c.role !== "finish"));
const addVariant = (): void =>
  void recipe.value.variants.push({
    id: unique(
      "colour",
      recipe.value.variants.map((v) => v.id),
    ),
    name: "another colour",
    swaps: {},
  });
const addForm = (): void =>
  void recipe.value.forms.push({
    id: unique(
      "form",
      recipe.value.forms.map((f) => f.id),
    ),
    name: "another weight",
    omit: [],
  });
const toggleOmit = (f: WeightForm, id: string): void =>
  void (f.omit = f.omit.includes(id) ? f.omit.filter((x) => x !== id) : [...f.omit, id]);
</script>

<template>
  <div class="grid gap-4 lg:grid-cols-2">
    <section>
      <h3 class="label">Colour variants</h3>
      <div v-for="(v, i) in recipe.variants" :key="v.id" class="mb-2 border-l-2 border-rule pl-2">
        <div class="flex gap-2">
          <input v-model="v.name" class="field flex-1" :aria-label="`Name of colour ${i + 1}`" maxlength="80" /><button
            v-if="recipe.variants.length > 1"
            type="button"
            class="btn btn-plain"
            aria-label="Take this colour out"
            @click="recipe.variants.splice(i, 1)"
          >
            <X :size="16" />
          </button>
        </div>
        <SwapList v-model="v.swaps" :of="v.name" :parts="swappable" />
      </div>
      <button type="button" class="btn btn-plain" @click="addVariant">
        <Plus :size="16" aria-hidden="true" />a colour
      </button>
    </section>
    <section>
      <h3 class="label">Weight forms</h3>
      <div v-for="(f, i) in recipe.forms" :key="f.id" class="mb-2 border-l-2 border-rule pl-2">
        <div class="flex gap-2">
          <input
            v-model="f.name"
            class="field flex-1"
            :aria-label="`Name of weight form ${i + 1}`"
            maxlength="80"
          /><OneOf
            v-model="f.hookModel"
            class="w-36"
            :label="`Hook of weight form ${i + 1}`"
            quiet
            none="same hook"
            :options="[...hooks.values()].map((h) => ({ id: h.id, name: h.id }))"
          /><button
            v-if="recipe.forms.length > 1"
            type="button"
            class="btn btn-plain"
            aria-label="Take this form out"
            @click="recipe.forms.splice(i, 1)"
          >
            <X :size="16" />
          </button>
        </div>
        <span class="mr-2 text-[0.9rem] text-soft">without</span
        ><TickBox
          v-for="c in swappable.filter((x) => x.role !== 'thread')"
          :key="c.id"
          class="mr-3 !inline-flex text-[0.92rem]"
          :model-value="f.omit.includes(c.id)"
          @update:model-value="toggleOmit(f, c.id)"
          >{{ c.role }}</TickBox
        >
        <SwapList v-model="f.swaps" :of="f.name" :parts="swappable.filter((x) => !f.omit.includes(x.id))" />
      </div>
      <button type="button" class="btn btn-plain" @click="addForm">
        <Plus :size="16" aria-hidden="true" />a weight form
      </button>
    </section>
  </div>
</template>
