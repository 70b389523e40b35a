<script setup lang="ts">
import { materialForms, type MaterialForm } from "@kasten/core/materials";
import { roles, type Component, type Role } from "@kasten/core/recipe";
import ListBox from "../parts/ListBox.vue";
import NumberField from "../parts/NumberField.vue";
import { optionsOf, orNone } from "../parts/option";
import OneOf from "../parts/OneOf.vue";
import RowList from "../parts/RowList.vue";
import TextField from "../parts/TextField.vue";
import TickBox from "../parts/TickBox.vue";
import { wordsByComma } from "../parts/fields";
import { currencySign } from "../parts/format";
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
    <ListBox
      label="What it is on the fly"
      :options="optionsOf(roles.filter((x) => x !== 'hook'))"
      :model-value="part.role"
      @update:model-value="set({ role: $event })"
    />
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
      <ListBox
        class="w-60"
        label="Or anything of a class"
        :options="
          orNone(
            'no, just what is named',
            materialForms.map((f) => ({ value: f, label: `any ${f}` })),
          )
        "
        :model-value="part.anyOf?.form"
        @update:model-value="set({ anyOf: $event ? { ...part.anyOf, form: $event } : undefined })"
      />
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
        <TextField
          class="min-w-40 flex-1"
          label="How far it may be taken"
          quiet
          placeholder="its limit: not on drys"
          :model-value="row.limit"
          @update:model-value="change({ limit: $event })"
        />
        <TextField
          class="min-w-48 flex-1"
          label="Its effect"
          quiet
          placeholder="its effect: livelier, weaker, floats less"
          :model-value="row.effect"
          @update:model-value="change({ effect: $event })"
        />
      </template>
    </RowList>
    <TickBox :model-value="part.optional" @update:model-value="set({ optional: $event })">may be left out</TickBox>
    <NumberField
      v-if="part.optional"
      label="It adds to the price of a dozen"
      :unit="currencySign()"
      :min="0"
      :step="0.1"
      :model-value="(part.priceCents ?? 0) / 100"
      @update:model-value="set({ priceCents: Math.round(($event ?? 0) * 100) || undefined })"
    />
    <OneOf
      label="From the same feather as"
      none="no other part"
      :options="others.map((o) => ({ id: o.id, name: o.role }))"
      :model-value="part.sharesWith"
      @update:model-value="set({ sharesWith: $event })"
    />
    <TextField
      label="Taken from which part of the skin"
      placeholder="edge, lower wing; empty for any"
      :model-value="part.area"
      @update:model-value="set({ area: $event })"
    />
    <DoubtField
      class="md:col-span-2"
      placeholder="the letter may say 14 or 16"
      :model-value="part.doubt"
      @update:model-value="set({ doubt: $event })"
    />
  </fieldset>
</template>
