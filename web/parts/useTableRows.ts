import {
  columnFilteringFeature,
  columnVisibilityFeature,
  createFilteredRowModel,
  createSortedRowModel,
  filterFn_includesString,
  globalFilteringFeature,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
  useTable,
  type SortingState,
} from "@tanstack/vue-table";
import { useStorage } from "@vueuse/core";
import { computed, ref, type Ref } from "vue";
import type { Column } from "./column";

const features = tableFeatures({
  rowSortingFeature,
  columnFilteringFeature,
  globalFilteringFeature,
  columnVisibilityFeature,
  sortedRowModel: createSortedRowModel(),
  filteredRowModel: createFilteredRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic },
  filterFns: { includesString: filterFn_includesString },
});

/** Rows as they are wanted: sorted by a head, found by words, in the columns that a person has chosen. */
export function useTableRows<Row extends object>(name: string | undefined, rows: Ref<Row[]>, all: Ref<Column<Row>[]>) {
  const sorting = ref<SortingState>([]);
  const wanted = ref("");
  const chosen = useStorage<Record<string, boolean>>(name ? `kasten.columns.${name}` : "kasten.columns", {});
  const shown = computed(() => Object.fromEntries(all.value.map((c) => [c.id, chosen.value[c.id] ?? !c.aside])));
  const table = useTable({
    features,
    data: rows,
    columns: computed(() =>
      all.value.map((c) => ({
        id: c.id,
        accessorFn: (row: Row) => c.value?.(row) ?? undefined,
        enableSorting: c.value !== undefined && !c.fixed,
        sortUndefined: "last" as const,
        sortFn: (c.end ? "basic" : "alphanumeric") as "basic" | "alphanumeric",
      })),
    ),
    state: computed(() => ({ sorting: sorting.value, globalFilter: wanted.value, columnVisibility: shown.value })),
    globalFilterFn: "includesString",
    getColumnCanGlobalFilter: () => true,
    onSortingChange: (next) => {
      sorting.value = typeof next === "function" ? next(sorting.value) : next;
    },
  });
  // The library widens a row to "any row data"; what comes out are the rows that went in.
  const list = computed(() => table.getRowModel().rows.map((r) => r.original as Row));
  const columns = computed(() => all.value.filter((c) => shown.value[c.id]));
  const sortable = computed(() => all.value.filter((c) => c.value !== undefined && !c.fixed && shown.value[c.id]));
  const sortedAs = (id: string): "ascending" | "descending" | "none" => {
    const by = sorting.value.find((s) => s.id === id);
    return by ? (by.desc ? "descending" : "ascending") : "none";
  };
  /** Up, down, and then as it came. */
  function sortBy(id: string): void {
    const next = { none: [{ id, desc: false }], ascending: [{ id, desc: true }], descending: [] };
    sorting.value = next[sortedAs(id)];
  }
  const show = (id: string, on: boolean): void => {
    chosen.value = { ...chosen.value, [id]: on };
  };
  return { list, columns, sortable, sortedAs, sortBy, sorting, wanted, shown, show };
}
