import type { Material } from "../materials";
import { CabinetIndex } from "./cabinet";
import type { LineHead } from "./head";
import { joined } from "./joined";
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

/** What a line says, clause by clause, and when those that belong together are one; made when it is asked for. */
interface Scanned {
  told: readonly Told[];
  joined?: readonly Told[];
}

const scannedWith = new WeakMap<CabinetIndex, Map<string, Scanned>>();
/** A line is scanned once for as long as its words and what its part is of are the same: typing changes one line. */
function scannedOnce(text: string, heads: readonly LineHead[], context: ScanContext): Scanned {
  const known = scannedWith.get(context.index) ?? new Map<string, Scanned>();
  scannedWith.set(context.index, known);
  const rib = context.formOf("rib", undefined) ?? "";
  const of = ({ begin, role, part }: LineHead): string =>
    `${begin}|${role ?? ""}|${part ?? ""}|${context.formOf(role, undefined) ?? ""}|`;
  const key = `${heads.map(of).join("")}${rib}|${text}`;
  const once = known.get(key) ?? {
    told: heads.flatMap(({ begin, role, part }) => scan(text, begin, text.length, { role, part }, context)),
  };
  // What was asked for last is forgotten last.
  known.delete(key);
  known.set(key, once);
  for (const [oldest] of known) {
    if (known.size <= MOST_SCANNED) break;
    known.delete(oldest);
  }
  return once;
}

/** The clauses of a line; they are the reader's own, who adds to them. */
export const scanned = (text: string, heads: readonly LineHead[], context: ScanContext): Told[] =>
  scannedOnce(text, heads, context).told.map(copyOf);

/** The clauses of a line, those that belong together as one. */
export function scannedAndJoined(text: string, heads: readonly LineHead[], context: ScanContext): Told[] {
  const once = scannedOnce(text, heads, context);
  once.joined ??= joined(once.told.map(copyOf), text);
  return once.joined.map(copyOf);
}
