import { useResizeObserver } from "@vueuse/core";
import { nextTick, ref, watch, type Ref } from "vue";

/**
 * Whether the rows of a table have to be stacked so that nothing of it is cut off: on a phone, and wherever its words
 * do not fit side by side, as with larger letters or more room between them.
 * @param leastPx below this width they are stacked, whatever stands in them
 */
export function useStacked(
  frame: Ref<HTMLElement | null>,
  table: Ref<HTMLElement | null>,
  filled: () => unknown,
  leastPx: number,
) {
  const stacked = ref(false);
  let needed = leastPx;
  const look = (): void => {
    const room = frame.value?.clientWidth ?? 0;
    if (room === 0 || !table.value) return;
    if (!stacked.value && table.value.offsetWidth > room + 1) needed = Math.max(leastPx, table.value.offsetWidth);
    stacked.value = room < needed;
  };
  useResizeObserver(frame, look);
  useResizeObserver(table, look);
  watch(filled, () => {
    needed = leastPx;
    void nextTick(look);
  });
  return stacked;
}
