<script setup lang="ts">
import { X } from "lucide-vue-next";
import { computed } from "vue";
import type { Coat, Finish, Recipe } from "@kasten/core/recipe";
import MaterialPicker from "./MaterialPicker.vue";
import ListBox from "../parts/ListBox.vue";
import NumberField from "../parts/NumberField.vue";
import type { Option } from "../parts/option";

/** How it is finished: coats, of what, and how long each dries; none on purpose is something else than not said. */
const r = defineModel<Recipe>({ required: true });
const finishes = computed(() => r.value.components.filter((c) => c.role === "finish"));
const coats = computed<Coat[]>(() =>
  r.value.finish.state === "given" ? [r.value.finish, ...(r.value.finish.then ?? [])].map(plain) : [],
);
const plain = ({ component, coats: n, dryMinutes }: Coat): Coat => ({ component, coats: n, dryMinutes });
const USUAL = { coats: 1, dryMinutes: 360 };
const states = computed<Option<Finish["state"]>[]>(() => [
  { value: "not stated", label: "nobody has said" },
  { value: "none", label: "none, on purpose" },
  { value: "given", label: "given", disabled: finishes.value.length === 0 },
]);

function setFinish(state: Finish["state"]): void {
  const component = finishes.value[0]?.id ?? "";
  r.value.finish = state === "given" ? { state, component, ...USUAL } : { state };
}
function addFinish(code: string): void {
  const id = finishes.value.some((c) => c.id === "finish") ? `finish-${finishes.value.length + 1}` : "finish";
  r.value.components = [...r.value.components, { id, role: "finish", material: [{ value: code }] }];
  setCoats([...coats.value, { component: id, ...USUAL }]);
}
function setCoats([first, ...then]: Coat[]): void {
  r.value.finish = first ? { state: "given", ...first, ...(then.length > 0 && { then }) } : { state: "not stated" };
}
const setCoat = (i: number, change: Partial<Coat>): void =>
  setCoats(coats.value.map((c, j) => (i === j ? { ...c, ...change } : c)));
</script>

<template>
  <section>
    <h3 class="label">Finish</h3>
    <ListBox
      class="mb-1 max-w-56"
      label="Finish"
      quiet
      :options="states"
      :model-value="r.finish.state"
      @update:model-value="setFinish"
    />
    <div v-for="(c, i) in coats" :key="i" class="mb-1 flex flex-wrap items-center gap-2">
      <span v-if="i > 0">then</span
      ><NumberField
        class="w-16"
        label="coats"
        quiet
        :min="1"
        :max="9"
        :least="1"
        :model-value="c.coats"
        @update:model-value="setCoat(i, { coats: Math.round($event ?? 1) })"
      />
      ×
      <ListBox
        class="w-32"
        label="of"
        quiet
        :options="finishes.map((x) => ({ value: x.id, label: x.id }))"
        :model-value="c.component"
        @update:model-value="setCoat(i, { component: $event })"
      />
      dry
      <NumberField
        class="w-28"
        label="minutes to dry"
        quiet
        unit="min"
        :min="0"
        :least="0"
        :model-value="c.dryMinutes"
        @update:model-value="setCoat(i, { dryMinutes: Math.round($event ?? 0) })"
      /><button
        type="button"
        class="btn btn-plain"
        aria-label="Take this coat out"
        @click="setCoats(coats.filter((_, j) => j !== i))"
      >
        <X :size="16" />
      </button>
    </div>
    <MaterialPicker
      label="Add a finish"
      model-value=""
      :only="(f) => f === 'liquid'"
      @update:model-value="addFinish($event)"
    />
  </section>
</template>
