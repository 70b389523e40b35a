<script setup lang="ts">
import type { useBook } from "./useBook";
import ComboBox from "../parts/ComboBox.vue";
import ListBox from "../parts/ListBox.vue";
import SwitchField from "../parts/SwitchField.vue";
import { optionsOf, type Option } from "../parts/option";

/** What the book is narrowed by. */
const props = defineProps<{ book: ReturnType<typeof useBook> }>();
const { wanted, styles, sizes, drawers, usedMaterials, tiers, narrowed, clear } = props.book;
const any = (words: string[]): Option[] => [{ value: "", label: "any" }, ...optionsOf(words)];
</script>

<template>
  <form role="search" class="mb-3 flex flex-wrap items-end gap-x-3 gap-y-2" @submit.prevent>
    <label class="min-w-56 flex-1"
      ><span class="label">Name, style, fish, colour or material</span
      ><input v-model="wanted.words" type="search" class="field w-full"
    /></label>
    <ListBox v-model="wanted.style" class="w-40" label="Style" :options="any(styles)" />
    <ListBox v-model="wanted.size" class="w-24" label="Hook size" mono :options="any(sizes)" />
    <ListBox v-model="wanted.drawer" class="w-28" label="From drawer" mono :options="any(drawers)" />
    <ComboBox
      v-model="wanted.material"
      class="w-52"
      label="Uses"
      placeholder="anything"
      :options="[
        { value: '', label: 'anything' },
        ...usedMaterials.map((m) => ({ value: m.code, label: m.name, note: m.form })),
      ]"
    />
    <ListBox
      v-model="wanted.person"
      class="w-40"
      label="Who can tie it"
      :options="[{ value: '', label: 'anybody' }, ...tiers.map((p) => ({ value: p.id, label: p.name }))]"
    />
    <SwitchField v-model="wanted.onHand">all parts on hand</SwitchField>
    <button v-if="narrowed" type="button" class="btn btn-plain" @click="clear">Show all</button>
  </form>
</template>
