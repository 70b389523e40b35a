import type { Attitude, Stance } from "../recipe";

/** Where a laid part leaves the shank, and what it leaves it from. */
export interface Root {
  x: number;
  /** Radius of the fly there. */
  half: number;
  shown: number;
  attitude: Attitude;
  stance?: Stance;
  /** What lies along the fly lies along its underside. */
  isBelow?: boolean;
  /** How far the wire has turned where it leaves it, round a bend. */
  turned?: number;
}

/** Middle of a part's direction: 0 back along the shank, a quarter turn up. */
const middles: Record<Attitude, number> = {
  back: 0.1,
  over: 0.2,
  up: 1.25,
  down: -0.7,
  forward: Math.PI - 0.75,
  sides: -0.6,
};

/** What a stance does to the side view: how far a wing over the back is lifted, and how much wider it opens. */
const stances: Record<Stance | "none", { lift: number; open: number }> = {
  none: { lift: 0, open: 1 },
  V: { lift: 0.32, open: 1.3 },
  U: { lift: 0.2, open: 1.1 },
  tent: { lift: -0.1, open: 0.9 },
  flat: { lift: -0.19, open: 0.6 },
  splayed: { lift: 0.08, open: 2.4 },
  "full round": { lift: 0, open: 3.2 },
};

/** Which way a part points, in radians: back along the shank 0, up a quarter turn; round a bend it follows the wire. */
export function directionOf({ attitude, stance = undefined, turned = 0, isBelow = false }: Root): number {
  const follows = attitude === "back" ? Math.min(0.5, turned) * 0.6 : 0;
  const lifted = middles[attitude] + (attitude === "over" ? stances[stance ?? "none"].lift : 0);
  return (isBelow ? -lifted : lifted) - follows;
}

/** How much wider than usual a part opens. */
export const openingOf = ({ stance }: Root): number => stances[stance ?? "none"].open;
