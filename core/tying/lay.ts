import { bounds, guard } from "../units";
import { stationAt, stationsOf, type Profile } from "./profile";
import type { Strand } from "./strand";
import { wind } from "./wind";

/**
 * Bind strands down along [from, to): D becomes √(D² + 4·A/π) for their whole cross-section A in mm².
 * @param profile changed in place
 * @returns the length of each strand that is bound down, in mm
 */
export function lay(profile: Profile, areaTotal: number, from: number, to: number): number {
  const [first, last] = stationsOf(profile, from, to);
  const added = (4 * areaTotal) / Math.PI;
  for (let i = first; i < last; i++) {
    profile.d[i] = Math.sqrt(stationAt(profile.d, i) ** 2 + added);
    profile.body[i] = Math.sqrt(stationAt(profile.body, i) ** 2 + added);
  }
  return to - from;
}

/**
 * Thread that binds a lay down: there and back at a pitch of twice its width, on D after the lay. Adds nothing to D.
 */
export const threadOverLay = (profile: Profile, thread: Strand, from: number, to: number): number =>
  wind(profile, thread, { from, to }, { pitch: 2 * thread.width }, { passes: 2 }).length;

/** Cross-section of a clump of hair squeezed to a diameter q: π/4·q². @throws DomainError FIGURE_OUT_OF_BOUNDS */
export function clumpArea(compressedMm: number): number {
  guard("clump", compressedMm, bounds.clumpMm);
  return (Math.PI / 4) * compressedMm ** 2;
}
