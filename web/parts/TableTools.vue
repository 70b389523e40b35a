<script setup lang="ts" generic="Row extends object">
import { Popover, PopoverButton, PopoverPanel } from "@headlessui/vue";
import { useClipboard } from "@vueuse/core";
import { Columns3, Copy } from "lucide-vue-next";
import { computed } from "vue";
import { tableAsCsv, type Column } from "./column";
import ListBox from "./ListBox.vue";
import { say } from "./say";
import TickBox from "./TickBox.vue";
import { useFloatingList } from "./useFloatingList";

/** Above a long table: find in it, choose its columns, copy it. */
const props = defineProps<{
  label: string;
  columns: Column<Row>[];
  list: Row[];
  all: number;
  shown: Record<string, boolean>;
  /** Columns to sort by where there are no heads to click. */
  sortable: Column<Row>[];
  sorted: string | undefined;
}>();
const wanted = defineModel<string>({ required: true });
const emit = defineEmits<{ show: [id: string, on: boolean]; sort: [id: string] }>();
const { button, list: panel, floatingStyles } = useFloatingList();
const { copy } = useClipboard({ legacy: true });
const said = computed(() => props.columns.filter((c) => props.shown[c.id]));
async function copyAll(): Promise<void> {
  await copy(await tableAsCsv(said.value, props.list));
  say(`Copied: ${props.list.length} ${props.list.length === 1 ? "row" : "rows"} as CSV`);
}
const by = computed(() => props.sortable.map((c) => ({ value: c.id, label: c.head })));
</script>

<template>
  <div class="no-print mb-1.5 flex flex-wrap items-end gap-x-3 gap-y-1.5">
    <slot />
    <label class="min-w-36 flex-1 sm:max-w-64"
      ><span class="sr-only">Find in {{ label }}</span
      ><input v-model="wanted" type="search" class="field w-full !min-h-8" placeholder="Find in this list"
    /></label>
    <span v-if="wanted" class="self-center text-[0.92rem] text-soft" role="status"
      ><span class="fig">{{ list.length }}</span> of <span class="fig">{{ all }}</span></span
    >
    <ListBox
      v-if="by.length > 1"
      label="Sorted by"
      quiet
      placeholder="as it comes"
      :options="by"
      :model-value="sorted ?? ''"
      @update:model-value="emit('sort', $event)"
    />
    <span class="ml-auto flex">
      <Popover
        ><PopoverButton ref="button" class="btn btn-plain !min-h-8"
          ><Columns3 :size="16" aria-hidden="true" />Columns</PopoverButton
        ><PopoverPanel ref="panel" class="options !p-2" :style="floatingStyles">
          <TickBox
            v-for="c in columns.filter((x) => !x.quiet)"
            :key="c.id"
            class="py-0.5"
            :model-value="shown[c.id]"
            @update:model-value="emit('show', c.id, $event ?? false)"
            >{{ c.head }}</TickBox
          >
        </PopoverPanel></Popover
      ><button type="button" class="btn btn-plain !min-h-8" @click="copyAll">
        <Copy :size="16" aria-hidden="true" />Copy as CSV
      </button></span
    >
  </div>
</template>
