import { bounds, guard } from "../units";
import { stationAt, stationsOf, type Profile } from "./profile";

/** A hard part on the shank: bead, cone, bead-chain or dumbbell eyes. mm; mass in mg. */
export interface Part {
  diameter: number;
  length: number;
  mass: number;
}

/** Seat a part over [from, from + length): D becomes the larger of D and its diameter. */
export function seat(profile: Profile, part: Pick<Part, "diameter" | "length">, from: number): void {
  guard("diameter of the part", part.diameter, bounds.partDiameterMm);
  guard("length of the part", part.length, bounds.partLengthMm);
  const [first, last] = stationsOf(profile, from, from + part.length);
  for (let i = first; i < last; i++) profile.d[i] = Math.max(stationAt(profile.d, i), part.diameter);
}

/** Share of a sphere that is metal once bore and countersink are taken off. */
const BEAD_SOLID = 0.8;

/** Mass of a round bead in mg: ρ·π/6·B³·0.80. */
export const beadMass = (diameterMm: number, density: number): number =>
  density * (Math.PI / 6) * diameterMm ** 3 * BEAD_SOLID;

/** Clearance that a bore needs over the wire to pass the bend. */
export const BORE_CLEARANCE = 1.25;

/** Whether a bead passes the wire of a hook. */
export const beadPasses = (boreMm: number, wireMm: number): boolean => boreMm >= BORE_CLEARANCE * wireMm - 1e-9;
