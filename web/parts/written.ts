import { basePerCore, type StockUnit } from "@kasten/core/units";

/** People write pieces, metres, grams and millilitres; kept are pieces, µm, µg and nL. */
const perWritten: Record<StockUnit, number> = { count: 1, um: 1_000_000, ug: 1_000_000, nl: 1_000_000 };
export const writtenUnit = { count: "pieces", um: "metres", ug: "grams", nl: "millilitres" } as const;
export const writtenSign = { count: "", um: "m", ug: "g", nl: "ml" } as const;

/** What a person wrote, in whole base units. */
export const baseOf = (written: number, unit: StockUnit): number => Math.round(written * perWritten[unit]);
/** A quantity as a person would write it, to a thousandth. */
export const writtenOf = (base: number, unit: StockUnit): number => Number((base / perWritten[unit]).toFixed(3));
/** A computed use, in base units: pieces are begun whole. */
export const computedBase = (amount: number, unit: StockUnit): number =>
  unit === "count" ? Math.ceil(amount - 1e-9) : amount * basePerCore[unit];
