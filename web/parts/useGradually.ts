import { computed, nextTick, onBeforeUnmount, ref, watch, type Ref } from "vue";
import { whenIdle } from "./idleQueue";

const A_FEW = 8;

/** A list that comes whole, and is shown a few rows at a time, as there is time: nothing waits for its last row. */
export function useGradually<T>(list: Ref<T[]>, step = A_FEW) {
  const shown = ref(step);
  let cancel: (() => void) | undefined;
  let isGone = false;
  const more = (): void => {
    cancel?.();
    if (isGone || shown.value >= list.value.length) return;
    cancel = whenIdle(() => {
      shown.value += step;
      // Only once these stand: else all of them would be drawn in one go.
      void nextTick(more);
    });
  };
  watch(() => list.value.length, more, { immediate: true });
  onBeforeUnmount(() => {
    isGone = true;
    cancel?.();
  });
  return computed(() => list.value.slice(0, shown.value));
}
