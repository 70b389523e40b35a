import { useWindowVirtualizer } from "@tanstack/vue-virtual";
import { useElementBounding } from "@vueuse/core";
import { computed, ref, watch, type Ref } from "vue";

/** Fewer are all there: what is short needs no care. */
const MANY = 60;
const AHEAD = 12;

/** Of many rows those in sight and a few around them; what is left out keeps its room above and below. */
export function useRowsSeen<Row>(body: Ref<HTMLElement | null>, list: Ref<Row[]>, rowPx: () => number) {
  const isLong = computed(() => list.value.length > MANY);
  const { top } = useElementBounding(body);
  const start = ref(0);
  watch(top, (now) => {
    start.value = now + window.scrollY;
  });
  const virtual = useWindowVirtualizer(
    computed(() => ({
      count: isLong.value ? list.value.length : 0,
      estimateSize: rowPx,
      overscan: AHEAD,
      scrollMargin: start.value,
    })),
  );
  const seen = computed(() => {
    if (!isLong.value)
      return { rows: list.value.map((row, index) => ({ row, index })), above: 0, below: 0, measure: () => undefined };
    const items = virtual.value.getVirtualItems();
    const first = items[0];
    const last = items[items.length - 1];
    return {
      rows: items.flatMap(({ index }) => {
        const row = list.value[index];
        return row === undefined ? [] : [{ row, index }];
      }),
      above: first ? first.start - start.value : 0,
      below: last ? virtual.value.getTotalSize() - (last.end - start.value) : 0,
      measure: (el: unknown) => (el instanceof Element ? virtual.value.measureElement(el) : undefined),
    };
  });
  return { isLong, seen };
}
