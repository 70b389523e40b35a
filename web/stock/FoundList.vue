<script setup lang="ts">
import { refDebounced } from "@vueuse/core";
import { computed, toRef } from "vue";
import { useRouter } from "vue-router";
import { findStock, type Found } from "@kasten/contract/stock";
import { call, useRead } from "../http";
import ColourSwatch from "../parts/ColourSwatch.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";

/** What a few words or a scanned code find in the cabinet: materials, lots, drawers. */
const props = defineProps<{ words: string }>();
const WAIT_MS = 120;
const asked = refDebounced(toRef(props, "words"), WAIT_MS);
const query = useRead({
  key: () => ["find", asked.value.trim()],
  query: () => call(findStock, { query: { q: asked.value.trim() } }),
  enabled: () => asked.value.trim().length > 1,
});
const found = computed(() => query.data.value?.found ?? []);
const { refusal, send } = useChange();
const router = useRouter();
const pathOf = (f: Found): string =>
  f.kind === "material" ? `/stock/${f.id}` : f.kind === "lot" ? `/lots/${f.id}` : `/stock?drawer=${f.id}`;
async function openFirst(): Promise<void> {
  const q = props.words.trim();
  // Typed faster than it was asked: a scanner does.
  const [first] = (await send(findStock, { query: { q } }))?.found ?? [];
  if (first) await router.push(pathOf(first));
}
defineExpose({ openFirst });
</script>

<template>
  <div>
    <RefusalNote :refusal="refusal" />
    <ul v-if="found.length > 0" class="sheet max-h-72 overflow-y-auto p-1" aria-label="Found">
      <li v-for="f in found" :key="f.kind + f.id">
        <RouterLink
          :to="pathOf(f)"
          class="grid min-h-9 grid-cols-[auto_1fr_auto] items-baseline gap-x-3 px-2 py-1 hover:bg-well"
          ><ColourSwatch :colour="f.colour" /><span class="min-w-0"
            ><b>{{ f.name }}</b> <span class="text-soft">{{ f.about }}</span></span
          ><span class="fig">{{ f.drawer }}</span></RouterLink
        >
      </li>
    </ul>
    <p v-else-if="!query.isLoading.value && asked === words" class="text-soft">Nothing in the cabinet says that.</p>
  </div>
</template>
