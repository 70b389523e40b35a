import type { Role } from "../patterns";

/** Drawn from back to front. */
export const layers = ["hook", "inside", "tail", "under", "body", "rib", "legs", "wing", "hackle", "hard", "head"] as const;
export type Layer = (typeof layers)[number];

/** A colour, or `undefined` where nobody has said which: shown as a neutral hatch. */
export type Colour = string | undefined;

interface ShapeBase {
  layer: Layer;
  role: Role;
  step?: string;
}

/** Shapes in mm, y downwards, the back of the eye at the origin. */
export type Shape = ShapeBase &
  (
    | { kind: "area"; points: [number, number][]; colour: Colour; shade?: number }
    | { kind: "stroke"; points: [number, number][]; colour: Colour; width: number; shade?: number }
    | { kind: "disc"; at: [number, number]; radius: number; colour: Colour; shade?: number }
  );

/** A length worth knowing, along the shank or from it. */
export interface Measure {
  label: string;
  mm: number;
  from: [number, number];
  to: [number, number];
}

export interface Drawing {
  shapes: Shape[];
  measures: Measure[];
  /** x, y, width, height in mm. */
  box: [number, number, number, number];
}
