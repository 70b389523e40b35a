import { autoUpdate, flip, offset, shift, size, useFloating } from "@floating-ui/vue";
import { ref } from "vue";

const AWAY_PX = 2;
const EDGE_PX = 8;
const MOST_HIGH_PX = 340;

/** A list that opens beside its button: never cut off by a box that scrolls, never beyond the edge of the screen. */
export function useFloatingList() {
  const button = ref();
  const list = ref();
  const { floatingStyles } = useFloating(button, list, {
    strategy: "fixed",
    placement: "bottom-start",
    whileElementsMounted: autoUpdate,
    middleware: [
      offset(AWAY_PX),
      flip({ padding: EDGE_PX }),
      shift({ padding: EDGE_PX }),
      size({
        padding: EDGE_PX,
        apply({ rects, availableHeight, elements }) {
          Object.assign(elements.floating.style, {
            minWidth: `${rects.reference.width}px`,
            maxHeight: `${Math.min(MOST_HIGH_PX, availableHeight)}px`,
          });
        },
      }),
    ],
  });
  return { button, list, floatingStyles };
}
