import type { FlyStep } from "../fly";
import { directionOf, type Root } from "./root";
import type { Pen } from "./pen";
import type { Layer, Point } from "./shapes";

/** A closed blade: a place along it (0 root, 1 tip) and across it (−1 to 1) to a place of the drawing. */
type Blade = (along: number, across: number) => Point;

/** Parts that show as a closed shape: slips, whole feathers laid flat, extended bodies. */
export class Blades {
  constructor(private readonly pen: Pen) {}

  /** Matched slips over the back: the far one a shade darker behind the near one. */
  slips(step: FlyStep, root: Root, width: number): void {
    this.slip(step, root, width, "far", 0.05);
    this.slip(step, root, width, "wing", 0);
  }

  /** Whole feathers on their sides, one behind the other: cheeks flat at the head, wings as they are set. */
  feathers(step: FlyStep, layer: Layer, root: Root): void {
    const isCheek = step.role === "cheeks";
    const width = root.shown * (isCheek ? 0.42 : 0.2);
    const angle = isCheek ? 0.1 : directionOf(root);
    const start = this.pen.line.offset(root.x, isCheek ? root.half * 0.2 : root.half * 0.8);
    if ((step.fibres ?? 2) > 1) this.feather(step, "far", start, { angle: angle + 0.05, length: root.shown, width });
    this.feather(step, layer === "legs" ? "wing" : layer, start, { angle, length: root.shown, width });
  }

  private feather(
    step: FlyStep,
    layer: Layer,
    start: Point,
    o: { angle: number; length: number; width: number },
  ): void {
    const blade: Blade = (t, across) => {
      const w = (o.width / 2) * across * Math.sin(Math.PI * Math.min(1, 0.06 + 0.94 * t) ** 0.8) ** 0.75;
      return [
        start[0] - Math.cos(o.angle) * o.length * t - Math.sin(o.angle) * w,
        start[1] - Math.sin(o.angle) * o.length * t - Math.cos(o.angle) * w,
      ];
    };
    const far = layer === "far";
    this.outline(step, layer, blade, [-1, 1], far ? -0.25 : 0);
    if (far) return;
    for (let i = 1; i <= 16; i++)
      for (const side of [-1, 1])
        this.pen.stroke(
          step,
          layer,
          [blade(i / 19, 0), blade(i / 19 + 0.05, side * 0.5), blade(Math.min(0.98, i / 19 + 0.13), side * 0.95)],
          0.04,
          this.pen.around(0.26),
        );
    this.pen.stroke(step, layer, [blade(0, 0), blade(0.5, 0), blade(0.93, 0)], 0.09, -0.35);
  }

  private slip(step: FlyStep, root: Root, width: number, layer: Layer, lift: number): void {
    const start = this.pen.line.offset(root.x, root.half * 0.85);
    const angle = directionOf(root) + 0.05 + lift;
    const blade: Blade = (t, across) => {
      const taper = Math.min(1, 0.3 + 2 * t) * (t > 0.72 ? Math.sqrt(Math.max(0, 1 - ((t - 0.72) / 0.28) ** 2)) : 1);
      const w = width * across * taper;
      const sag = 0.1 * root.shown * t * t;
      return [
        start[0] - Math.cos(angle) * root.shown * t - Math.sin(angle) * w,
        start[1] - Math.sin(angle) * root.shown * t - Math.cos(angle) * w + sag,
      ];
    };
    this.outline(step, layer, blade, [-0.28, 0.72], layer === "far" ? -0.25 : 0);
    if (layer === "far") return;
    for (let k = 0; k <= 11; k++)
      this.pen.stroke(
        step,
        layer,
        Array.from({ length: 17 }, (_, i) => blade(i / 18, -0.24 + (k / 11) * 0.9)),
        0.035,
        k % 3 === 0 ? 0.22 : -0.22,
      );
  }

  private outline(step: FlyStep, layer: Layer, blade: Blade, [low, high]: [number, number], shade: number): void {
    const ts = Array.from({ length: 19 }, (_, i) => i / 18);
    this.pen.area(step, layer, [...ts.map((t) => blade(t, high)), ...[...ts].reverse().map((t) => blade(t, low))], {
      edged: true,
      shade,
    });
  }

  extendedBody(step: FlyStep, root: Root): void {
    const thick = step.material?.part?.diameter ?? step.material?.strand?.width ?? 1;
    const start = this.pen.line.at(root.x).point;
    const edge: Blade = (t, side) => [
      start[0] - root.shown * t,
      start[1] - 0.2 * root.shown * t * t + side * (thick / 2) * (1 - 0.6 * t),
    ];
    const ts = Array.from({ length: 25 }, (_, i) => i / 24);
    this.pen.area(step, "tail", [...ts.map((t) => edge(t, -1)), ...[...ts].reverse().map((t) => edge(t, 1))], {
      edged: true,
    });
    this.pen.area(step, "tail", [...ts.map((t) => edge(t, 0.4)), ...[...ts].reverse().map((t) => edge(t, 1))], {
      shade: -0.22,
    });
    for (const t of ts.filter((_, i) => i % 2 === 1))
      this.pen.stroke(step, "tail", [edge(t, -1), edge(t + 0.015, 0), edge(t, 1)], 0.07, -0.36);
    const tip = edge(1, 0);
    for (const a of [0.55, 0.3, 0.1])
      this.pen.fibre(step, "tail", tip, { angle: a, curl: 0.15, length: root.shown * 0.75, width: 0.06, shade: -0.3 });
  }
}
