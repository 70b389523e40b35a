<script setup lang="ts">
import { computed } from "vue";
import type { BatchDetail } from "@kasten/contract/batches";
import { nearHooks } from "@kasten/core/hooks";
import { allowedFor, codeOf, hookOf, type FlyChoice, type Recipe } from "@kasten/core/recipe";
import { useCatalogue } from "../patterns";
import type { BatchChange } from "./change";
import OneOf from "../parts/OneOf.vue";
import TickBox from "../parts/TickBox.vue";

/** Parts that may be left out of a planned batch, and what may take another's place. */
const props = defineProps<{ batch: BatchDetail; recipe: Recipe; choice: FlyChoice; open: boolean }>();
const emit = defineEmits<{ choose: [change: BatchChange] }>();
const { materials, hooks } = useCatalogue();
interface Replaceable {
  id: string;
  role: string;
  others: { code: string; name: string }[];
}
const optional = computed(() => props.recipe.components.filter((c) => c.optional));
const onHooks = computed<Replaceable[]>(() => {
  const id = props.recipe.components.find((c) => c.role === "hook")?.id ?? "hook";
  const model = hooks.value.get(hookOf(props.recipe, { form: props.batch.form }));
  const near = model ? nearHooks(model, props.batch.size, hooks.value.values(), props.recipe.shankTolerance ?? 0) : [];
  const others = near
    .filter((h) => h.fits || h.id === props.batch.use[id])
    .map((h) => ({ code: h.id, name: `${h.id} ${h.name}` }));
  return others.length > 0 ? [{ id, role: "hook", others }] : [];
});
const ofMaterials = computed<Replaceable[]>(() =>
  props.recipe.components
    .filter((c) => c.role !== "hook")
    .flatMap((c) => {
      const now = materials.value.get(codeOf(props.recipe, { ...props.choice, use: {} }, c) ?? "");
      const others = now
        ? allowedFor(c, now, materials.value).map((a) => ({
            code: a.material,
            name: materials.value.get(a.material)?.name ?? a.material,
          }))
        : [];
      return others.length > 0 ? [{ id: c.id, role: c.role, others }] : [];
    }),
);
const replaceable = computed(() => [...onHooks.value, ...ofMaterials.value]);
function toggle(id: string): void {
  const { leave } = props.batch;
  emit("choose", { leave: leave.includes(id) ? leave.filter((x) => x !== id) : [...leave, id] });
}
function takeReady(material: string, taken: boolean): void {
  const others = props.batch.kitParts.filter((k) => k !== material);
  emit("choose", { kitParts: taken ? [...others, material] : others });
}
function take(id: string, code: string): void {
  const others = Object.entries(props.batch.use).filter(([k]) => k !== id);
  emit("choose", { use: Object.fromEntries(code ? [...others, [id, code]] : others) });
}
</script>

<template>
  <div
    v-if="optional.length > 0 || replaceable.length > 0 || batch.kitOffers.length > 0"
    class="flex flex-wrap gap-x-5 gap-y-2"
  >
    <TickBox
      v-for="k in batch.kitOffers"
      :key="k.material"
      class="min-h-9 self-end"
      :disabled="!open"
      :model-value="k.taken"
      @update:model-value="takeReady(k.material, $event ?? false)"
      >ready from the drawer: {{ k.name }} (<span class="fig">{{ k.free }}</span> there)</TickBox
    >
    <TickBox
      v-for="c in optional"
      :key="c.id"
      class="min-h-9 self-end"
      :disabled="!open"
      :model-value="!batch.leave.includes(c.id)"
      @update:model-value="toggle(c.id)"
      >with {{ c.role }}</TickBox
    >
    <OneOf
      v-for="c in replaceable"
      :key="`use${c.id}`"
      class="w-56"
      :label="c.role"
      none="as in the pattern"
      :disabled="!open"
      :options="c.others.map((o) => ({ id: o.code, name: o.name }))"
      :model-value="batch.use[c.id]"
      @update:model-value="take(c.id, $event ?? '')"
    />
  </div>
</template>
