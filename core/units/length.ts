/** An inch in millimetres, by definition. */
export const MM_PER_INCH = 25.4;

const inches = /^(?:inch(?:es)?|in|["”])$/i;
const centimetres = /^(?:cms?|centimet(?:re|er)s?)$/;
const millimetres = /^(?:mms?|millimet(?:re|er)s?|mil(?:l)?s)$/;
/** mm in one of a metric unit; undefined where it is none. */
const metric = (unit: string): number | undefined =>
  millimetres.test(unit) ? 1 : centimetres.test(unit) ? 10 : unit === "m" ? 1000 : undefined;

/** The words and signs of a unit of length, for a pattern that reads one. */
export const LENGTH_UNIT =
  '(?:mms?|mill?s|millimet(?:re|er)s?|cms?|centimet(?:re|er)s?|inch(?:es)?|in\\b(?!\\s+(?:front|total|all\\b|touching|turns))|")';

/**
 * A length with its unit in millimetres.
 * @returns undefined for a unit that is none
 */
export function mmOf(value: number, unit: string): number | undefined {
  const word = unit.trim().toLowerCase();
  const factor = inches.test(word) ? MM_PER_INCH : metric(word);
  return factor === undefined ? undefined : value * factor;
}

export type LengthSystem = "mm" | "in";

/** A length in the reader's unit, without the unit's word: a tenth of a millimetre, a hundredth of an inch. */
export const lengthFigure = (mm: number, system: LengthSystem, digits = 1): string =>
  system === "mm" ? mm.toFixed(digits) : (mm / MM_PER_INCH).toFixed(digits + 1);

/** A length in the reader's unit. */
export const sayMm = (mm: number, system: LengthSystem = "mm", digits = 1): string =>
  `${lengthFigure(mm, system, digits)} ${system}`;

/** How a metric unit in a text is said to a reader of inches: its word, how many of it make one, and its decimals. */
const imperial: Record<string, { word: string; per: number; digits: number }> = {
  mm: { word: "in", per: MM_PER_INCH, digits: 2 },
  m: { word: "ft", per: 0.3048, digits: 1 },
  g: { word: "oz", per: 28.349523, digits: 3 },
};

/**
 * Quantities in a text, in the units of the reader: “cut 24 lengths of 60 mm” becomes “… of 2.36 in”. Milligrams stay.
 */
export function inSystem(words: string, system: LengthSystem): string {
  if (system === "mm") return words;
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
