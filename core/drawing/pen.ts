import type { FlyStep } from "../fly";
import type { Role } from "../recipe";
import type { HookLine } from "./hook";
import { seeded } from "./random";
import type { Colour, Layer, Point, Shape } from "./shapes";

/** How one fibre runs from its root. Angles: 0 back along the shank, a quarter turn up. */
export interface Fibre {
  angle: number;
  length: number;
  width: number;
  /** Turn of the fibre from root to tip: positive curls up. */
  curl?: number;
  /** Sideways swing of a wave, in mm, growing towards the tip. */
  wave?: number;
  shade?: number;
  /** The root is thicker than the tip. */
  tapered?: boolean;
  layer?: Layer;
  colour?: Colour;
}

/**
 * Collects the shapes of one drawing. Everything random comes from one seeded generator, so that a fly always looks the
 * same.
 */
export class Pen {
  readonly shapes: Shape[] = [];
  private readonly next: () => number;

  constructor(
    readonly line: HookLine,
    seed: string,
  ) {
    this.next = seeded(seed);
  }

  random(): number {
    return this.next();
  }

  /** Between −amount and amount. */
  around(amount: number): number {
    return (this.next() * 2 - 1) * amount;
  }

  area(
    step: FlyStep,
    layer: Layer,
    points: Point[],
    options: { shade?: number; colour?: Colour; edged?: boolean; role?: Role } = {},
  ): void {
    const { shade = 0, edged, role = step.role ?? "body" } = options;
    const colour = "colour" in options ? options.colour : step.material?.colour;
    this.shapes.push({ kind: "area", layer, role, step: step.id, points, colour, shade, edged });
  }

  stroke(
    step: FlyStep,
    layer: Layer,
    points: Point[],
    width: number,
    shade = 0,
    colour: Colour = step.material?.colour,
  ): void {
    this.shapes.push({ kind: "stroke", layer, role: step.role ?? "body", step: step.id, points, colour, width, shade });
  }

  disc(
    step: FlyStep,
    layer: Layer,
    at: Point,
    radius: number,
    shade: number,
    colour: Colour = step.material?.colour,
  ): void {
    this.shapes.push({ kind: "disc", layer, role: step.role ?? "body", step: step.id, at, radius, colour, shade });
  }

  /** One fibre from its root; a tapered one is drawn twice, thicker near the root. */
  fibre(step: FlyStep, layer: Layer, root: Point, f: Fibre): void {
    const points = this.path(root, f);
    const colour = "colour" in f ? f.colour : step.material?.colour;
    this.stroke(step, f.layer ?? layer, points, f.tapered ? f.width * 0.62 : f.width, f.shade, colour);
    if (f.tapered)
      this.stroke(step, f.layer ?? layer, points.slice(0, Math.ceil(points.length * 0.6)), f.width, f.shade, colour);
  }

  path(root: Point, f: Fibre): Point[] {
    const n = f.wave ? 9 : 5;
    const phase = f.wave ? this.next() * 6 : 0;
    const points: Point[] = [root];
    let [x, y] = root;
    for (let i = 1; i <= n; i++) {
      const t = i / n;
      const a = f.angle + (f.curl ?? 0) * (t - 0.5 / n);
      x -= (Math.cos(a) * f.length) / n;
      y -= (Math.sin(a) * f.length) / n;
      const swing = f.wave ? f.wave * t * Math.sin(phase + t * 7) : 0;
      points.push([x + Math.sin(a) * swing, y - Math.cos(a) * swing]);
    }
    return points;
  }
}
