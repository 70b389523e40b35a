import { widthOfGauge } from "./gauge";
import type { Material, MaterialForm } from "./material";
import { nominalFigures, unitOf } from "./nominal";
import type { StrandSize } from "../tying";

/** The gauge on its label; until somebody has measured, the width that it stands for comes with it. */
export function withGauge(material: Material, gauge: string | undefined): Material {
  const width = gauge === undefined || material.measured ? undefined : widthOfGauge(gauge, material.form);
  if (width === undefined || !material.strand) return { ...material, gauge };
  const { strand } = material;
  return {
    ...material,
    gauge,
    strand: {
      ...strand,
      width,
      ...(strand.section === "round" && { thickness: width }),
      ...(material.form === "chenille" && chenilleOf(strand, width / strand.width)),
    },
  };
}

/** Wider chenille is as much thicker, its core a little, and its mass as the square. */
const chenilleOf = (strand: StrandSize, by: number): Partial<StrandSize> => ({
  thickness: strand.thickness * by ** 1.4,
  ...(strand.core !== undefined && { core: strand.core * by ** 0.63 }),
  ...(strand.lineDensity !== undefined && { lineDensity: strand.lineDensity * by ** 2 }),
});

/**
 * Chenille of which the pile is so wide: twice its own pile and the core make that.
 * @param mm across the pile, above 0
 */
export function chenilleAcross(material: Material, mm: number): Material {
  const { strand } = material;
  if (!strand || !(mm > 0)) return material;
  const across = (by: number): number => {
    const { thickness = strand.thickness, core = 0 } = chenilleOf(strand, by);
    return 2 * thickness + core;
  };
  // It grows with every step: halve what it may be between until it is found.
  let [low, high] = [0, 1 + mm / strand.thickness];
  for (let n = 0; n < HALVINGS; n++) {
    const by = (low + high) / 2;
    if (across(by) < mm) low = by;
    else high = by;
  }
  return { ...material, strand: { ...strand, width: strand.width * high, ...chenilleOf(strand, high) } };
}
const HALVINGS = 40;

/** A new material of a form, with its nominal figures. */
export const newMaterial = (code: string, name: string, form: MaterialForm): Material => ({
  code,
  name,
  form,
  unit: unitOf(form),
  measured: false,
  lead: false,
  ...nominalFigures(form),
});

/** A code from a name: its form's first letters and the words' first letters, as drawers are labelled. */
export function codeFor(name: string, form: MaterialForm, taken: (code: string) => boolean): string {
  const letters = (text: string, n: number) =>
    text
      .normalize("NFKD")
      .replace(/[^A-Za-z0-9 ]/g, "")
      .toUpperCase()
      .split(" ")
      .filter(Boolean)
      .map((w) => w.slice(0, n))
      .join("");
  const base = `${letters(form, 2).slice(0, 2)}-${letters(name, 3).slice(0, 12) || "NEW"}`;
  for (let n = 1; ; n++) {
    const code = n === 1 ? base : `${base}-${n}`;
    if (!taken(code)) return code;
  }
}
