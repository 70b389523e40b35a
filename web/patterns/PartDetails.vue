<script setup lang="ts">
import { Plus, X } from "lucide-vue-next";
import { materialForms, type MaterialForm } from "@kasten/core/materials";
import { roles, type Component, type Role } from "@kasten/core/recipe";
import MaterialPicker from "./MaterialPicker.vue";
import SizedMaterials from "./SizedMaterials.vue";

/** What a part is made of: by hook size, what may take its place, whether it may be left out or bought. */
const part = defineModel<Component>({ required: true });
defineProps<{ others: Component[] }>();
const set = (change: Partial<Component>): void => {
  part.value = { ...part.value, ...change };
};
/** What a part of that role is mostly made of, for a material that is not in the cabinet yet. */
const likely: Partial<Record<Role, MaterialForm>> = {
  bead: "bead",
  eyes: "eyes",
  weight: "weight wire",
  thread: "thread",
  tag: "tinsel",
  tail: "feather fibre",
  rib: "wire",
  hackle: "hackle",
  collar: "hackle",
  throat: "feather fibre",
  wing: "hair",
  underwing: "hair",
  "wing case": "feather fibre",
  legs: "feather fibre",
  topping: "herl",
  flash: "flash",
  head: "thread",
  finish: "liquid",
};
const alternates = () => part.value.alternates ?? [];
const list = (event: Event): string[] | undefined => {
  const shades = text(event)
    .split(",")
    .map((t) => t.trim())
    .filter(Boolean);
  return shades.length > 0 ? shades : undefined;
};
const text = (event: Event): string => (event.target as HTMLInputElement).value;
</script>

<template>
  <fieldset class="grid gap-3 border border-rule p-3 md:grid-cols-2">
    <legend class="px-1 font-semibold">The part</legend>
    <label
      ><span class="label">What it is on the fly</span
      ><select class="field" :value="part.role" @change="set({ role: text($event) as Component['role'] })">
        <option v-for="r in roles.filter((x) => x !== 'hook')" :key="r">{{ r }}</option>
      </select></label
    >
    <label
      ><span class="label">As it was said, kept word for word</span
      ><input
        class="field w-full"
        :value="part.asStated ?? ''"
        maxlength="400"
        @change="set({ asStated: text($event) || undefined })"
    /></label>
    <div class="md:col-span-2">
      <span class="label">Material, by hook size where it changes</span
      ><SizedMaterials
        :label="`Material of the ${part.role}`"
        :likely="likely[part.role]"
        :model-value="part.material"
        @update:model-value="set({ material: $event })"
      />
    </div>
    <div class="md:col-span-2 flex flex-wrap items-end gap-3">
      <label
        ><span class="label">Or anything of a class</span
        ><select
          class="field"
          :value="part.anyOf?.form ?? ''"
          @change="set({ anyOf: text($event) ? { ...part.anyOf, form: text($event) as MaterialForm } : undefined })"
        >
          <option value="">no, just what is named</option>
          <option v-for="f in materialForms" :key="f" :value="f">any {{ f }}</option>
        </select></label
      >
      <label v-if="part.anyOf"
        ><span class="label">In these shades, by comma; empty for any</span
        ><input
          class="field w-64"
          :value="(part.anyOf.shades ?? []).join(', ')"
          placeholder="olive, brown olive"
          @change="set({ anyOf: { form: part.anyOf.form, ...(list($event) && { shades: list($event) }) } })"
      /></label>
    </div>
    <div class="md:col-span-2">
      <span class="label">What may take its place, best first</span>
      <div v-for="(a, i) in alternates()" :key="i" class="mb-1 flex flex-wrap items-center gap-2">
        <MaterialPicker
          class="min-w-60 flex-1"
          :label="`In place of the ${part.role}, ${i + 1}`"
          :model-value="a.material"
          @update:model-value="
            set({ alternates: alternates().map((x, j) => (j === i ? { ...x, material: $event } : x)) })
          "
        />
        <input
          class="field min-w-40 flex-1"
          :value="a.limit ?? ''"
          aria-label="How far it may be taken"
          placeholder="its limit: not on drys"
          @change="
            set({ alternates: alternates().map((x, j) => (j === i ? { ...x, limit: text($event) || undefined } : x)) })
          "
        />
        <input
          class="field min-w-48 flex-1"
          :value="a.effect ?? ''"
          aria-label="Its effect"
          placeholder="its effect: livelier, weaker, floats less"
          @change="
            set({ alternates: alternates().map((x, j) => (j === i ? { ...x, effect: text($event) || undefined } : x)) })
          "
        />
        <button
          type="button"
          class="btn btn-plain"
          aria-label="Take it out"
          @click="set({ alternates: alternates().filter((_, j) => j !== i) })"
        >
          <X :size="16" />
        </button>
      </div>
      <button
        type="button"
        class="btn btn-plain !min-h-7"
        @click="set({ alternates: [...alternates(), { material: '' }] })"
      >
        <Plus :size="16" aria-hidden="true" />another material
      </button>
    </div>
    <label class="flex items-center gap-2"
      ><input
        type="checkbox"
        class="h-5 w-5"
        :checked="part.optional"
        @change="set({ optional: ($event.target as HTMLInputElement).checked || undefined })"
      />may be left out</label
    >
    <label v-if="part.optional"
      >It adds to the price of a dozen
      <input
        class="field fig w-24"
        type="number"
        min="0"
        step="0.1"
        :value="(part.priceCents ?? 0) / 100"
        @change="set({ priceCents: Math.round(Number(text($event)) * 100) || undefined })"
      />
      €</label
    >
    <label
      >From the same feather as
      <select class="field" :value="part.sharesWith ?? ''" @change="set({ sharesWith: text($event) || undefined })">
        <option value="">no other part</option>
        <option v-for="o in others" :key="o.id" :value="o.id">{{ o.role }}</option>
      </select></label
    >
    <label class="md:col-span-2"
      ><span class="label">Not sure: what is in doubt; it holds the pattern from the bench until this is empty</span
      ><span class="flex gap-2"
        ><input
          class="field flex-1"
          :value="part.doubt ?? ''"
          maxlength="400"
          placeholder="the letter may say 14 or 16"
          @change="set({ doubt: text($event) || undefined })"
        /><button v-if="part.doubt" type="button" class="btn" @click="set({ doubt: undefined })">
          Confirmed
        </button></span
      ></label
    >
  </fieldset>
</template>
