<script setup lang="ts">
import { Plus, X } from "lucide-vue-next";
import { roles, type Component } from "@kasten/core/patterns";
import MaterialPicker from "./MaterialPicker.vue";

/** What a part is made of: by hook size, what may take its place, whether it may be left out or bought. */
const part = defineModel<Component>({ required: true });
defineProps<{ others: Component[] }>();
const set = (change: Partial<Component>): void => { part.value = { ...part.value, ...change }; };
const setMaterial = (i: number, value: string): void => set({ material: part.value.material.length === 0 ? [{ value }] : part.value.material.map((m, j) => (j === i ? { ...m, value } : m)) });
const setSpan = (i: number, end: "from" | "to", size: string): void =>
  set({ material: part.value.material.map((m, j) => {
    if (j !== i) return m;
    const sizes = { from: m.sizes?.from ?? size, to: m.sizes?.to ?? size, [end]: size };
    return sizes.from === "" && sizes.to === "" ? { value: m.value } : { ...m, sizes };
  }) });
const alternates = () => part.value.alternates ?? [];
const text = (event: Event): string => (event.target as HTMLInputElement).value;
</script>
<template>
  <fieldset class="grid gap-3 border border-rule p-3 md:grid-cols-2">
    <legend class="px-1 font-semibold">The part</legend>
    <label><span class="label">What it is on the fly</span><select class="field" :value="part.role" @change="set({ role: text($event) as Component['role'] })"><option v-for="r in roles.filter((x) => x !== 'hook')" :key="r">{{ r }}</option></select></label>
    <label><span class="label">As it was said, kept word for word</span><input class="field w-full" :value="part.asStated ?? ''" maxlength="400" @change="set({ asStated: text($event) || undefined })" /></label>
    <div class="md:col-span-2"><span class="label">Material, by hook size where it changes</span>
      <div v-for="(m, i) in part.material.length > 0 ? part.material : [{ value: '', sizes: undefined }]" :key="i" class="mb-1 flex flex-wrap items-center gap-2">
        <MaterialPicker class="min-w-60 flex-1" :label="`Material of the ${part.role}`" :model-value="m.value" @update:model-value="setMaterial(i, $event)" />
        <label class="flex items-center gap-1">sizes <input class="field fig w-16" :value="m.sizes?.from ?? ''" aria-label="from size" placeholder="all" @change="setSpan(i, 'from', text($event))" /></label>
        <label class="flex items-center gap-1">to <input class="field fig w-16" :value="m.sizes?.to ?? ''" aria-label="to size" @change="setSpan(i, 'to', text($event))" /></label>
        <button v-if="part.material.length > 1" type="button" class="btn btn-plain" aria-label="Take this material out" @click="set({ material: part.material.filter((_, j) => j !== i) })"><X :size="16" /></button>
      </div>
      <button type="button" class="btn btn-plain !min-h-7" :disabled="part.material.length === 0" @click="set({ material: [...part.material, { value: part.material[0]?.value ?? '' }] })"><Plus :size="16" aria-hidden="true" />for other sizes</button>
    </div>
    <div class="md:col-span-2"><span class="label">What may take its place, best first</span>
      <div v-for="(a, i) in alternates()" :key="i" class="mb-1 flex flex-wrap items-center gap-2">
        <MaterialPicker class="min-w-60 flex-1" :label="`In place of the ${part.role}, ${i + 1}`" :model-value="a.material" @update:model-value="set({ alternates: alternates().map((x, j) => (j === i ? { ...x, material: $event } : x)) })" />
        <input class="field min-w-48 flex-1" :value="a.effect ?? ''" aria-label="Its effect" placeholder="its effect: livelier, weaker, floats less" @change="set({ alternates: alternates().map((x, j) => (j === i ? { ...x, effect: text($event) || undefined } : x)) })" />
        <button type="button" class="btn btn-plain" aria-label="Take it out" @click="set({ alternates: alternates().filter((_, j) => j !== i) })"><X :size="16" /></button>
      </div>
      <button type="button" class="btn btn-plain !min-h-7" @click="set({ alternates: [...alternates(), { material: '' }] })"><Plus :size="16" aria-hidden="true" />another material</button>
    </div>
    <label class="flex items-center gap-2"><input type="checkbox" class="h-5 w-5" :checked="part.optional" @change="set({ optional: ($event.target as HTMLInputElement).checked || undefined })" />may be left out</label>
    <label>From the same feather as <select class="field" :value="part.sharesWith ?? ''" @change="set({ sharesWith: text($event) || undefined })"><option value="">no other part</option><option v-for="o in others" :key="o.id" :value="o.id">{{ o.role }}</option></select></label>
  </fieldset>
</template>
