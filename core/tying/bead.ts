import type { Coded } from "../errors";
import { sizeNumber, type HookGeometry, type HookSize } from "../hooks";
import { roundHalfUp } from "../numeric";
import { BORE_CLEARANCE, beadPasses } from "./seat";

/** Beads as sold, nominal: diameter, bore, length in mm, and the hooks that they usually go on. */
export const beadRows: readonly {
  diameter: number;
  bore: number;
  length: number;
  largestHook: string;
  smallestHook: string;
}[] = [
  { diameter: 1.5, bore: 0.55, length: 1.3, largestHook: "20", smallestHook: "22" },
  { diameter: 2.0, bore: 0.7, length: 1.7, largestHook: "18", smallestHook: "20" },
  { diameter: 2.5, bore: 0.85, length: 2.1, largestHook: "14", smallestHook: "18" },
  { diameter: 2.8, bore: 0.95, length: 2.4, largestHook: "14", smallestHook: "16" },
  { diameter: 3.0, bore: 1.0, length: 2.6, largestHook: "12", smallestHook: "14" },
  { diameter: 3.3, bore: 1.1, length: 2.8, largestHook: "10", smallestHook: "14" },
  { diameter: 4.0, bore: 1.3, length: 3.4, largestHook: "8", smallestHook: "12" },
  { diameter: 4.6, bore: 1.5, length: 3.9, largestHook: "6", smallestHook: "10" },
  { diameter: 5.5, bore: 1.8, length: 4.7, largestHook: "2", smallestHook: "8" },
];

const withinHooks = (row: { largestHook: string; smallestHook: string }, size: string): boolean => {
  const n = sizeNumber(size);
  return n >= sizeNumber(row.largestHook) && n <= sizeNumber(row.smallestHook);
};

/** Bead diameters that usually go on a hook size, smallest first. */
export const beadsFor = (size: string): number[] => beadRows.filter((r) => withinHooks(r, size)).map((r) => r.diameter);

/** Why a bead does not go on a hook; lengths in mm. */
export interface BeadFaultDetails {
  BORE_TOO_NARROW: { boreMm: number; wireMm: number; neededMm: number };
  /** Made for other hooks; `instead` are the diameters that go on this one. */
  BEAD_FOR_OTHER_HOOKS: { diameterMm: number; size: HookSize; from: HookSize; to: HookSize; instead: number[] };
}
export type BeadFault = Coded<BeadFaultDetails>;

/**
 * What is wrong with a bead on a hook: a bore that does not pass the wire and barb, or a size that it is not made for.
 * @param bead diameter and, where it was measured, bore in mm; an unknown bore is taken from the nominal row
 * @returns empty when it fits
 */
export function beadFaults(bead: { diameter: number; bore?: number }, hook: HookGeometry): BeadFault[] {
  const row = beadRows.reduce((best, r) =>
    Math.abs(r.diameter - bead.diameter) < Math.abs(best.diameter - bead.diameter) ? r : best,
  );
  const bore = bead.bore ?? row.bore;
  const faults: BeadFault[] = [];
  if (!beadPasses(bore, hook.wire))
    faults.push({
      code: "BORE_TOO_NARROW",
      details: { boreMm: bore, wireMm: hook.wire, neededMm: BORE_CLEARANCE * hook.wire },
    });
  if (!withinHooks(row, hook.size))
    faults.push({
      code: "BEAD_FOR_OTHER_HOOKS",
      details: {
        diameterMm: bead.diameter,
        size: hook.size,
        from: row.largestHook,
        to: row.smallestHook,
        instead: beadsFor(hook.size),
      },
    });
  return faults;
}

export interface BeadExchange {
  /** mg that the new bead lacks (positive) or has too much. */
  difference: number;
  massPerTurn: number;
  turnsExact: number;
  /** Whole turns to add, or to leave off when negative. */
  turns: number;
  fits: boolean;
  /** Turns that can be added or, negative, left off. */
  turnsThatFit: number;
  /** mg still missing when they do not all fit. */
  missing: number;
}

/**
 * Turns of weight wire that make up for another bead.
 *
 * @param massOld @param massNew of the beads in mg
 * @param wire diameter in mm and density in mg/mm³
 * @param behindMm D just behind the new bead
 * @param roomMm of shank left for turns with the new bead's length, its cavity included
 * @param turnsThere turns that are on the fly already and could be left off
 *
 * Source: N = Δm / (ρ·π/4·d²·π·(D + d)) (docs/arithmetic.md, Weight).
 */
export function exchangeBead(g: {
  massOld: number;
  massNew: number;
  wire: { diameter: number; density: number };
  behindMm: number;
  roomMm: number;
  turnsThere?: number;
}): BeadExchange {
  const difference = g.massOld - g.massNew;
  const massPerTurn = g.wire.density * (Math.PI / 4) * g.wire.diameter ** 2 * Math.PI * (g.behindMm + g.wire.diameter);
  const turnsExact = difference / massPerTurn;
  const turns = roundHalfUp(turnsExact) + 0;
  const mostAdded = Math.max(0, Math.floor(g.roomMm / g.wire.diameter + 1e-9));
  const mostLeftOff = g.turnsThere ?? 0;
  const turnsThatFit = Math.max(-mostLeftOff, Math.min(mostAdded, turns));
  const fits = turnsThatFit === turns;
  return {
    difference,
    massPerTurn,
    turnsExact,
    turns,
    fits,
    turnsThatFit,
    missing: fits ? 0 : difference - turnsThatFit * massPerTurn,
  };
}
