<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { compareSizes, nearHooks } from "@kasten/core/hooks";
import type { HookModelData } from "@kasten/contract/hooks";
import ListBox from "../parts/ListBox.vue";
import { optionsOf } from "../parts/option";

/** Hooks that come near this one at a size, compared by their figures. Near is never the same. */
const props = defineProps<{ model: HookModelData; all: HookModelData[] }>();
const sizes = computed(() => props.model.rows.map((r) => r.size).sort(compareSizes));
const size = ref("");
watch(
  () => props.model.id,
  () => {
    size.value = sizes.value[Math.floor(sizes.value.length / 2)] ?? "12";
  },
  { immediate: true },
);
const STEP = 1;
const near = computed(() => (size.value ? nearHooks(props.model, size.value, props.all, STEP).slice(0, 6) : []));
const said = (id: string): string => props.model.near.find((n) => n.model === id)?.differs ?? "";
</script>

<template>
  <section class="mt-4">
    <div class="mb-1 flex flex-wrap items-center gap-2">
      <h3 class="font-semibold">What comes near it, at size</h3>
      <ListBox
        v-model="size"
        class="w-20"
        label="Size at which hooks are compared"
        quiet
        mono
        :options="optionsOf(sizes)"
      />
    </div>
    <ul v-if="near.length > 0" class="sheet">
      <li v-for="h in near" :key="h.id" class="flex flex-wrap items-baseline gap-x-3 border-b border-rule px-3 py-1.5">
        <b
          ><span class="fig">{{ h.id }}</span> {{ h.name }}</b
        ><span>{{ h.differs.join(", ") || "the same figures" }}</span
        ><span v-if="said(h.id)" class="text-soft">as its maker says: {{ said(h.id) }}</span
        ><span class="tag ml-auto" :class="h.fits ? 'tag-done' : ''">{{
          h.fits ? "within a step" : "another hook"
        }}</span>
      </li>
    </ul>
    <p v-else class="text-soft">No other hook comes near it at this size.</p>
  </section>
</template>
