<script setup lang="ts">
import { X } from "lucide-vue-next";
import { computed } from "vue";
import type { Coat, Finish, Recipe } from "@kasten/core/recipe";
import { textOf } from "../parts/fields";
import MaterialPicker from "./MaterialPicker.vue";

/** How it is finished: coats, of what, and how long each dries; none on purpose is something else than not said. */
const r = defineModel<Recipe>({ required: true });
const finishes = computed(() => r.value.components.filter((c) => c.role === "finish"));
const coats = computed<Coat[]>(() =>
  r.value.finish.state === "given" ? [r.value.finish, ...(r.value.finish.then ?? [])].map(plain) : [],
);
const plain = ({ component, coats: n, dryMinutes }: Coat): Coat => ({ component, coats: n, dryMinutes });
const USUAL = { coats: 1, dryMinutes: 360 };
const wholeOf = (event: Event, least: number): number => Math.max(least, Math.round(Number(textOf(event)) || 0));

function setFinish(state: Finish["state"]): void {
  const component = finishes.value[0]?.id ?? "";
  r.value.finish = state === "given" ? { state, component, ...USUAL } : { state };
}
function addFinish(code: string): void {
  const id = finishes.value.some((c) => c.id === "finish") ? `finish-${finishes.value.length + 1}` : "finish";
  r.value.components.push({ id, role: "finish", material: [{ value: code }] });
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
    <select
      class="field mb-1"
      aria-label="Finish"
      :value="r.finish.state"
      @change="setFinish(textOf($event) as Finish['state'])"
    >
      <option value="not stated">nobody has said</option>
      <option value="none">none, on purpose</option>
      <option value="given" :disabled="finishes.length === 0">given</option>
    </select>
    <div v-for="(c, i) in coats" :key="i" class="mb-1 flex flex-wrap items-center gap-2">
      <span v-if="i > 0">then</span
      ><input
        class="field fig w-14"
        type="number"
        min="1"
        max="9"
        aria-label="coats"
        :value="c.coats"
        @change="setCoat(i, { coats: wholeOf($event, 1) })"
      />
      ×
      <select class="field" aria-label="of" :value="c.component" @change="setCoat(i, { component: textOf($event) })">
        <option v-for="x in finishes" :key="x.id" :value="x.id">{{ x.id }}</option>
      </select>
      dry
      <input
        class="field fig w-20"
        type="number"
        min="0"
        aria-label="minutes to dry"
        :value="c.dryMinutes"
        @change="setCoat(i, { dryMinutes: wholeOf($event, 0) })"
      />
      min<button
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
