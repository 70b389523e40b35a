import type { Role } from "../recipe";

/** Drawn from back to front. */
export const layers = [
  "far",
  "hook",
  "inside",
  "tail",
  "under",
  "body",
  "rib",
  "legs",
  "wing",
  "hackle",
  "hard",
  "head",
] as const;
export type Layer = (typeof layers)[number];

/** A colour, or `undefined` where nobody has said which: shown as a neutral hatch. */
export type Colour = string | undefined;
export type Point = [number, number];

interface ShapeBase {
  layer: Layer;
  role: Role;
  step?: string;
  colour: Colour;
  /** Lighter (towards 1) or darker (towards −1) than its colour. */
  shade?: number;
}

/**
 * Shapes in mm, y downwards, the back of the eye at the origin. `smooth` areas have no corners; `edged` ones an
 * outline.
 */
export type Shape = ShapeBase &
  (
    | { kind: "area"; points: Point[]; edged?: boolean }
    | { kind: "stroke"; points: Point[]; width: number }
    | { kind: "disc"; at: Point; radius: number }
  );

/** A length worth knowing, along the shank or from it. */
export interface Measure {
  label: string;
  mm: number;
  from: Point;
  to: Point;
}

export interface Drawing {
  shapes: Shape[];
  /** In the tier's order of working. */
  measures: Measure[];
  /** Landmarks of the hook, as horizontal places. */
  landmarks: { name: string; mm: number; at: Point }[];
  /** x, y, width, height in mm. */
  box: [number, number, number, number];
}
