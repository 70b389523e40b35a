<script setup lang="ts">
import { computed, ref } from "vue";
import { useRoute } from "vue-router";
import { compareSizes, formatSize, sizeNumber, landmarks, placeAt } from "@kasten/core/hooks";
import { hookRequirement, requirementsOf, workingOf } from "@kasten/core/materials";
import type { Working } from "@kasten/contract/materials";
import ColourSwatch from "../parts/ColourSwatch.vue";
import NumberWords from "../parts/NumberWords.vue";
import { money, quantity } from "../parts/format";
import { useWorking } from "../parts/working";
import { useCatalogue } from "./catalogue";
import FlyDrawing from "./FlyDrawing.vue";

const props = defineProps<{ id: string }>();
const route = useRoute();
const { patterns, hooks, fly } = useCatalogue();
const panel = useWorking();
const p = computed(() => patterns.value.get(props.id));
const size = ref(typeof route.query.size === "string" ? route.query.size : "");
const variant = ref(typeof route.query.variant === "string" ? route.query.variant : "");
const form = ref("");
const inside = ref(false);
const sizes = computed(() => {
  if (!p.value || p.value.missing.length > 0) return [];
  const [a, b] = [sizeNumber(p.value.recipe.sizes.from), sizeNumber(p.value.recipe.sizes.to)];
  const measured = (hooks.value.get(p.value.recipe.hookModel)?.rows ?? []).map((r) => r.size);
  const inSpan = Array.from({ length: Math.abs(b - a) + 1 }, (_, i) => formatSize(Math.min(a, b) + i)).filter((s) => measured.includes(s));
  return inSpan.sort(compareSizes);
});
const choice = computed(() => ({ size: size.value || sizes.value[0] || "", variant: variant.value || (p.value?.recipe.variants[0]?.id ?? ""), form: form.value || (p.value?.recipe.forms[0]?.id ?? "") }));
const composed = computed(() => (p.value && p.value.missing.length === 0 ? fly(p.value, choice.value) : { fault: "" }));
const DOZEN = 12;
const materials = computed(() => {
  const f = composed.value.fly;
  const model = p.value && hooks.value.get(p.value.recipe.hookModel);
  return f && model ? [hookRequirement(model, f.hook.size, DOZEN), ...requirementsOf(f, DOZEN)] : [];
});
const marks = computed(() => {
  const f = composed.value.fly;
  return f ? landmarks.filter((l) => l !== "eye" || f.tied.beadMm > 0).map((l) => ({ name: l === "intoBend" ? "into the bend" : l === "eye" ? "behind the bead" : l, mm: placeAt({ landmark: l }, f.hook, f.tied.beadMm) })) : [];
});
function show(r: (typeof materials.value)[number]): void {
  const f = composed.value.fly;
  if (f) panel.show({ title: `${r.role}, ${r.materialName}, for a dozen`, words: r.words, working: workingOf(r, f, DOZEN) as Working, fly: { pattern: props.id, ...choice.value } });
}
</script>
<template>
  <template v-if="p">
    <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3"><h1>{{ p.name }} <span class="font-normal text-soft">{{ p.style }}</span></h1><p class="text-soft">{{ p.origin }}<template v-if="p.species">, for {{ p.species }}</template>; version {{ p.version }}</p></div>
    <section v-if="p.missing.length > 0" class="callout mb-4"><h2>Kept, but not to be tied yet. It lacks:</h2><ul class="list-disc pl-5"><li v-for="m in p.missing" :key="m">{{ m }}</li></ul></section>
    <template v-else>
      <div class="mb-2 flex flex-wrap items-end gap-4">
        <div role="group" aria-label="Size" class="flex flex-wrap gap-1"><button v-for="s in sizes" :key="s" class="btn fig" :class="{ 'btn-main': s === choice.size }" :aria-pressed="s === choice.size" @click="size = s">{{ s }}</button></div>
        <label><span class="label">Colour</span><select class="field" :value="choice.variant" @change="variant = ($event.target as HTMLSelectElement).value"><option v-for="v in p.recipe.variants" :key="v.id" :value="v.id">{{ v.name }}</option></select></label>
        <label v-if="p.recipe.forms.length > 1"><span class="label">Weight</span><select class="field" :value="choice.form" @change="form = ($event.target as HTMLSelectElement).value"><option v-for="v in p.recipe.forms" :key="v.id" :value="v.id">{{ v.name }}</option></select></label>
        <label class="flex min-h-9 items-center gap-2"><input v-model="inside" type="checkbox" class="h-5 w-5" />See inside</label>
      </div>
      <FlyDrawing :pattern="id" v-bind="choice" :inside="inside" measures class="mb-3 h-80 border border-rule" />
      <p v-for="w in composed.fly?.tied.warnings ?? []" :key="w.sentence" class="callout mb-2">{{ w.sentence }}</p>
      <dl class="mb-4 flex flex-wrap gap-x-8 gap-y-1">
        <div><dt class="text-soft">Weight</dt><dd class="text-xl"><span class="fig">{{ composed.fly?.tied.mass.total.toFixed(0) }}</span><span class="unit">mg</span></dd></div>
        <div><dt class="text-soft">Time</dt><dd class="text-xl"><span class="fig">{{ p.recipe.minutesPerFly }}</span><span class="unit">min a fly</span></dd></div>
        <div><dt class="text-soft">Price</dt><dd class="text-xl"><span class="fig">{{ money(p.recipe.pricePerDozenCents) }}</span><span class="unit">a dozen</span></dd></div>
        <div v-for="m in marks" :key="m.name"><dt class="text-soft">{{ m.name }}</dt><dd class="text-xl"><span class="fig">{{ m.mm.toFixed(1) }}</span><span class="unit">mm</span></dd></div>
      </dl>
      <div class="grid gap-5 lg:grid-cols-2">
        <section><h2 class="mb-1">Materials for a dozen</h2>
          <table class="sheet"><thead class="sr-only"><tr><th scope="col">Part</th><th scope="col">Material</th><th scope="col">Quantity</th></tr></thead><tbody><tr v-for="r in materials" :key="r.key"><th scope="row" class="!border-b !border-rule">{{ r.role }}{{ r.side ? ` ${r.side}` : "" }}</th><td>{{ r.materialName }}<span class="block text-[0.88rem] text-soft"><NumberWords :words="r.words" /></span></td><td class="whitespace-nowrap text-right"><button class="num text-lg" :aria-label="`Working of ${r.role}`" @click="show(r)">{{ quantity(r.issue, r.unit) }}</button></td></tr></tbody></table>
        </section>
        <section><h2 class="mb-1">Steps</h2>
          <ol class="sheet"><li v-for="(s, i) in composed.fly?.steps ?? []" :key="s.id" class="border-b border-rule px-3 py-1.5"><span class="fig mr-2 text-soft">{{ i + 1 }}</span><ColourSwatch v-if="s.material" :colour="s.material.colour" class="mr-1.5" /><b class="mr-2">{{ s.name }}</b><span class="text-soft">{{ s.material?.name }}</span><span v-if="s.step.instruction" class="block text-[0.93rem]">{{ s.step.instruction }}</span><span v-if="s.step.caution" class="block text-[0.93rem] text-call">{{ s.step.caution }}</span></li></ol>
          <p class="mt-2 text-[0.93rem]">Hook: {{ hooks.get(p.recipe.hookModel)?.name }}<template v-if="p.recipe.shankTolerance">; a shank up to {{ p.recipe.shankTolerance }} {{ p.recipe.shankTolerance === 1 ? "step" : "steps" }} longer or shorter will do</template>.</p>
          <p class="text-[0.93rem]">Finish: <template v-if="p.recipe.finish.state === 'given'">{{ p.recipe.finish.coats }} {{ p.recipe.finish.coats === 1 ? "coat" : "coats" }}, {{ p.recipe.finish.dryMinutes }} minutes to dry each</template><template v-else>none, on purpose</template>.</p>
          <p v-for="c in p.recipe.components.filter((x) => x.asStated)" :key="c.id" class="text-[0.93rem] text-soft">As it was said, {{ c.role }}: “{{ c.asStated }}”</p>
        </section>
      </div>
      <p v-if="composed.fault" class="callout">{{ composed.fault }}</p>
    </template>
  </template>
</template>
