import { valueAt, nth } from "../numeric";
import type { HookGeometry } from "../hooks";
import type { Point, Shape } from "./shapes";

/** How far a curved hook has turned where its bend begins. */
const CURVED_BY = 0.75;
const CURVE_BEGINS = 0.3;
const STEPS = 240;

/**
 * The line of the wire: along the shank, then round the bend. Eye towards +x, y downwards, the back of the eye at the
 * origin.
 */
export class HookLine {
  private readonly points: Point[] = [];
  private readonly headings: number[] = [];
  private readonly step: number;
  /** Length of the line to the end of the bend. */
  readonly end: number;

  constructor(readonly hook: HookGeometry) {
    const turnedAtBend = hook.bend === "curved" ? CURVED_BY : 0;
    // Half a circle through the gape when straight; a curved hook has turned part of it on the shank already.
    const radius = hook.bend === "curved" ? 0.42 * hook.gape : hook.gape / 2;
    this.end = hook.shank + (Math.PI - turnedAtBend) * radius;
    this.step = this.end / STEPS;
    this.trace(turnedAtBend, radius);
  }

  private trace(turnedAtBend: number, radius: number): void {
    const { shank } = this.hook;
    const begins = CURVE_BEGINS * shank;
    let [x, y] = [0, 0];
    for (let i = 0; i <= STEPS; i++) {
      const s = i * this.step;
      const turned =
        s <= begins
          ? 0
          : s <= shank
            ? (turnedAtBend * (s - begins)) / (shank - begins)
            : turnedAtBend + (s - shank) / radius;
      this.points.push([x, y]);
      this.headings.push(turned);
      x -= Math.cos(turned + this.step / 4 / radius) * this.step;
      y += Math.sin(turned) * this.step;
    }
  }

  /** Centre of the wire at x mm behind the eye along the wire, how far it has turned there, and the outward normal. */
  at(x: number): { point: Point; normal: Point; turned: number } {
    const f = Math.max(0, Math.min(STEPS, x / this.step));
    const i = Math.min(STEPS - 1, Math.floor(f));
    const t = f - i;
    const [a, b] = [nth(this.points, i), nth(this.points, i + 1)];
    const turned = valueAt(this.headings, i) * (1 - t) + valueAt(this.headings, i + 1) * t;
    const before = Math.min(0, x);
    return {
      point: [a[0] + (b[0] - a[0]) * t - before, a[1] + (b[1] - a[1]) * t],
      normal: [-Math.sin(turned), -Math.cos(turned)],
      turned,
    };
  }

  /** A place `off` mm outward from the wire's centre (negative: inward, below). */
  offset(x: number, off: number): Point {
    const { point, normal } = this.at(x);
    return [point[0] + normal[0] * off, point[1] + normal[1] * off];
  }
}

const STEEL = "#4f585d";

/** Eye ring, shank, bend, spear, point and barb, at the true wire width. */
export function hookShapes(line: HookLine): Shape[] {
  const { hook } = line;
  const base = { layer: "hook" as const, role: "hook" as const, colour: STEEL };
  const wire = spine(line);
  const shapes: Shape[] = [
    { ...base, kind: "stroke", points: ring(hook), width: hook.wire * 0.85 },
    ...(hook.points === 2 ? point(line, -0.34, base) : []),
    { ...base, kind: "stroke", points: wire, width: hook.wire },
    {
      ...base,
      kind: "stroke",
      points: wire.map(([x, y]): Point => [x, y - hook.wire * 0.18]),
      width: hook.wire * 0.22,
      shade: 0.5,
    },
    ...point(line, 0, base),
  ];
  return shapes;
}

const spine = (line: HookLine): Point[] => Array.from({ length: 90 }, (_, i) => line.at((line.end * i) / 89).point);

/**
 * The spear: from the end of the bend to the point, with its barb where there is one. `lean` swings a second point
 * aside.
 */
function point(line: HookLine, lean: number, base: Pick<Shape, "role"> & { layer: "hook"; colour: string }): Shape[] {
  const { hook } = line;
  const from = line.at(line.end);
  const length = hook.shank - hook.point;
  const along: Point = [Math.cos(Math.PI - from.turned + lean), -Math.sin(Math.PI - from.turned + lean)];
  const across: Point = [along[1], -along[0]];
  const p = (t: number, off: number): Point => [
    from.point[0] + along[0] * length * t + across[0] * off,
    from.point[1] + along[1] * length * t + across[1] * off,
  ];
  const w = hook.wire / 2;
  const shapes: Shape[] = [
    {
      ...base,
      kind: "area",
      points: [p(0, -w), p(0.62, -w), p(0.86, -w * 0.75), p(1, 0), p(0.86, w * 0.75), p(0.62, w), p(0, w)],
    },
  ];
  if (!hook.barbless) {
    const at = (hook.shank - hook.barb) / length;
    shapes.push({
      ...base,
      kind: "area",
      points: [p(at + 0.12, w * 0.8), p(at - 0.1, w * 1.75), p(at - 0.02, w * 0.8)],
    });
  }
  return shapes;
}

function ring(hook: HookGeometry): Point[] {
  const r = hook.eye / 2 - hook.wire * 0.2;
  return Array.from({ length: 29 }, (_, i) => {
    const a = Math.PI + (i * 2 * Math.PI) / 28;
    return [hook.eye / 2 + r * Math.cos(a), hook.eye * 0.14 + r * 0.78 * Math.sin(a) - hook.eye * 0.06];
  });
}
