import type { FlyStep } from "../fly";
import type { Pen } from "./pen";
import { directionOf, type Root } from "./root";
import type { Layer, Point } from "./shapes";

/** In mg a mm: skin with its fur weighs several times what yarn of its width does. */
const HIDE_WEIGHS = 0.8;
const LEAST_WIDTH = 2;

/** A strip of skin with the fur on it: wide, and heavier than any yarn. */
export const isHide = ({ material }: FlyStep): boolean =>
  material?.form === "yarn" &&
  (material.strand?.width ?? 0) >= LEAST_WIDTH &&
  (material.strand?.lineDensity ?? 0) >= HIDE_WEIGHS;

/** So much longer than the strip is wide its fur stands out, and it leans so far back. */
const FUR = 1.5;
const LEAN = 0.45;
const HAIRS_A_MM = 3;
const MOST_HAIRS = 160;

/** The skin as a band from its root on, the fur above it, and some beneath that hangs over its edges. */
export function drawHide(pen: Pen, step: FlyStep, layer: Layer, root: Root, from: Point): void {
  const { width = LEAST_WIDTH, core = 0.8 } = step.material?.strand ?? {};
  const angle = directionOf(root);
  const skin = pen.path(from, { angle, length: root.shown, width: core, wave: root.shown * 0.03 });
  pen.stroke(step, layer, skin, core, -0.25);
  const count = Math.min(MOST_HAIRS, Math.max(24, Math.round(root.shown * HAIRS_A_MM)));
  for (let i = 0; i < count; i++) {
    const isAbove = i % 4 !== 0;
    pen.fibre(step, layer, alongPath(skin, (i + pen.random()) / count), {
      angle: angle + (isAbove ? 1 : -1) * (LEAN + pen.around(0.2)),
      curl: isAbove ? -0.35 : 0.35,
      length: width * FUR * (0.7 + 0.3 * pen.random()) * (isAbove ? 1 : 0.6),
      width: 0.08,
      tapered: true,
      shade: pen.around(0.24),
    });
  }
}

/** The point at a share of the way along a path. */
function alongPath(points: readonly Point[], share: number): Point {
  const at = share * (points.length - 1);
  const i = Math.min(points.length - 2, Math.floor(at));
  const [a, b] = [points[i], points[i + 1]];
  if (!a || !b) return points[0] ?? [0, 0];
  return [a[0] + (b[0] - a[0]) * (at - i), a[1] + (b[1] - a[1]) * (at - i)];
}
