<script setup lang="ts">
import { computed, ref } from "vue";
import NumberWords from "../parts/NumberWords.vue";
import RadioSet from "../parts/RadioSet.vue";
import { optionsOf } from "../parts/option";
import { FlyPicture } from "../patterns";
import { faceAt, faceName, faceSizes } from "./faceFly";

/** What this is, at a glance: a fly drawn by its computation, and what a batch of it takes. */
const size = ref(faceSizes[0] ?? "");
const dozens = ref(6);
const now = computed(() => faceAt(size.value, dozens.value));
const amounts = [1, 6, 24].map((n) => ({ value: n, label: `${n} dz` }));
</script>

<template>
  <section aria-label="A fly and what it takes" class="min-w-0">
    <figure class="h-56 border border-rule bg-[var(--fly-ground)] sm:h-72 2xl:h-96">
      <FlyPicture
        :fly="now.fly"
        seed="mole-pier"
        :title="`${faceName}, size ${size}, side view to scale`"
        measures
        :letters="34"
      />
    </figure>
    <div class="mt-2 flex flex-wrap items-end justify-between gap-3">
      <RadioSet v-model="size" label="Hook size" :options="optionsOf(faceSizes)" />
      <RadioSet v-model="dozens" label="To tie" :options="amounts" />
    </div>
    <ul class="mt-3 grid gap-x-6 text-[0.95rem] sm:grid-cols-2">
      <li v-for="n in now.needs" :key="n.key" class="flex justify-between gap-3 border-b border-rule py-1">
        <span>{{ n.materialName }}</span><NumberWords
          class="text-right font-semibold"
          :words="n.words.split(':')[0] ?? ''"
        />
      </li>
    </ul>
  </section>
</template>
