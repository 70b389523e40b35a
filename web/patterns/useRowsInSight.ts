import { useWindowVirtualizer } from "@tanstack/vue-virtual";
import { useElementBounding } from "@vueuse/core";
import { computed, ref, watch, type Ref } from "vue";

/** A grid that holds thousands: only the rows in sight are there. */
export function useRowsInSight<T>(
  grid: Ref<HTMLElement | null>,
  list: Ref<T[]>,
  { rowPx, cellPx }: { rowPx: number; cellPx: number },
) {
  const { width, top } = useElementBounding(grid);
  const columns = computed(() => Math.max(1, Math.floor(width.value / cellPx)));
  const start = ref(0);
  watch(
    top,
    (now) => {
      start.value = now + window.scrollY;
    },
    { immediate: true },
  );
  const count = computed(() => Math.ceil(list.value.length / columns.value));
  const virtual = useWindowVirtualizer(
    computed(() => ({
      count: count.value,
      estimateSize: () => rowPx,
      overscan: 2,
      scrollMargin: start.value,
    })),
  );
  const inRow = (row: number): T[] => list.value.slice(row * columns.value, (row + 1) * columns.value);
  return { virtual, columns, start, inRow };
}
