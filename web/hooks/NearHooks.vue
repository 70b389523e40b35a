<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { compareSizes, nearHooks } from "@kasten/core/hooks";
import type { HookModelData } from "@kasten/contract/hooks";

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
    <h3 class="mb-1 font-semibold">
      What comes near it, at size
      <select v-model="size" class="field fig !min-h-7" aria-label="Size at which hooks are compared">
        <option v-for="s in sizes" :key="s">{{ s }}</option>
      </select>
    </h3>
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
