<script setup lang="ts" generic="Row extends object">
import { computed, toRef, useTemplateRef } from "vue";
import { unread } from "../http";
import { isBlank, type Column } from "./column";
import TableHead from "./TableHead.vue";
import TableTools from "./TableTools.vue";
import { useRowsSeen } from "./useRowsSeen";
import { useStacked } from "./useStacked";
import { useTableRows } from "./useTableRows";

/**
 * A table of the room: sorted by its heads, its rows only there where they are looked at, stacked where they would be
 * cut off. With a name it can be searched, its columns chosen, and copied as CSV.
 */
const props = defineProps<{
  label: string;
  /** Undefined while they are not known: an answer is still being waited for. */
  rows: Row[] | undefined;
  columns: Column<Row>[];
  rowKey: (row: Row) => string;
  /** Its columns are chosen and kept under this name. */
  name?: string;
  /** How high a row mostly is, in pixels, before it has been seen. */
  rowPx?: number;
  quietHead?: boolean;
  /** A few short columns: side by side as long as they fit, on a phone too. */
  tight?: boolean;
  picked?: (row: Row) => boolean;
}>();
defineSlots<{
  [cell: `cell-${string}`]: (of: { row: Row; index: number }) => unknown;
  empty: () => unknown;
  below: (of: { row: Row }) => unknown;
  tools: () => unknown;
}>();
const FINDABLE = 8;
const USUAL_ROW_PX = 40;
const STACKED_ROW_PX = 150;
const frame = useTemplateRef<HTMLElement>("frame");
const table = useTemplateRef<HTMLElement>("table");
const body = useTemplateRef<HTMLElement>("body");
const rows = computed(() => props.rows ?? []);
const { list, columns, sortable, sortedAs, sortBy, sorting, wanted, shown, show } = useTableRows<Row>(
  props.name,
  rows,
  toRef(props, "columns"),
);
const PHONE_PX = 640;
const stacked = useStacked(frame, table, () => [rows.value.length, columns.value.length], props.tight ? 0 : PHONE_PX);
const { isLong, seen } = useRowsSeen(body, list, () =>
  stacked.value ? STACKED_ROW_PX : (props.rowPx ?? USUAL_ROW_PX),
);
/** Stacked, an empty cell is only a label without a word. */
const cellsOf = (row: Row): Column<Row>[] =>
  stacked.value
    ? columns.value.filter((c) => !isBlank(c, row)).sort((a, b) => Number(b.lead ?? false) - Number(a.lead ?? false))
    : columns.value;
const textOf = (column: Column<Row>, row: Row): string => String(column.value?.(row) ?? "");
const isSortable = computed(() => new Set(rows.value.length > 1 ? sortable.value.map((c) => c.id) : []));
</script>

<template>
  <div ref="frame" class="min-w-0">
    <TableTools
      v-if="name && (rows.length > FINDABLE || wanted)"
      v-model="wanted"
      :label="label"
      :columns="props.columns"
      :list="list"
      :all="rows.length"
      :shown="shown"
      :sortable="stacked ? sortable : []"
      :sorted="sorting[0]?.id"
      @show="show"
      @sort="sortBy"
      ><slot name="tools"
    /></TableTools>
    <table
      ref="table"
      class="ledger sheet"
      :class="{ stacked }"
      role="table"
      :aria-label="label"
      :aria-rowcount="isLong ? list.length + 1 : undefined"
    >
      <thead :class="{ 'sr-only': stacked || quietHead }" role="rowgroup">
        <tr role="row">
          <TableHead
            v-for="c in columns"
            :key="c.id"
            :column="c"
            :sorted="isSortable.has(c.id) ? sortedAs(c.id) : undefined"
            :bare="stacked || Boolean(quietHead)"
            @sort="sortBy(c.id)"
          />
        </tr>
      </thead>
      <tbody ref="body" role="rowgroup">
        <tr v-if="seen.above > 0" aria-hidden="true" :style="{ height: `${seen.above}px` }"></tr>
        <template v-for="{ row, index } in seen.rows" :key="rowKey(row)">
          <tr
            :ref="(el) => seen.measure(el)"
            role="row"
            :data-index="index"
            :aria-rowindex="isLong ? index + 2 : undefined"
            :class="{ 'is-picked': picked?.(row) }"
          >
            <td
              v-for="c in cellsOf(row)"
              :key="c.id"
              role="cell"
              :class="[c.class, { 'text-right': c.end, fig: c.mono, lead: c.lead, act: c.act }]"
            >
              <span v-if="stacked && !c.lead && !c.act && !c.quiet" class="stack-head" aria-hidden="true">{{
                c.head
              }}</span>
              <div class="in-cell">
                <slot :name="`cell-${c.id}`" :row="row" :index="index">{{ textOf(c, row) }}</slot>
              </div>
            </td>
          </tr>
          <slot name="below" :row="row" />
        </template>
        <tr v-if="seen.below > 0" aria-hidden="true" :style="{ height: `${seen.below}px` }"></tr>
        <tr v-if="list.length === 0" role="row">
          <td role="cell" :colspan="columns.length" class="lead !py-5 text-soft">
            <template v-if="props.rows === undefined">{{
              unread.size > 0 ? "Not read." : "Being read …"
            }}</template><template v-else-if="rows.length > 0">Nothing here has “{{ wanted }}” in it.</template
            ><slot v-else name="empty">None yet.</slot>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.ledger thead:not(.sr-only) :deep(th) {
  position: sticky;
  top: var(--frame-head);
  z-index: 1;
  background: var(--sheet);
  border-bottom: none;
  box-shadow: inset 0 -1.5px 0 var(--rule-strong);
}
.is-picked {
  background: var(--well);
}
.in-cell {
  display: contents;
}
.stacked,
.stacked tbody,
.stacked tr,
.stacked td {
  display: block;
}
.stacked tr {
  padding: 0.45rem 0.7rem;
  border-bottom: 1.5px solid var(--rule-strong);
}
.stacked td {
  display: flex;
  align-items: baseline;
  gap: 0.8rem;
  max-width: none;
  padding: 0.14rem 0;
  border: none;
  text-align: left;
  white-space: normal;
}
.stacked td.lead,
.stacked td.act {
  display: block;
}
.stacked td.act:not(:empty) {
  padding-top: 0.35rem;
}
/* For a thumb. */
.stacked td.act :deep(.btn) {
  min-height: 44px;
}
.stacked .stack-head {
  flex: none;
  width: 8.2rem;
  font-family: var(--font-sans);
  font-size: 0.86rem;
  color: var(--ink-soft);
}
/* A link that is the whole of a cell is a target for a thumb. */
.stacked .in-cell > :deep(a) {
  display: inline-block;
  min-height: 24px;
}
.stacked .in-cell {
  display: block;
  min-width: 0;
  overflow-wrap: anywhere;
}
</style>
