<script setup lang="ts">
import { X } from "lucide-vue-next";
import { computed, ref } from "vue";
import { sayRecipe } from "@kasten/core/words";
import { inheritFrom } from "@kasten/core/recipe";
import { useCatalogue } from "./catalogue";
import type { Draft } from "./draft";
import ComboBox from "../parts/ComboBox.vue";
import TextField from "../parts/TextField.vue";

/** Which patterns this one comes from, what it changes, and what it takes from them because nobody gave it. */
const draft = defineModel<Draft>({ required: true });
const { patterns, recipeOf, materials } = useCatalogue();
const from = ref("");
const told = ref("");
const parents = () => draft.value.recipe.parents ?? [];
const known = computed(() => [...patterns.value.values()].sort((a, b) => a.name.localeCompare(b.name)));
const nameOf = (id: string): string => patterns.value.get(id)?.name ?? id;
const parent = computed(() => (from.value ? recipeOf(from.value) : undefined));

function take(): void {
  const [entry, recipe] = [patterns.value.get(from.value), parent.value];
  if (!entry || !recipe) return;
  const { recipe: next, inherited } = inheritFrom(plain(draft.value.recipe), recipe);
  const before = parents().find((p) => p.pattern === entry.id);
  const entryOf = {
    pattern: entry.id,
    changes: before?.changes ?? "",
    version: entry.version,
    inherited: [...new Set([...(before?.inherited ?? []), ...inherited])],
  };
  draft.value.recipe = { ...plain(next), parents: [...parents().filter((p) => p.pattern !== entry.id), entryOf] };
  if (inherited.includes("steps")) {
    const lines = sayRecipe({ ...next, told: undefined }, materials.value);
    draft.value.text = [draft.value.text.trimEnd(), ...lines.map((l) => l.text)].filter(Boolean).join("\n");
    draft.value.lines = [...draft.value.lines, ...lines.map((l) => ({ text: l.text, ids: l.steps }))];
  }
  told.value =
    inherited.length > 0
      ? `Taken from ${entry.name}: ${inherited.join(", ")}.`
      : `Nothing was missing that ${entry.name} has.`;
  from.value = "";
}
/** A copy that shares nothing with the draft or the catalogue. */
const plain = <T,>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const set = (i: number, changes: string): void =>
  void (draft.value.recipe.parents = parents().map((p, j) => (j === i ? { ...p, changes } : p)));
function remove(i: number): void {
  const rest = parents().filter((_, j) => j !== i);
  draft.value.recipe.parents = rest.length > 0 ? rest : undefined;
}
</script>

<template>
  <section class="grid content-start gap-2">
    <h3 class="label">Comes from other patterns</h3>
    <div v-for="(p, i) in parents()" :key="p.pattern" class="flex flex-wrap items-center gap-2">
      <b>{{ nameOf(p.pattern) }}</b><span v-if="p.version" class="text-soft">version {{ p.version }}</span
      ><TextField
        class="min-w-40 flex-1"
        label="What this one changes"
        quiet
        placeholder="what this one changes"
        :model-value="p.changes"
        @update:model-value="set(i, $event ?? '')"
      /><button type="button" class="btn btn-plain" :aria-label="`Not from ${nameOf(p.pattern)}`" @click="remove(i)">
        <X :size="16" />
      </button>
      <span v-if="p.inherited?.length" class="w-full text-[0.9rem] text-soft"
        >inherited: {{ p.inherited.join(", ") }}</span
      >
    </div>
    <div class="flex flex-wrap items-center gap-2">
      <ComboBox
        v-model="from"
        class="min-w-48 flex-1"
        label="Pattern that it comes from"
        quiet
        placeholder="find a pattern"
        :options="known.map((p) => ({ value: p.id, label: p.name, note: p.style }))"
      /><button type="button" class="btn" :disabled="!parent" @click="take">Take from it what is not given here</button>
    </div>
    <p v-if="told" role="status">{{ told }}</p>
  </section>
</template>
