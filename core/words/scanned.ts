import type { Material } from "../materials";
import { CabinetIndex } from "./cabinet";
import type { LineHead } from "./head";
import { copyOf, scan } from "./scan";
import type { ScanContext, Told } from "./told";

/** Lines that are remembered for a cabinet. */
const MOST_SCANNED = 4000;

const indexes = new WeakMap<ReadonlyMap<string, Material>, CabinetIndex>();
/** The index of a cabinet; made once. */
export function indexOf(materials: ReadonlyMap<string, Material>): CabinetIndex {
  const known = indexes.get(materials);
  if (known) return known;
  const index = new CabinetIndex(materials.values());
  indexes.set(materials, index);
  return index;
}

const scannedWith = new WeakMap<CabinetIndex, Map<string, Told[]>>();
/** A line is scanned once for as long as its words and what its part is of are the same: typing changes one line. */
export function scanned(text: string, { begin, role, part }: LineHead, context: ScanContext): Told[] {
  const known = scannedWith.get(context.index) ?? new Map<string, Told[]>();
  scannedWith.set(context.index, known);
  const form = context.formOf(role, undefined) ?? "";
  const rib = context.formOf("rib", undefined) ?? "";
  const key = `${begin}|${role ?? ""}|${part ?? ""}|${form}|${rib}|${text}`;
  const told = known.get(key) ?? scan(text, begin, text.length, { role, part }, context);
  // What was asked for last is forgotten last.
  known.delete(key);
  known.set(key, told);
  for (const [oldest] of known) {
    if (known.size <= MOST_SCANNED) break;
    known.delete(oldest);
  }
  return told.map(copyOf);
}
