<script setup lang="ts">
import { Check } from "lucide-vue-next";
import { computed } from "vue";
import { readBeginnings, type beginnings } from "@kasten/contract/settings";
import { call, useRead } from "../http";

/** The way from an empty room to the first batch; gone once it has been walked. */
type Step = (typeof beginnings)[number];
const way = useRead({ key: ["beginnings"], query: () => call(readBeginnings) });
const words: Record<Step, { says: string; to: string }> = {
  people: { says: "People", to: "/people" },
  hours: { says: "Hours of those who tie", to: "/people" },
  hooks: { says: "Hooks and their sizes", to: "/hooks" },
  materials: { says: "Materials", to: "/stock" },
  stock: { says: "What lies in the drawers", to: "/room?side=files" },
  patterns: { says: "Patterns", to: "/patterns/new" },
  customers: { says: "Customers", to: "/room?side=customers" },
  orders: { says: "The first order", to: "/orders" },
};
const steps = computed(() => way.data.value?.steps ?? []);
const isWalked = computed(() => steps.value.every((s) => s.count > 0));
const next = computed(() => steps.value.find((s) => s.count === 0)?.step);
</script>

<template>
  <section v-if="steps.length > 0 && !isWalked" class="sheet p-4" aria-label="To the first batch">
    <h2 class="mb-2">To the first batch</h2>
    <ol class="flex flex-wrap gap-x-2 gap-y-1.5">
      <li v-for="(s, i) in steps" :key="s.step">
        <RouterLink class="btn" :class="{ 'btn-main': s.step === next }" :to="words[s.step].to"
          ><Check v-if="s.count > 0" :size="16" class="text-done" aria-label="done" /><span v-else class="fig">{{
            i + 1
          }}</span
          >{{ words[s.step].says }}<span v-if="s.count > 0" class="fig text-soft">{{ s.count }}</span></RouterLink
        >
      </li>
    </ol>
    <p class="mt-2 text-[0.92rem] text-soft">
      In any order; whole files of materials, hooks, customers, lots and orders are taken in under
      <RouterLink class="link" to="/room?side=files">Files</RouterLink>.
    </p>
  </section>
</template>
