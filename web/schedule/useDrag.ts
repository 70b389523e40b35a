import { whenever } from "@vueuse/core";
import { readonly, ref, type Ref } from "vue";

/** A hand that trembles does not move anything. */
const LEAST_PX = 5;

interface Point {
  x: number;
  y: number;
}

/**
 * Lets a piece of a drawing be dragged, as soon as it may be. What does it comes when it is first needed.
 * @param moved told how far the hand has gone, and where in the drawing it is
 * @returns whether a hand can take hold of it yet
 */
export function useDrag(
  piece: Readonly<Ref<SVGGElement | null>>,
  isMovable: () => boolean,
  { taken, moved }: { taken: () => void; moved: (byX: number, y: number) => void },
): Readonly<Ref<boolean>> {
  const canHold = ref(false);
  async function attach(): Promise<void> {
    const [{ drag }, { select }] = await Promise.all([import("d3-drag"), import("d3-selection")]);
    if (!piece.value) return;
    let from: Point = { x: 0, y: 0 };
    let isMoving = false;
    select(piece.value).call(
      drag<SVGGElement, unknown>()
        .filter((event: MouseEvent) => isMovable() && !event.button)
        .container(function () {
          return this.ownerSVGElement ?? this;
        })
        .subject((event: Point) => ({ x: event.x, y: event.y }))
        .on("start", (event: Point) => {
          from = { x: event.x, y: event.y };
          isMoving = false;
        })
        .on("drag", (event: Point) => {
          if (!isMoving && Math.hypot(event.x - from.x, event.y - from.y) < LEAST_PX) return;
          if (!isMoving) taken();
          isMoving = true;
          moved(event.x - from.x, event.y);
        }),
    );
    canHold.value = true;
  }
  whenever(() => isMovable() && piece.value !== null, attach, { once: true, immediate: true, flush: "post" });
  return readonly(canHold);
}
