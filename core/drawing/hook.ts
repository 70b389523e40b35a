import type { HookGeometry } from "../hooks";
import type { Shape } from "./shapes";

/** The line of the wire: straight along the shank, then round the bend. Eye towards +x, y downwards. */
export class HookLine {
  readonly radius: number;

  constructor(readonly hook: HookGeometry) {
    this.radius = hook.gape / 2;
  }

  /** Centre of the wire at x mm behind the eye, and the outward normal there. */
  at(x: number): { point: [number, number]; normal: [number, number] } {
    const { shank } = this.hook;
    if (x <= shank) return { point: [-x, 0], normal: [0, -1] };
    const angle = (x - shank) / this.radius;
    return {
      point: [-shank - this.radius * Math.sin(angle), this.radius * (1 - Math.cos(angle))],
      normal: [-Math.sin(angle), -Math.cos(angle)],
    };
  }

  /** A place `off` mm outward from the wire's centre (negative: inward, below). */
  offset(x: number, off: number): [number, number] {
    const { point, normal } = this.at(x);
    return [point[0] + normal[0] * off, point[1] + normal[1] * off];
  }
}

const STEEL = "#5d666b";

/** Eye ring, shank, bend, spear, point and barb, at the true wire width. */
export function hookShapes(line: HookLine): Shape[] {
  const { hook, radius } = line;
  const base = { layer: "hook" as const, role: "hook" as const, colour: STEEL };
  const wire: [number, number][] = [[0, 0]];
  for (let i = 0; i <= 32; i++) wire.push(line.at(hook.shank + (Math.PI * radius * i) / 32).point);
  const tip: [number, number] = [-hook.point, hook.gape * 0.96];
  wire.push([-hook.barb, hook.gape * 0.985]);
  const ring = ringPoints(hook.eye / 2 - hook.wire * 0.2, [hook.eye / 2, hook.eye * 0.16]);
  const shapes: Shape[] = [
    { ...base, kind: "stroke", points: ring, width: hook.wire * 0.8 },
    { ...base, kind: "stroke", points: wire, width: hook.wire },
    { ...base, kind: "area", points: [[-hook.barb, hook.gape * 0.985 - hook.wire / 2], tip, [-hook.barb, hook.gape * 0.985 + hook.wire / 2]] },
  ];
  if (!hook.barbless)
    shapes.push({
      ...base,
      kind: "area",
      points: [[-hook.barb + hook.wire * 0.4, hook.gape * 0.97 - hook.wire / 2], [-hook.barb - hook.wire * 0.9, hook.gape * 0.97 - hook.wire * 1.3], [-hook.barb - hook.wire * 0.6, hook.gape * 0.97 - hook.wire / 2]],
    });
  return shapes;
}

function ringPoints(radius: number, [cx, cy]: [number, number]): [number, number][] {
  const points: [number, number][] = [];
  for (let i = 0; i <= 20; i++) points.push([cx + radius * Math.cos((i * Math.PI) / 10), cy + radius * 0.8 * Math.sin((i * Math.PI) / 10)]);
  return points;
}
