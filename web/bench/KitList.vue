<script setup lang="ts">
import { computed, reactive, ref } from "vue";
import type { BatchDetail } from "@kasten/contract/batches";
import ListBox from "../parts/ListBox.vue";
import { quantity } from "../parts/format";
import { baseOf, writtenSign } from "../parts/written";

/** What lies in the kit; more can be drawn while tying, so that what was taken beside it is in the ledger. */
const props = defineProps<{ batch: BatchDetail; can: boolean; busy: boolean }>();
const emit = defineEmits<{ draw: [key: string, much: number, note: string] }>();
const key = ref("hook");
const more = reactive<{ much: number | undefined; note: string }>({ much: undefined, note: "" });
const options = computed(() =>
  props.batch.requirements.map((r) => ({
    value: r.key,
    label: `${r.role}${r.side ? `, ${r.side}` : ""}: ${r.materialName}`,
  })),
);
const chosen = computed(() => props.batch.requirements.find((r) => r.key === key.value));
const base = computed(() => (chosen.value && more.much ? baseOf(more.much, chosen.value.unit) : 0));
function draw(): void {
  if (base.value <= 0) return;
  emit("draw", key.value, base.value, more.note.trim());
  more.much = undefined;
  more.note = "";
}
</script>

<template>
  <ul>
    <li v-for="r in batch.requirements" :key="r.key">
      {{ r.role }}: <span class="fig">{{ quantity(r.pulled, r.unit) }}</span> {{ r.materialName }}
    </li>
  </ul>
  <form v-if="can" class="mt-3 grid gap-2" @submit.prevent="draw">
    <ListBox v-model="key" label="Draw more of" :options="options" />
    <div class="flex flex-wrap items-end gap-2">
      <label
        ><span class="label">How much, {{ chosen ? writtenSign[chosen.unit] : "" }}</span
        ><input
          v-model.number="more.much"
          class="field fig min-h-[44px] w-24"
          type="number"
          inputmode="decimal"
          min="0"
          step="any"
      /></label>
      <label class="flex-1"
        ><span class="label">Why</span
        ><input v-model="more.note" class="field min-h-[44px] w-full" maxlength="200" placeholder="dropped, brittle"
      /></label>
      <button class="btn min-h-[44px]" :disabled="busy || base <= 0">Draw</button>
    </div>
  </form>
</template>
