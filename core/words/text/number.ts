import { englishOnes, englishTens } from "../../numeric";
import { firstsOf } from "../firsts";
import { beginning, map, match, memo, oneOf, type Reader } from "../parse";
import { remembered } from "../remembered";

const ones: Record<string, number> = { ...englishOnes, single: 1 };
const tens = englishTens;
const shares: Record<string, number> = {
  half: 2,
  halves: 2,
  third: 3,
  thirds: 3,
  quarter: 4,
  quarters: 4,
  fifth: 5,
  fifths: 5,
  sixth: 6,
  sixths: 6,
  eighth: 8,
  eighths: 8,
  tenth: 10,
  tenths: 10,
};
const signs: Record<string, number> = {
  "½": 1 / 2,
  "¼": 1 / 4,
  "¾": 3 / 4,
  "⅓": 1 / 3,
  "⅔": 2 / 3,
  "⅛": 1 / 8,
  "⅜": 3 / 8,
  "⅝": 5 / 8,
  "⅞": 7 / 8,
};

const ONE = Object.keys(ones)
  .sort((a, b) => b.length - a.length)
  .join("|");
const TEN = Object.keys(tens).join("|");
const SHARE = Object.keys(shares)
  .sort((a, b) => b.length - a.length)
  .join("|");
const WORD = `(?:(?:${TEN})(?:[- ](?:one|two|three|four|five|six|seven|eight|nine))?|${ONE}|half\\s+a\\s+dozen|an?\\s+dozen|dozen)`;
/** A number that is written out. */
export const NUMBER_WORD = WORD;
/** A count in figures or in a word, as part of a pattern. */
export const A_COUNT = `(?:\\d+|${NUMBER_WORD})`;
const PART = `(?:(?:an?|one|two|three|four|five|seven)[\\s-]+(?:${SHARE})|half|halfway)`;
const SIGN = "[½¼¾⅓⅔⅛⅜⅝⅞]";

/**
 * A number as it is typed: 10, 1.5, 1,5, .02, 2½, 1 1/2, half, two thirds, six, twenty-four, one and a half, a dozen.
 */
export const NUMBER = `(?:\\d+\\s+(?:and|&)\\s+\\d\\s*/\\s*\\d(?!\\d)|[1-9]\\s+and\\s+an?\\s+(?:${SHARE})|[2-7]\\s+(?:thirds|quarters|fifths|eighths)|an?\\s+couple\\s+of(?=\\s+(?:mm|millimet|eyes?\\b))|\\d+[\\s-]+\\d+\\s*/\\s*\\d+|\\d+\\s*/\\s*\\d+|(?:\\d+(?:[.,]\\d+)?|\\.\\d+)(?:\\s*${SIGN})?|${SIGN}|half\\s+a\\s+dozen|${WORD}[\\s-]+and[\\s-]+(?:an?[\\s-]+(?:${SHARE})|${PART})|${PART}|${WORD}|an?)`;

const mixed = new RegExp(`^(\\d+(?:[.,]\\d+)?|\\.\\d+)?\\s*(${SIGN})?$`);
const ratio = /^(?:(\d+)(?:[\s-]+|\s+(?:and|&)\s+))?(\d+)\s*\/\s*(\d+)$/;
const shared = new RegExp(`^(?:(an?|one|two|three|four|five|seven|[2-7])[\\s-]+)?(${SHARE}|halfway)$`);

/** @returns the number, or undefined when it cannot be read */
export const readNumber: (text: string) => number | undefined = remembered((text) => numberIn(text));
function numberIn(text: string): number | undefined {
  const t = text
    .trim()
    .toLowerCase()
    .replace(/\s+(?:a|an)$/, "");
  const over = ratio.exec(t);
  if (over) return Number(over[3]) > 0 ? Number(over[1] ?? 0) + Number(over[2]) / Number(over[3]) : undefined;
  const figures = mixed.exec(t);
  if (figures && t !== "")
    return Number((figures[1] ?? "0").replace(",", ".")) + (figures[2] ? (signs[figures[2]] ?? 0) : 0);
  const [head, tail] = t.split(/[\s-]+and[\s-]+/, 2);
  if (tail !== undefined) {
    const [a, b] = [readNumber(head ?? ""), readNumber(tail)];
    return a === undefined || b === undefined ? undefined : a + b;
  }
  const part = shared.exec(t);
  if (part) return (ones[part[1] ?? "one"] ?? (Number(part[1]) || 1)) / (shares[part[2] ?? ""] ?? 2);
  if (/^half\s+a\s+dozen$/.test(t)) return 6;
  if (/^(?:an?\s+)?dozen$/.test(t)) return 12;
  if (/^an?$/.test(t)) return 1;
  if (/^an?\s+couple\s+of$/.test(t)) return 2;
  const [ten, one] = t.split(/[\s-]/);
  return tens[ten ?? ""] === undefined ? ones[t] : (tens[ten ?? ""] ?? 0) + (ones[one ?? ""] ?? 0);
}

const joined = /(?:\d+(?:[.,]\d+)?|\.\d+)(?=(?:mm|cm|in|inch|x|mg|den|t)\b)/y;
/** “50mm”: a figure with its unit right behind it. */
const withUnit: Reader<number> = beginning(firstsOf("[\\d.]"), (text, at) => {
  joined.lastIndex = at;
  const m = joined.exec(text);
  return m ? { value: Number(m[0].replace(",", ".")), end: at + m[0].length } : undefined;
});
export const number: Reader<number> = memo(
  oneOf(
    withUnit,
    map(match(`(${NUMBER})`), ([n]) => readNumber(n ?? "")),
  ),
);
