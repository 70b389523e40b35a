import { onBeforeUnmount, onMounted, type Ref } from "vue";

const ANIMATION_MS = 120;

/** Rows are moved by their handle, also by touch. What does it comes once the rows are there: keys work before. */
export function useRowDrag<T>(list: Readonly<Ref<HTMLElement | null>>, rows: Ref<T[]>): void {
  let end: (() => void) | undefined;
  let isGone = false;
  onMounted(async () => {
    const { useDraggable } = await import("vue-draggable-plus");
    if (isGone || !list.value) return;
    const drag = useDraggable(list.value, rows, { handle: ".handle", animation: ANIMATION_MS, immediate: false });
    drag.start();
    end = () => drag.destroy();
  });
  onBeforeUnmount(() => {
    isGone = true;
    end?.();
  });
}
