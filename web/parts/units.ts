import { useStorage } from "@vueuse/core";
import { inSystem, lengthFigure as figureIn, sayMm, type LengthSystem } from "@kasten/core/units";

/** Millimetres or inches, as this device's reader wants them; everything is computed and kept in millimetres. */
export const units = useStorage<LengthSystem>("kasten.units", "mm");

/** A length in the reader's unit, without the unit's word. */
export const lengthFigure = (mm: number, digits = 1): string => figureIn(mm, units.value, digits);

/** A length in the reader's unit. */
export const length = (mm: number, digits = 1): string => sayMm(mm, units.value, digits);

/** Quantities in a text, in the units of the reader. */
export const inReadersUnits = (words: string): string => inSystem(words, units.value);
