<script setup lang="ts">
import { X } from "lucide-vue-next";
import { computed } from "vue";
import type { Material } from "@kasten/core/materials";
import { useCatalogue } from "./catalogue";
import MaterialFinder from "./MaterialFinder.vue";
import NumberField from "../parts/NumberField.vue";
import SwitchField from "../parts/SwitchField.vue";

/** What a blend is mixed of, by parts, and what share each has. */
const m = defineModel<Material>({ required: true });
const { materials } = useCatalogue();
const parts = computed(() => Object.entries(m.value.blend?.parts ?? {}));
const whole = computed(() => parts.value.reduce((sum, [, share]) => sum + share, 0));
const nameOf = (code: string): string => materials.value.get(code)?.name ?? code;
const set = (change: Partial<NonNullable<Material["blend"]>>): void =>
  void (m.value = { ...m.value, blend: { leastChargeMg: 0, parts: {}, ...m.value.blend, ...change } });
const setParts = (list: [string, number][]): void => set({ parts: Object.fromEntries(list) });
const isLaid = computed({
  get: () => m.value.blend?.laid === true,
  set: (laid) => set({ laid: laid || undefined }),
});
</script>

<template>
  <fieldset>
    <legend class="label">Mixed of, by parts</legend>
    <div v-for="([code, share], i) in parts" :key="code" class="mb-1 flex items-center gap-2">
      <NumberField
        class="w-20"
        :label="`Parts of ${nameOf(code)}`"
        quiet
        :min="0.01"
        :model-value="share"
        @update:model-value="setParts(parts.map((p, j) => (j === i ? [p[0], $event || 1] : p)))"
      /><span class="fig w-16 text-right">{{ Math.round((100 * share) / whole) }}<span class="unit">%</span></span
      ><b>{{ nameOf(code) }}</b
      ><button
        type="button"
        class="btn btn-plain"
        :aria-label="`Without ${nameOf(code)}`"
        @click="setParts(parts.filter((_, j) => j !== i))"
      >
        <X :size="16" />
      </button>
    </div>
    <MaterialFinder
      class="max-w-md"
      label="Another part of the blend"
      model-value=""
      :only="(f) => f === 'dubbing' || f === 'blend' || f === 'hair' || f === 'yarn'"
      @update:model-value="setParts([...parts, [$event, 1]])"
    />
    <SwitchField v-model="isLaid">laid over each other in a loop: taken from their own drawers, not milled</SwitchField>
  </fieldset>
</template>
