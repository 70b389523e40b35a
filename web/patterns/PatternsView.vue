<script setup lang="ts">
import { useWindowVirtualizer } from "@tanstack/vue-virtual";
import { useElementBounding } from "@vueuse/core";
import { FilePlus, Upload, Download } from "lucide-vue-next";
import { computed, ref, useTemplateRef, watch } from "vue";
import { exportPatterns, importPatterns, patternBookSchema } from "@kasten/contract/patterns";
import { call } from "../http";
import RefusalNote from "../parts/RefusalNote.vue";
import { download } from "../parts/download";
import { money } from "../parts/format";
import { useChange } from "../parts/useChange";
import { useSession } from "../team";
import { useCatalogue } from "./catalogue";
import { collectBook } from "./bookFile";
import BookFly from "./BookFly.vue";
import { useBook } from "./useBook";

const { data, wanted, list, inDrawer, styles, sizes, drawers, tiers, usedMaterials, narrowed, clear } = useBook();
const { refetch } = useCatalogue();
const { may } = useSession();
const { busy, refusal, send } = useChange();

// The grid holds thousands: only the rows in sight are there.
const grid = useTemplateRef<HTMLElement>("grid");
const { width, top } = useElementBounding(grid);
const columns = computed(() => Math.max(1, Math.floor(width.value / 300)));
const ROW = 236;
const start = ref(0);
watch(
  top,
  (now) => {
    start.value = now + window.scrollY;
  },
  { immediate: true },
);
const rowCount = computed(() => Math.ceil(list.value.length / columns.value));
const virtual = useWindowVirtualizer(
  computed(() => ({ count: rowCount.value, estimateSize: () => ROW, overscan: 2, scrollMargin: start.value })),
);
const inRow = (row: number) => list.value.slice(row * columns.value, (row + 1) * columns.value);

const wrongFile = ref<{ path: string; detail: string }[]>([]);
const taken = ref("");
async function takeIn(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = "";
  if (!file) return;
  wrongFile.value = [];
  taken.value = "";
  const read = patternBookSchema.safeParse(parse(await file.text()));
  if (!read.success) {
    wrongFile.value = read.error.issues.map((i) => ({ path: i.path.join(".") || "the file", detail: i.message }));
    return;
  }
  const reply = await send(importPatterns, { body: read.data });
  if (!reply) return;
  const parts = [
    ["new", reply.added],
    ["as a new version", reply.renewed],
    ["just as they were", reply.same],
    ["materials new to the cabinet", reply.materials],
  ] as const;
  taken.value = parts
    .filter(([, names]) => names.length > 0)
    .map(([what, names]) => `${names.length} ${what}: ${names.slice(0, 6).join(", ")}${names.length > 6 ? " …" : ""}`)
    .join("; ");
  await refetch();
}
function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined; // said below as “the file”: it is not JSON
  }
}
async function giveOut(): Promise<void> {
  const book = await collectBook(
    list.value.map((p) => p.id),
    (ids) => call(exportPatterns, { query: { of: ids.join(",") } }),
  );
  download("patterns.json", "application/json", JSON.stringify(book, null, 1));
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
          @change="takeIn"
      /></label>
      <button class="btn" :disabled="list.length === 0" @click="giveOut">
        <Download :size="17" aria-hidden="true" />{{ narrowed ? "These as a file" : "All as a file" }}
      </button>
    </div>
  </div>
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
  <RefusalNote :refusal="refusal" />
  <div v-if="wrongFile.length > 0" class="callout mb-3" role="alert">
    <p class="font-semibold">
      Nothing was taken in. The file is not right in {{ wrongFile.length }}
      {{ wrongFile.length === 1 ? "place" : "places" }}:
    </p>
    <ul tabindex="0" class="max-h-48 list-disc overflow-y-auto pl-5">
      <li v-for="w in wrongFile.slice(0, 200)" :key="w.path + w.detail">
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
        <RouterLink
          :to="{ path: `/patterns/${p.id}`, query: wanted.size ? { size: wanted.size } : {} }"
          class="block h-full border border-rule bg-sheet p-3 hover:border-deep"
        >
          <BookFly v-if="p.missing.length === 0" :entry="p" :size="wanted.size || p.sizes.from" class="h-36" />
          <div v-else class="flex h-36 items-center justify-center bg-well p-4 text-center text-soft">
            Not complete: {{ p.missing[0] }}
          </div>
          <div class="mt-1.5 flex items-baseline justify-between gap-3">
            <b class="truncate text-lg">{{ p.name }}</b><span v-if="p.sizes.from" class="fig whitespace-nowrap"
              >{{ p.sizes.from }}–{{ p.sizes.to }}</span
            ><span v-if="p.missing.length > 0" class="tag tag-call">incomplete</span>
          </div>
          <p class="truncate text-[0.93rem] text-soft">
            {{ p.style }}<template v-if="p.species">, for {{ p.species }}</template>
          </p>
          <p class="truncate text-[0.93rem]">
            <span v-if="wanted.drawer" class="tag tag-done mr-1"
              ><span class="fig">{{ inDrawer(p) }}</span> of <span class="fig">{{ p.materials.length }}</span> from
              {{ wanted.drawer }}</span
            ><template v-if="p.missing.length === 0"
              ><span class="fig">{{ p.minutesPerFly }}</span
              ><span class="unit">min</span> <span class="fig">{{ money(p.pricePerDozenCents) }}</span><span
                class="unit"
                >a dozen</span
              >
              · {{ p.variants.map((v) => v.name).join(", ") }}</template
            >
          </p>
        </RouterLink>
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
