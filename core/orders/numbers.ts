import { englishOnes, englishTens } from "../numeric";
import { remembered } from "./remembered";

/** Numbers that are written out, in English and German. */
const written: Record<string, number> = {
  a: 1,
  an: 1,
  ...englishOnes,
  ...englishTens,
  ein: 1,
  eine: 1,
  einen: 1,
  eins: 1,
  zwei: 2,
  drei: 3,
  vier: 4,
  fünf: 5,
  fuenf: 5,
  sechs: 6,
  sieben: 7,
  acht: 8,
  neun: 9,
  zehn: 10,
  elf: 11,
  zwölf: 12,
  zwoelf: 12,
  fünfzehn: 15,
  zwanzig: 20,
  anderthalb: 1.5,
  eineinhalb: 1.5,
  zweieinhalb: 2.5,
  dreieinhalb: 3.5,
};
const signs: Record<string, number> = { "½": 0.5, "¼": 0.25, "¾": 0.75 };
const tens = Object.keys(englishTens).join("|");
const ones = Object.keys(englishOnes).join("|");
/** “forty-eight” */
const composed = new RegExp(`^(${tens})[- ](${ones})$`);
const longestFirst = Object.keys(written).sort((a, b) => b.length - a.length);

/** A number as it may stand in a text: digits, fractions, "1 1/2", "2½", or a word. */
export const NUMBER = String.raw`(?:-?\d+\s+\d\/\d|-?\d+\s?[½¼¾]|[½¼¾]|\d\/\d|-?\d[\d.,]*\d|-?\d|(?<!\p{L})(?:${tens})-(?:${ones})(?!\p{L})|(?<!\p{L})(?:${longestFirst.join("|")})(?!\p{L}))`;

const THOUSANDS = /[.,](?=\d{3}(?!\d))/g;

/**
 * What a number is worth. A comma or a point before three digits sets thousands apart, any other is the decimal one.
 * @returns undefined for what is no number, such as a fraction of nothing
 */
export const numberOf = remembered((text): number | undefined => {
  const clean = text.trim().toLowerCase();
  const word = written[clean];
  if (word !== undefined) return word;
  const [, ten = "", one = ""] = composed.exec(clean) ?? [];
  if (ten !== "") return (written[ten] ?? NaN) + (written[one] ?? NaN);
  const fraction = /^(?:(-?\d+)\s+)?(\d)\/(\d)$/.exec(clean);
  if (fraction) {
    const of = Number(fraction[3]);
    return of === 0 ? undefined : Number(fraction[1] ?? 0) + Number(fraction[2]) / of;
  }
  const sign = /^(-?\d+)?\s?([½¼¾])$/.exec(clean);
  if (sign) return Number(sign[1] ?? 0) + (signs[sign[2] ?? ""] ?? 0);
  const n = Number(clean.replace(THOUSANDS, "").replace(",", "."));
  return Number.isFinite(n) ? n : undefined;
});
