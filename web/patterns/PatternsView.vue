<script setup lang="ts">
import { FilePlus, Upload, Download } from "lucide-vue-next";
import { shallowRef, useTemplateRef } from "vue";
import { exportPatterns } from "@kasten/contract/patterns";
import { call, Refusal } from "../http";
import RefusalNote from "../parts/RefusalNote.vue";
import { download } from "../parts/download";
import { useSession } from "../team";
import { collectBook } from "./bookFile";
import BookEntry from "./BookEntry.vue";
import BookFilters from "./BookFilters.vue";
import { useBook } from "./useBook";
import { useRowsInSight } from "./useRowsInSight";
import { useTakeIn } from "./useTakeIn";

const book = useBook();
const { data, wanted, list, inDrawer, narrowed } = book;
const { may } = useSession();
const { busy, refusal, wrong, taken, takeIn } = useTakeIn();
const grid = useTemplateRef<HTMLElement>("grid");
const ROW = 236;
const CELL = 300;
const { virtual, columns, start, inRow } = useRowsInSight(grid, list, { rowPx: ROW, cellPx: CELL });

async function chosen(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = "";
  if (file) await takeIn(file);
}
const notGiven = shallowRef<Refusal | null>(null);
async function giveOut(): Promise<void> {
  notGiven.value = null;
  try {
    const all = await collectBook(
      list.value.map((p) => p.id),
      (ids) => call(exportPatterns, { query: { of: ids.join(",") } }),
    );
    download("patterns.json", "application/json", JSON.stringify(all, null, 1));
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    notGiven.value = error;
  }
}
</script>

<template>
  <div class="mb-2 flex flex-wrap items-baseline justify-between gap-3">
    <h1>
      Patterns
      <span class="fig text-base font-normal text-soft"
        >{{ list.length }}<template v-if="narrowed"> of {{ data?.patterns.length ?? 0 }}</template></span
      >
    </h1>
    <div class="flex flex-wrap gap-1">
      <RouterLink v-if="may('write patterns')" to="/patterns/new" class="btn"
        ><FilePlus :size="17" aria-hidden="true" />New pattern</RouterLink
      >
      <label v-if="may('write patterns')" class="btn focus-within:outline focus-within:outline-3"
        ><Upload :size="17" aria-hidden="true" />Take in a file<input
          type="file"
          accept="application/json,.json"
          class="sr-only"
          :disabled="busy"
          @change="chosen"
      /></label>
      <button class="btn" :disabled="list.length === 0" @click="giveOut">
        <Download :size="17" aria-hidden="true" />{{ narrowed ? "These as a file" : "All as a file" }}
      </button>
    </div>
  </div>
  <BookFilters :book="book" />
  <RefusalNote :refusal="refusal ?? notGiven" />
  <div v-if="wrong.length > 0" class="callout mb-3" role="alert">
    <p class="font-semibold">
      Nothing was taken in. The file is not right in {{ wrong.length }} {{ wrong.length === 1 ? "place" : "places" }}:
    </p>
    <ul tabindex="0" class="max-h-48 list-disc overflow-y-auto pl-5">
      <li v-for="w in wrong.slice(0, 200)" :key="w.path + w.detail">
        <span class="fig">{{ w.path }}</span>: {{ w.detail }}
      </li>
    </ul>
  </div>
  <p v-if="taken" class="sheet mb-3 p-3" role="status">Taken in. {{ taken }}.</p>
  <ul ref="grid" class="relative" :style="{ height: `${virtual.getTotalSize()}px` }" aria-label="Patterns">
    <template v-for="row in virtual.getVirtualItems()" :key="String(row.key)">
      <li
        v-for="(p, i) in inRow(row.index)"
        :key="i"
        class="absolute p-px"
        :style="{
          top: 0,
          left: `${(100 * i) / columns}%`,
          width: `${100 / columns}%`,
          height: `${ROW}px`,
          transform: `translateY(${row.start - start}px)`,
        }"
      >
        <BookEntry :entry="p" :size="wanted.size" :drawer="wanted.drawer" :from-drawer="inDrawer(p)" />
      </li>
    </template>
  </ul>
  <p v-if="data && list.length === 0" class="sheet p-4 text-soft">
    {{
      data.patterns.length === 0
        ? "The book is empty. Write a pattern, or take in a file of them."
        : "No pattern fits all of that. Take a filter away."
    }}
  </p>
</template>
