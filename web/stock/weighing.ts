import { weighLine, weighPacket, weighPieces, weighThread, weighWire, type SampleAdvice } from "@kasten/core/stock";
import { basePerCore, type StockUnit } from "@kasten/core/units";
import type { Material } from "@kasten/core/materials";

/** What is weighed of a lot: with its dish or spool, and for pieces a sample that was counted by hand. */
export interface OnScale {
  grossMg: number;
  tareMg: number;
  readabilityMg: number;
  sampleCount?: number;
  sampleMg?: number;
}

/** A count by weight, in base units, with its ±. */
export interface ByWeight {
  counted: number;
  plusMinus: number;
  advice?: SampleAdvice;
}

/** How a material can be weighed: pieces by a sample, lengths by what a length weighs, packets by their grams. */
export type Way = "pieces" | "length" | "grams";

/** @returns undefined where it cannot be weighed: what a mm of it weighs is not known, or it is a liquid */
export function wayToWeigh(material: Pick<Material, "unit" | "thread" | "strand">): Way | undefined {
  if (material.unit === "count") return "pieces";
  if (material.unit === "ug") return "grams";
  if (material.unit === "um" && (material.thread || massPerMm(material.strand) !== undefined)) return "length";
  return undefined;
}

/** mg a mm of a strand that is no thread. */
function massPerMm(strand: Material["strand"]): number | undefined {
  if (!strand) return undefined;
  if (strand.lineDensity !== undefined) return strand.lineDensity;
  if (strand.density === undefined) return undefined;
  const { section, width, thickness } = strand;
  return strand.density * (section === "flat" ? width * thickness : (Math.PI / 4) * width * thickness);
}

/**
 * A lot by its weight.
 * @throws DomainError FIGURE_OUT_OF_BOUNDS for what cannot be weighed so
 */
export function byWeight(material: Pick<Material, "unit" | "thread" | "strand">, o: OnScale): ByWeight | undefined {
  const way = wayToWeigh(material);
  if (way === "pieces") {
    if (o.sampleCount === undefined || o.sampleMg === undefined) return undefined;
    const w = weighPieces({ ...o, sampleCount: o.sampleCount, sampleMg: o.sampleMg });
    return { counted: w.shown, plusMinus: w.plusMinus, ...(w.advice && { advice: w.advice }) };
  }
  if (way === "grams") return inBase(weighPacket(o), "ug");
  if (way !== "length") return undefined;
  const { thread, strand } = material;
  if (thread) return inBase(weighThread({ ...o, denier: thread.denier }), "um");
  if (strand?.section === "round" && strand.density !== undefined)
    return inBase(weighWire({ ...o, density: strand.density, diameterMm: strand.width }), "um");
  const lineDensity = massPerMm(strand);
  return lineDensity === undefined ? undefined : inBase(weighLine({ ...o, lineDensity }), "um");
}

const inBase = (w: { amount: number; plusMinus: number }, unit: StockUnit): ByWeight => ({
  counted: Math.round(w.amount * basePerCore[unit]),
  plusMinus: Math.round(w.plusMinus * basePerCore[unit]),
});
