<script setup lang="ts" generic="Row">
import { ArrowDown, ArrowUp } from "lucide-vue-next";
import type { Column } from "./column";
import TradeWord from "./TradeWord.vue";

/** The head of a column: sorts by it where that makes sense, and tells what its word means. */
defineProps<{
  column: Column<Row>;
  /** How the rows are sorted by it; undefined where they cannot be. */
  sorted?: "ascending" | "descending" | "none";
  /** Only read aloud: nothing to click. */
  bare: boolean;
}>();
defineEmits<{ sort: [] }>();
</script>

<template>
  <th scope="col" role="columnheader" :class="{ 'text-right': column.end }" :aria-sort="sorted">
    <span v-if="column.quiet" class="sr-only">{{ column.head }}</span><button
      v-else-if="sorted && !bare"
      type="button"
      class="sorter"
      :class="{ 'is-end': column.end }"
      @click="$emit('sort')"
    >
      {{ column.head }}<ArrowUp v-if="sorted === 'ascending'" :size="13" aria-hidden="true" /><ArrowDown
        v-else-if="sorted === 'descending'"
        :size="13"
        aria-hidden="true"
      />
    </button>
    <template v-else>{{ column.head }}</template><TradeWord
      v-if="column.word && !column.quiet && !bare"
      :word="column.word"
      ><span></span
    ></TradeWord>
  </th>
</template>

<style scoped>
.sorter {
  display: inline-flex;
  align-items: center;
  gap: 0.2rem;
  min-width: 24px;
  min-height: 1.6rem;
  font-weight: 600;
  text-align: left;
}
.sorter.is-end {
  justify-content: flex-end;
  text-align: right;
}
.sorter:hover {
  color: var(--deep);
}
</style>
