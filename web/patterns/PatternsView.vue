<script setup lang="ts">
import { computed, ref } from "vue";
import { fold } from "@kasten/core/orders";
import { money } from "../parts/format";
import { useCatalogue } from "./catalogue";
import FlyDrawing from "./FlyDrawing.vue";

const { data, materials } = useCatalogue();
const words = ref("");
const list = computed(() => {
  const wanted = fold(words.value).split(" ").filter(Boolean);
  return (data.value?.patterns ?? []).filter((p) => {
    const used = p.recipe.components.flatMap((c) => c.material.map((m) => materials.value.get(m.value)?.name ?? ""));
    const text = fold([p.name, p.style, p.species, ...used, ...p.recipe.variants.map((v) => v.name)].join(" "));
    return wanted.every((w) => text.includes(w));
  });
});
</script>
<template>
  <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3"><h1>Patterns</h1><label class="flex items-center gap-2"><span class="text-soft">Find by name, style, fish or material</span><input v-model="words" type="search" class="field w-56" /></label></div>
  <ul class="grid gap-px border border-rule bg-rule sm:grid-cols-2 xl:grid-cols-3">
    <li v-for="p in list" :key="p.id" class="bg-sheet">
      <RouterLink :to="`/patterns/${p.id}`" class="block h-full p-3 hover:bg-ground">
        <FlyDrawing v-if="p.missing.length === 0" :pattern="p.id" :size="p.recipe.sizes.from" :variant="p.recipe.variants[0]?.id ?? ''" :form="p.recipe.forms[0]?.id ?? ''" class="h-36" />
        <div v-else class="flex h-36 items-center justify-center bg-well p-4 text-soft">Not complete enough to be drawn</div>
        <div class="mt-2 flex items-baseline justify-between gap-3"><b class="text-lg">{{ p.name }}</b><span v-if="p.missing.length === 0" class="fig">{{ p.recipe.sizes.from }}–{{ p.recipe.sizes.to }}</span><span v-else class="tag tag-call">incomplete</span></div>
        <p class="text-[0.93rem] text-soft">{{ p.style }}<template v-if="p.species">, for {{ p.species }}</template></p>
        <p v-if="p.missing.length === 0" class="text-[0.93rem]"><span class="fig">{{ p.recipe.minutesPerFly }}</span><span class="unit">min a fly</span>, <span class="fig">{{ money(p.recipe.pricePerDozenCents) }}</span><span class="unit">a dozen</span>; {{ p.recipe.variants.map((v) => v.name).join(", ") }}</p>
      </RouterLink>
    </li>
  </ul>
  <p v-if="data && list.length === 0" class="sheet p-4 text-soft">No pattern has all of those words.</p>
</template>
