<script setup lang="ts">
import { materialForms, type MaterialForm } from "@kasten/core/materials";
import { roles, type Component, type Role } from "@kasten/core/recipe";
import OneOf from "../parts/OneOf.vue";
import RowList from "../parts/RowList.vue";
import TextField from "../parts/TextField.vue";
import TickBox from "../parts/TickBox.vue";
import { textOf, wordsByComma } from "../parts/fields";
import DoubtField from "./DoubtField.vue";
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
type Alternate = NonNullable<Component["alternates"]>[number];
function shade(words: string | undefined): void {
  const shades = wordsByComma(words);
  if (part.value.anyOf) set({ anyOf: { form: part.value.anyOf.form, ...(shades && { shades }) } });
}
</script>

<template>
  <fieldset class="grid gap-3 border border-rule p-3 md:grid-cols-2">
    <legend class="px-1 font-semibold">The part</legend>
    <label
      ><span class="label">What it is on the fly</span
      ><select class="field" :value="part.role" @change="set({ role: textOf($event) as Component['role'] })">
        <option v-for="r in roles.filter((x) => x !== 'hook')" :key="r">{{ r }}</option>
      </select></label
    >
    <TextField
      label="As it was said, kept word for word"
      :model-value="part.asStated"
      @update:model-value="set({ asStated: $event })"
    />
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
          @change="set({ anyOf: textOf($event) ? { ...part.anyOf, form: textOf($event) as MaterialForm } : undefined })"
        >
          <option value="">no, just what is named</option>
          <option v-for="f in materialForms" :key="f" :value="f">any {{ f }}</option>
        </select></label
      >
      <TextField
        v-if="part.anyOf"
        class="w-64"
        label="In these shades, by comma; empty for any"
        placeholder="olive, brown olive"
        :model-value="(part.anyOf.shades ?? []).join(', ')"
        @update:model-value="shade"
      />
    </div>
    <RowList
      class="md:col-span-2"
      label="What may take its place, best first"
      add="another material"
      take-out="Take it out"
      :fresh="() => ({ material: '' }) as Alternate"
      :model-value="part.alternates"
      @update:model-value="set({ alternates: $event })"
    >
      <template #default="{ row, at, set: change }">
        <MaterialPicker
          class="min-w-60 flex-1"
          :label="`In place of the ${part.role}, ${at + 1}`"
          :model-value="row.material"
          @update:model-value="change({ material: $event })"
        />
        <input
          class="field min-w-40 flex-1"
          :value="row.limit ?? ''"
          aria-label="How far it may be taken"
          placeholder="its limit: not on drys"
          @change="change({ limit: textOf($event) || undefined })"
        />
        <input
          class="field min-w-48 flex-1"
          :value="row.effect ?? ''"
          aria-label="Its effect"
          placeholder="its effect: livelier, weaker, floats less"
          @change="change({ effect: textOf($event) || undefined })"
        />
      </template>
    </RowList>
    <TickBox :model-value="part.optional" @update:model-value="set({ optional: $event })">may be left out</TickBox>
    <label v-if="part.optional"
      >It adds to the price of a dozen
      <input
        class="field fig w-24"
        type="number"
        min="0"
        step="0.1"
        :value="(part.priceCents ?? 0) / 100"
        @change="set({ priceCents: Math.round(Number(textOf($event)) * 100) || undefined })"
      />
      €</label
    >
    <OneOf
      label="From the same feather as"
      none="no other part"
      :options="others.map((o) => ({ id: o.id, name: o.role }))"
      :model-value="part.sharesWith"
      @update:model-value="set({ sharesWith: $event })"
    />
    <DoubtField
      class="md:col-span-2"
      placeholder="the letter may say 14 or 16"
      :model-value="part.doubt"
      @update:model-value="set({ doubt: $event })"
    />
  </fieldset>
</template>
