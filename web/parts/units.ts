import { useStorage } from "@vueuse/core";

/** Millimetres or inches, as this device's reader wants them; everything is computed and kept in millimetres. */
export const units = useStorage<"mm" | "in">("kasten.units", "mm");
const MM_PER_INCH = 25.4;

/** A length by the one rule of its unit: a tenth of a millimetre, a hundredth of an inch. */
export const lengthFigure = (mm: number, digits = 1): string =>
  units.value === "mm" ? mm.toFixed(digits) : (mm / MM_PER_INCH).toFixed(digits + 1);
/** How a metric unit in a text is said to a reader of inches: its word, how many of it make one, and its decimals. */
const imperial: Record<string, { word: string; per: number; digits: number }> = {
  mm: { word: "in", per: MM_PER_INCH, digits: 2 },
  m: { word: "ft", per: 0.3048, digits: 1 },
  g: { word: "oz", per: 28.349523, digits: 3 },
};

/** Quantities in a text, in the units of the reader: “cut 24 lengths of 60 mm” becomes “… of 2.36 in”. Milligrams stay. */
export function inReadersUnits(words: string): string {
  if (units.value === "mm") return words;
  return words.replace(
    /(\d[\d.]*)((?:\s*(?:–|to)\s*)(\d[\d.]*))?\s*(mm|m|g)(?![\w²³/])/g,
    (whole, a: string, range: string | undefined, b: string | undefined, unit: string) => {
      const to = imperial[unit];
      if (!to) return whole;
      const say = (n: string): string => (Number(n) / to.per).toFixed(to.digits);
      return `${say(a)}${range && b ? range.replace(b, say(b)) : ""} ${to.word}`;
    },
  );
}

export const length = (mm: number, digits = 1): string => `${lengthFigure(mm, digits)} ${units.value}`;
