import { useStorage } from "@vueuse/core";

/** Millimetres or inches, as this device's reader wants them; everything is computed and kept in millimetres. */
export const units = useStorage<"mm" | "in">("kasten.units", "mm");
const MM_PER_INCH = 25.4;

/** A length by the one rule of its unit: a tenth of a millimetre, a hundredth of an inch. */
export const lengthFigure = (mm: number, digits = 1): string => (units.value === "mm" ? mm.toFixed(digits) : (mm / MM_PER_INCH).toFixed(digits + 1));
export const length = (mm: number, digits = 1): string => `${lengthFigure(mm, digits)} ${units.value}`;
