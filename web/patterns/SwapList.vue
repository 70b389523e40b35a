<script setup lang="ts">
import { X } from "lucide-vue-next";
import { computed } from "vue";
import type { BySize, Component } from "@kasten/core/recipe";
import SizedMaterials from "./SizedMaterials.vue";
import ListBox from "../parts/ListBox.vue";

/** The parts whose material differs, in a colour or a weight form, by hook size where that changes. */
type Swaps = Record<string, BySize<string>[]>;
const swaps = defineModel<Swaps | undefined>({ required: true });
const props = defineProps<{ of: string; parts: Component[] }>();
const left = computed(() => props.parts.filter((c) => !(c.id in (swaps.value ?? {}))));
const partOf = (id: string): Component | undefined => props.parts.find((c) => c.id === id);
const swap = (id: string, materials: BySize<string>[]): void => {
  swaps.value = { ...swaps.value, [id]: materials.map((m) => ({ ...m })) };
};
const unswap = (id: string): void => {
  swaps.value = Object.fromEntries(Object.entries(swaps.value ?? {}).filter(([k]) => k !== id));
};
</script>

<template>
  <div v-for="(swapped, id) in swaps ?? {}" :key="id" class="mt-1 grid grid-cols-[5rem_1fr_auto] items-start gap-2">
    <span class="pt-2 text-[0.9rem]">{{ partOf(String(id))?.role ?? id }}</span><SizedMaterials
      :label="`${id} in ${of}`"
      :model-value="swapped"
      @update:model-value="swap(String(id), $event)"
    /><button type="button" class="btn btn-plain" aria-label="As in the pattern" @click="unswap(String(id))">
      <X :size="16" />
    </button>
  </div>
  <ListBox
    class="mt-1 max-w-48"
    label="Differs in"
    placeholder="nothing more"
    :options="left.map((c) => ({ value: c.id, label: c.role }))"
    model-value=""
    @update:model-value="swap($event, partOf($event)?.material ?? [])"
  />
</template>
