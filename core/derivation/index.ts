/**
 * The working of a number, as data: what went in, where each input came from, which formula was used,
 * and what it gave. Screens, printed sheets and the API all show this same record.
 */

/** Where an input came from. `k` batches make something learned; a prior is named as such. */
export type Source =
  | { from: "measured"; where: string }
  | { from: "nominal" }
  | { from: "pattern"; where: string }
  | { from: "material"; where: string }
  | { from: "learned"; batches: number }
  | { from: "setting" }
  | { from: "order"; where: string }
  | { from: "computed" };

export type Unit =
  | ""
  | "mm"
  | "mm²"
  | "mm³"
  | "mg"
  | "µl"
  | "min"
  | "flies"
  | "pieces"
  | "fibres"
  | "feathers"
  | "turns"
  | "mg/mm"
  | "mg/mm³"
  | "%";

export interface Term {
  name: string;
  value: number;
  unit: Unit;
  source: Source;
}

export interface Derivation {
  /** Stable name of the formula; the documentation has a heading of the same name. */
  formula: string;
  /** The formula as it would be written on paper. */
  written: string;
  /** The quantity in the words in which it was entered, and the spread that they leave. */
  entered?: string;
  inputs: Term[];
  /** Intermediate values, in the order in which they were reached. */
  through: { name: string; value: number; unit: Unit }[];
  result: { name: string; value: number; unit: Unit };
  /** Workings of inputs that were themselves computed. */
  parts?: Derivation[];
}

export const computed: Source = { from: "computed" };
export const setting: Source = { from: "setting" };

export const term = (name: string, value: number, unit: Unit, source: Source = computed): Term => ({
  name,
  value,
  unit,
  source,
});
