<script setup lang="ts">
import { X } from "lucide-vue-next";
import { computed } from "vue";
import type { Coat, Finish } from "@kasten/core/recipe";
import { useCatalogue } from "./catalogue";
import type { Draft } from "./draft";
import DressingFacts from "./DressingFacts.vue";
import MaterialPicker from "./MaterialPicker.vue";
import ParentFacts from "./ParentFacts.vue";
import VariantFacts from "./VariantFacts.vue";

/** What a pattern is beside its steps: name, hook, sizes, colours, weight forms, finish, minutes and price. */
const draft = defineModel<Draft>({ required: true });
const emit = defineEmits<{ rehome: [hookModel: string] }>();
const { hooks, data } = useCatalogue();
const r = computed(() => draft.value.recipe);
const styles = computed(() => [...new Set((data.value?.patterns ?? []).map((p) => p.style))].sort());
const finishes = computed(() => r.value.components.filter((c) => c.role === "finish"));
const coats = computed<Coat[]>(() =>
  r.value.finish.state === "given" ? [r.value.finish, ...(r.value.finish.then ?? [])] : [],
);
const value = (event: Event): string => (event.target as HTMLInputElement).value;
const number = (event: Event): number => Math.max(0, Number(value(event)) || 0);

function setFinish(state: Finish["state"]): void {
  const first = finishes.value[0]?.id ?? "";
  r.value.finish = state === "given" ? { state, component: first, coats: 1, dryMinutes: 360 } : { state };
}
function addFinish(code: string): void {
  const id = finishes.value.some((c) => c.id === "finish") ? `finish-${finishes.value.length + 1}` : "finish";
  r.value.components.push({ id, role: "finish", material: [{ value: code }] });
  setCoats([...coats.value, { component: id, coats: 1, dryMinutes: 360 }]);
}
function setCoats([first, ...then]: Coat[]): void {
  r.value.finish = first
    ? {
        state: "given",
        component: first.component,
        coats: first.coats,
        dryMinutes: first.dryMinutes,
        ...(then.length > 0 && { then }),
      }
    : { state: "not stated" };
}
const setCoat = (i: number, change: Partial<Coat>): void =>
  setCoats(
    coats.value.map((c, j) => ({
      component: c.component,
      coats: c.coats,
      dryMinutes: c.dryMinutes,
      ...(i === j ? change : {}),
    })),
  );

const lines = (text: string): string[] | undefined => {
  const all = text
    .split("\n")
    .map((t) => t.trim())
    .filter(Boolean);
  return all.length > 0 ? all : undefined;
};
</script>

<template>
  <div class="grid gap-4">
    <div class="flex flex-wrap items-end gap-3">
      <label class="min-w-52 flex-1"
        ><span class="label">Name</span
        ><input v-model="draft.name" class="field w-full text-lg font-semibold" maxlength="80" required
      /></label>
      <label class="min-w-40"
        ><span class="label">Style</span
        ><input v-model="draft.style" class="field w-full" maxlength="80" list="styles" /></label
      ><datalist id="styles"><option v-for="s in styles" :key="s" :value="s"></option></datalist>
      <label for="hook-model" class="grid"
        ><span class="label">Hook</span
        ><select
          id="hook-model"
          :value="r.hookModel"
          class="field"
          aria-label="Hook"
          @change="emit('rehome', value($event))"
        >
          <option value="">not named yet</option>
          <option v-for="h in hooks.values()" :key="h.id" :value="h.id">{{ h.id }} {{ h.name }}</option>
        </select></label
      >
      <label
        ><span class="label">Sizes</span
        ><span class="flex items-center gap-1"
          ><input v-model="r.sizes.from" class="field fig w-16" aria-label="From size" /> to
          <input v-model="r.sizes.to" class="field fig w-16" aria-label="To size" /></span
      ></label>
      <label
        ><span class="label">Minutes a fly</span
        ><input
          class="field fig w-20"
          type="number"
          min="0"
          step="0.1"
          :value="r.minutesPerFly"
          @change="r.minutesPerFly = number($event)"
      /></label>
      <label
        ><span class="label">Price a dozen, €</span
        ><input
          class="field fig w-24"
          type="number"
          min="0"
          step="0.5"
          :value="r.pricePerDozenCents / 100"
          @change="r.pricePerDozenCents = Math.round(number($event) * 100)"
      /></label>
    </div>
    <details class="sheet p-3">
      <summary class="font-semibold">Colours, weights, finish and the rest</summary>
      <div class="mt-2 grid gap-4 lg:grid-cols-2">
        <VariantFacts v-model="draft.recipe" class="lg:col-span-2" />
        <section>
          <h3 class="label">Finish</h3>
          <select
            class="field mb-1"
            aria-label="Finish"
            :value="r.finish.state"
            @change="setFinish(value($event) as Finish['state'])"
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
              @change="setCoat(i, { coats: Math.max(1, Math.round(number($event))) })"
            />
            ×
            <select
              class="field"
              aria-label="of"
              :value="c.component"
              @change="setCoat(i, { component: value($event) })"
            >
              <option v-for="x in finishes" :key="x.id" :value="x.id">{{ x.id }}</option>
            </select>
            dry
            <input
              class="field fig w-20"
              type="number"
              min="0"
              aria-label="minutes to dry"
              :value="c.dryMinutes"
              @change="setCoat(i, { dryMinutes: Math.round(number($event)) })"
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
        <section class="grid content-start gap-2">
          <label
            ><span class="label">Comes from</span><input v-model="draft.origin" class="field w-full" maxlength="200"
          /></label>
          <label
            ><span class="label">For fish</span><input v-model="draft.species" class="field w-full" maxlength="200"
          /></label>
          <label
            ><span class="label">Skills, by comma</span
            ><input
              class="field w-full"
              :value="r.skills.join(', ')"
              @change="
                r.skills = value($event)
                  .split(',')
                  .map((t) => t.trim())
                  .filter(Boolean)
              "
          /></label>
          <label
            ><span class="label">Minutes multiply by, when tied step by step</span
            ><input
              class="field fig w-24"
              type="number"
              min="0.1"
              max="5"
              step="0.05"
              :value="r.stepByStepFactor"
              @change="r.stepByStepFactor = Number(value($event)) || 1"
          /></label>
          <label
            ><span class="label">Shank may be longer or shorter by, steps</span
            ><input
              class="field fig w-24"
              type="number"
              min="0"
              max="6"
              :value="r.shankTolerance ?? 0"
              @change="r.shankTolerance = Math.round(number($event)) || undefined"
          /></label>
          <label
            ><span class="label">Not to be, one a line</span
            ><textarea
              class="field w-full"
              rows="2"
              :value="(r.avoid ?? []).join('\n')"
              @change="r.avoid = lines(value($event))"
            ></textarea>
          </label>
          <label
            ><span class="label">Still to be asked, one a line; it holds the pattern back</span
            ><textarea
              class="field w-full"
              rows="2"
              :value="(r.queries ?? []).map((q) => q.question).join('\n')"
              @change="r.queries = lines(value($event))?.map((question) => ({ about: 'asked', question }))"
            ></textarea>
          </label>
          <label class="flex items-center gap-2"
            ><input
              type="checkbox"
              class="h-5 w-5"
              :checked="r.sample"
              @change="r.sample = ($event.target as HTMLInputElement).checked || undefined"
            />for showing only: sets no quantities, takes no orders</label
          >
        </section>
        <DressingFacts v-model="draft.recipe" />
        <ParentFacts v-model="draft" />
      </div>
    </details>
  </div>
</template>
