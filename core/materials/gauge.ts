import { mmOf } from "../units";
import type { Material, MaterialForm } from "./material";

/**
 * Gauge words by form and the widths in mm that go with them. Nominal: a maker's own word may mean another width, and
 * the width measured here always wins. docs/arithmetic.md, "Gauges".
 */
const gauges: Partial<Record<MaterialForm, readonly (readonly [word: string, mm: number])[]>> = {
  wire: [
    ["extra fine", 0.07],
    ["fine", 0.09],
    ["small", 0.14],
    ["medium", 0.23],
    ["large", 0.32],
  ],
  "weight wire": [
    ["fine", 0.25],
    ["small", 0.38],
    ["medium", 0.51],
    ["large", 0.64],
    ["extra large", 0.76],
  ],
  tinsel: [
    ["fine", 0.25],
    ["small", 0.38],
    ["medium", 0.75],
    ["large", 1.2],
  ],
  chenille: [
    // As touching turns lie: the pile of neighbours overlaps.
    ["fine", 1.1],
    ["small", 1.5],
    ["medium", 2],
    ["large", 2.8],
  ],
  rubber: [
    ["fine", 0.4],
    ["small", 0.6],
    ["medium", 0.8],
    ["large", 1.2],
  ],
  "stretch body": [
    ["small", 0.7],
    ["medium", 1],
    ["large", 1.6],
  ],
};

/**
 * The gauge of a material as people say it: the word on its label, else the word whose width comes nearest (by ratio).
 * @returns undefined for forms that have no gauge
 */
export function gaugeOf(material: Pick<Material, "form" | "gauge" | "strand">): string | undefined {
  if (material.gauge) return material.gauge;
  const width = material.strand?.width;
  const words = gauges[material.form];
  if (!words || width === undefined) return undefined;
  const off = ([, mm]: readonly [string, number]): number => Math.abs(Math.log(width / mm));
  return words.reduce((best, w) => (off(w) < off(best) ? w : best))[0];
}

/**
 * The width that a gauge stands for: a word for its form, or a number of thousandths of an inch (".020", "0.02 in").
 * @returns mm, or undefined when it says no width
 */
export function widthOfGauge(text: string, form: MaterialForm): number | undefined {
  const word = text.trim().toLowerCase();
  const named = gauges[form]?.find(([w]) => w === word);
  if (named) return named[1];
  // Wire and weight are numbered in thousandths of an inch on the label: .020 is 0.508 mm.
  const inch = /^0?(\.\d{2,3})\s*(?:in|inch|")?$/.exec(word);
  return inch ? mmOf(Number(inch[1]), "in") : undefined;
}

/**
 * How thick nylon line usually is: by what it bears ("5 lb mono"; strength goes by the section) or by its number ("4x
 * tippet": eleven less that, in thousandths of an inch). docs/arithmetic.md, "Gauges".
 * @returns mm, or undefined when it is no line or says neither
 */
export function widthOfLine(text: string): number | undefined {
  if (!/mono|nylon|tippet|fluoro/i.test(text)) return undefined;
  const bears = /(\d+(?:[.,]\d+)?)\s*(?:lbs?|pounds?)\b/i.exec(text)?.[1];
  const pounds = Number(bears?.replace(",", ".") ?? NaN);
  if (!Number.isNaN(pounds)) return Number((LINE_OF_ONE_POUND * Math.sqrt(pounds)).toFixed(2));
  const x = Number(/(?:^|\s)([0-8])x\b/i.exec(text)?.[1] ?? NaN);
  const mm = Number.isNaN(x) ? undefined : mmOf((11 - x) / 1000, "in");
  return mm === undefined ? undefined : Number(mm.toFixed(3));
}
/** What one pound breaks is so many mm thick. */
const LINE_OF_ONE_POUND = 0.09;
