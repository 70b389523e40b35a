import { guard } from "../units";
import { nominalRows } from "./nominal";
import { formatSize, type HookSize } from "./size";

/** Barbs of a stiff dry collar, in gapes, unless a pattern says otherwise. */
const COLLAR_GAPES = [1.5, 2] as const;
const SLACK = 1e-9;

/**
 * The hooks for which barbs of a class make a stiff dry collar: those of which 1.5 to 2 gapes hold the middle of the
 * class, ends included. A skin is sorted into bins by it.
 *
 * @param barbMm the class, mm, the shorter end first
 * @returns sizes of the nominal table, the smallest hook first; none where the barbs are too short or too long for all
 * @throws DomainError FIGURE_OUT_OF_BOUNDS
 * @example collarSizes([5.5, 6.5]) // ["18", "16"]: 6 mm are 2 gapes of an 18 and 1.7 of a 16
 */
export function collarSizes([from, to]: readonly [number, number]): HookSize[] {
  guard("the shorter end of a class", from, { least: 0, most: 1000, unit: "mm" });
  guard("the longer end of a class", to, { least: from, most: 1000, unit: "mm" });
  const middle = (from + to) / 2;
  return nominalRows
    .filter(([, , gape]) => middle + SLACK >= COLLAR_GAPES[0] * gape && middle - SLACK <= COLLAR_GAPES[1] * gape)
    .map(([n]) => n)
    .sort((a, b) => b - a)
    .map(formatSize);
}
