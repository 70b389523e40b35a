<script setup lang="ts">
import { computed, ref } from "vue";
import { changesBetween } from "@kasten/core/versions";
import { patternVersions } from "@kasten/contract/patterns";
import { call, useRead } from "../http";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";
import { moment } from "../parts/format";
import { useCatalogue } from "./catalogue";

/** The versions of a pattern, who uses them, and what differs between two of them. */
const props = defineProps<{ id: string }>();
const { recipeOf, materials } = useCatalogue();
const versions = useRead({
  key: () => ["versions", props.id],
  query: () => call(patternVersions, { params: { id: props.id } }),
});
const list = computed(() => versions.data.value?.versions ?? []);
const pair = ref<[number, number] | null>(null);
const between = computed<[number, number] | null>(
  () => pair.value ?? (list.value.length > 1 ? [list.value[1]?.version ?? 0, list.value[0]?.version ?? 0] : null),
);
const changes = computed(() => {
  if (!between.value) return undefined;
  const [a, b] = between.value.map((v) => recipeOf(props.id, v));
  return a && b ? changesBetween(a, b, (code) => materials.value.get(code)?.name ?? code) : undefined;
});
type Change = NonNullable<typeof changes.value>[number];
const columns: Column<Change>[] = [
  { id: "where", head: "Where", lead: true, class: "font-semibold text-[0.92rem]", value: (c) => c.where, fixed: true },
  { id: "before", head: "Before", class: "text-soft", value: (c) => c.before ?? "was not there", fixed: true },
  { id: "after", head: "After", value: (c) => c.after ?? "taken out", fixed: true },
];
</script>

<template>
  <section>
    <h2 class="mb-1">Versions</h2>
    <ul class="sheet">
      <li
        v-for="v in list"
        :key="v.version"
        class="flex flex-wrap items-baseline gap-x-3 border-b border-rule px-3 py-1.5"
      >
        <b
          >Version <span class="fig">{{ v.version }}</span></b
        ><span class="text-soft"
          >{{ moment(v.at) }}<template v-if="v.person">, {{ v.person }}</template></span
        ><span v-if="v.note">{{ v.note }}</span>
        <span v-if="v.batches.length > 0" class="tag">bound: batch {{ v.batches.join(", ") }}</span>
        <button v-if="v.version > 1" class="btn btn-plain !min-h-7" @click="pair = [v.version - 1, v.version]">
          What it changed
        </button>
      </li>
    </ul>
    <template v-if="between && changes">
      <h3 class="mb-1 mt-3 font-semibold">
        From version <span class="fig">{{ between[0] }}</span> to <span class="fig">{{ between[1] }}</span>
      </h3>
      <DataTable label="What changed" :rows="changes" :columns="columns" :row-key="(c) => c.where + c.after + c.before">
        <template #empty>Nothing in the recipe; its name, style or origin.</template>
      </DataTable>
    </template>
  </section>
</template>
