<script setup lang="ts">
import { Plus, X } from "lucide-vue-next";
import { computed } from "vue";
import type { BySize, Recipe, Variant, WeightForm } from "@kasten/core/recipe";
import { useCatalogue } from "./catalogue";
import { unique } from "./draft";
import SizedMaterials from "./SizedMaterials.vue";

/** Colour variants and weight forms: what each swaps, by hook size where that changes, and what a form leaves out. */
const recipe = defineModel<Recipe>({ required: true });
const { hooks } = useCatalogue();
const roleOf = (id: string): string => recipe.value.components.find((c) => c.id === id)?.role ?? id;
const own = (id: string): BySize<string>[] => recipe.value.components.find((c) => c.id === id)?.material ?? [];
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
const swap = (of: Variant | WeightForm, id: string, materials: BySize<string>[]): void =>
  void (of.swaps = { ...of.swaps, [id]: materials.map((m) => ({ ...m })) });
function unswap(of: Variant | WeightForm, id: string): void {
  of.swaps = Object.fromEntries(Object.entries(of.swaps ?? {}).filter(([k]) => k !== id));
}
const toggleOmit = (f: WeightForm, id: string): void =>
  void (f.omit = f.omit.includes(id) ? f.omit.filter((x) => x !== id) : [...f.omit, id]);
const text = (event: Event): string => (event.target as HTMLInputElement).value;
function begin(of: Variant | WeightForm, event: Event): void {
  const id = text(event);
  if (id) swap(of, id, own(id));
  (event.target as HTMLSelectElement).value = "";
}
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
        <div v-for="(swapped, id) in v.swaps" :key="id" class="mt-1 grid grid-cols-[5rem_1fr_auto] items-start gap-2">
          <span class="pt-2 text-[0.9rem]">{{ roleOf(String(id)) }}</span><SizedMaterials
            :label="`${id} in ${v.name}`"
            :model-value="swapped"
            @update:model-value="swap(v, String(id), $event)"
          /><button type="button" class="btn btn-plain" aria-label="As in the pattern" @click="unswap(v, String(id))">
            <X :size="16" />
          </button>
        </div>
        <label class="mt-1 block text-[0.9rem]"
          >Differs in
          <select class="field !min-h-7" value="" @change="begin(v, $event)">
            <option value="">nothing more</option>
            <option v-for="c in swappable.filter((x) => !(x.id in v.swaps))" :key="c.id" :value="c.id">
              {{ c.role }}
            </option>
          </select></label
        >
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
          /><select
            class="field w-28"
            :aria-label="`Hook of weight form ${i + 1}`"
            :value="f.hookModel ?? ''"
            @change="f.hookModel = text($event) || undefined"
          >
            <option value="">same hook</option>
            <option v-for="h in hooks.values()" :key="h.id" :value="h.id">{{ h.id }}</option></select
          ><button
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
        ><label
          v-for="c in swappable.filter((x) => x.role !== 'thread')"
          :key="c.id"
          class="mr-3 inline-flex items-center gap-1 text-[0.92rem]"
          ><input type="checkbox" :checked="f.omit.includes(c.id)" @change="toggleOmit(f, c.id)" />{{ c.role }}</label
        >
        <div
          v-for="(swapped, id) in f.swaps ?? {}"
          :key="id"
          class="mt-1 grid grid-cols-[5rem_1fr_auto] items-start gap-2"
        >
          <span class="pt-2 text-[0.9rem]">{{ roleOf(String(id)) }}</span><SizedMaterials
            :label="`${id} in ${f.name}`"
            :model-value="swapped"
            @update:model-value="swap(f, String(id), $event)"
          /><button type="button" class="btn btn-plain" aria-label="As in the pattern" @click="unswap(f, String(id))">
            <X :size="16" />
          </button>
        </div>
        <label class="mt-1 block text-[0.9rem]"
          >Differs in
          <select class="field !min-h-7" value="" @change="begin(f, $event)">
            <option value="">nothing more</option>
            <option
              v-for="c in swappable.filter((x) => !(x.id in (f.swaps ?? {})) && !f.omit.includes(x.id))"
              :key="c.id"
              :value="c.id"
            >
              {{ c.role }}
            </option>
          </select></label
        >
      </div>
      <button type="button" class="btn btn-plain" @click="addForm">
        <Plus :size="16" aria-hidden="true" />a weight form
      </button>
    </section>
  </div>
</template>
