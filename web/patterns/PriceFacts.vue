<script setup lang="ts">
import { Plus, X } from "lucide-vue-next";
import type { PriceRule, Recipe } from "@kasten/core/recipe";
import ListBox from "../parts/ListBox.vue";
import NumberField from "../parts/NumberField.vue";
import { currencySign } from "../parts/format";

/** Prices of their own for some sizes or a colour; the first that fits a fly holds, else the pattern's. */
const recipe = defineModel<Recipe>({ required: true });
const ANY = "";
const add = (): void =>
  void (recipe.value.prices ??= []).push({
    sizes: { ...recipe.value.sizes },
    perDozenCents: recipe.value.pricePerDozenCents,
  });
function remove(i: number): void {
  recipe.value.prices?.splice(i, 1);
  if (recipe.value.prices?.length === 0) delete recipe.value.prices;
}
function setSize(rule: PriceRule, end: "from" | "to", text: string): void {
  rule.sizes = { ...(rule.sizes ?? recipe.value.sizes), [end]: text.trim() };
}
function setVariant(rule: PriceRule, id: string): void {
  if (id === ANY) delete rule.variant;
  else rule.variant = id;
}
</script>

<template>
  <section>
    <h3 class="label">Other prices for some sizes or a colour</h3>
    <p class="mb-1 text-[0.92rem] text-soft">The first that fits holds. What is left out of a fly comes off it.</p>
    <div v-for="(rule, i) in recipe.prices ?? []" :key="i" class="mb-2 flex flex-wrap items-end gap-2">
      <label class="block"
        ><span class="label">From size</span
        ><input
          class="field fig w-16"
          :value="(rule.sizes ?? recipe.sizes).from"
          :aria-label="`Price ${i + 1}, from size`"
          @change="setSize(rule, 'from', ($event.target as HTMLInputElement).value)"
      /></label>
      <label class="block"
        ><span class="label">to</span
        ><input
          class="field fig w-16"
          :value="(rule.sizes ?? recipe.sizes).to"
          :aria-label="`Price ${i + 1}, to size`"
          @change="setSize(rule, 'to', ($event.target as HTMLInputElement).value)"
      /></label>
      <ListBox
        label="Colour"
        :options="[
          { value: ANY, label: 'any colour' },
          ...recipe.variants.map((v) => ({ value: v.id, label: v.name })),
        ]"
        :model-value="rule.variant ?? ANY"
        @update:model-value="setVariant(rule, $event)"
      />
      <NumberField
        class="w-32"
        label="Its price a dozen"
        :unit="currencySign()"
        :min="0"
        :step="0.5"
        :least="0"
        :model-value="rule.perDozenCents / 100"
        @update:model-value="rule.perDozenCents = Math.round(($event ?? 0) * 100)"
      />
      <button type="button" class="btn btn-plain" :aria-label="`Without price ${i + 1}`" @click="remove(i)">
        <X :size="16" />
      </button>
    </div>
    <button type="button" class="btn btn-plain" @click="add"><Plus :size="16" aria-hidden="true" />a price</button>
  </section>
</template>
