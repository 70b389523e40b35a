<script setup lang="ts">
import type { useBook } from "./useBook";

/** What the book is narrowed by. */
const props = defineProps<{ book: ReturnType<typeof useBook> }>();
const { wanted, styles, sizes, drawers, usedMaterials, tiers, narrowed, clear } = props.book;
</script>

<template>
  <form role="search" class="mb-3 flex flex-wrap items-end gap-x-3 gap-y-2" @submit.prevent>
    <label class="min-w-56 flex-1"
      ><span class="label">Name, style, fish, colour or material</span
      ><input v-model="wanted.words" type="search" class="field w-full"
    /></label>
    <label
      ><span class="label">Style</span
      ><select v-model="wanted.style" class="field max-w-44">
        <option value="">any</option>
        <option v-for="s in styles" :key="s">{{ s }}</option>
      </select></label
    >
    <label
      ><span class="label">Hook size</span
      ><select v-model="wanted.size" class="field fig">
        <option value="">any</option>
        <option v-for="s in sizes" :key="s">{{ s }}</option>
      </select></label
    >
    <label
      ><span class="label">From drawer</span
      ><select v-model="wanted.drawer" class="field fig">
        <option value="">any</option>
        <option v-for="d in drawers" :key="d">{{ d }}</option>
      </select></label
    >
    <label
      ><span class="label">Uses</span
      ><select v-model="wanted.material" class="field max-w-48">
        <option value="">anything</option>
        <option v-for="m in usedMaterials" :key="m.code" :value="m.code">{{ m.name }}</option>
      </select></label
    >
    <label
      ><span class="label">Who can tie it</span
      ><select v-model="wanted.person" class="field">
        <option value="">anybody</option>
        <option v-for="p in tiers" :key="p.id" :value="p.id">{{ p.name }}</option>
      </select></label
    >
    <label class="flex min-h-9 items-center gap-2"
      ><input v-model="wanted.onHand" type="checkbox" class="h-5 w-5" />all parts on hand</label
    >
    <button v-if="narrowed" type="button" class="btn btn-plain" @click="clear">Show all</button>
  </form>
</template>
