/**
 * Numbers, lengths and places as tiers say them, read from a text piece by piece. Hand-typed, so forgiving; said back
 * in one form.
 */
import { LENGTH_UNIT, mmOf } from "../units";
import type { Place } from "../hooks";
import { measures, type LengthRule } from "../recipe";

const counting: Record<string, number> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
  half: 0.5,
  quarter: 0.25,
  third: 1 / 3,
  "½": 0.5,
  "¼": 0.25,
  "¾": 0.75,
  "⅓": 1 / 3,
  "⅔": 2 / 3,
};
const spelled = Object.keys(counting)
  .filter((w) => /^[a-z]{2,}$/.test(w) && w !== "an")
  .sort((a, b) => b.length - a.length)
  .join("|");

/** A number as it is typed: 10, 1.5, 1,5, 2½, 1/2, half, six, two and a half. */
export const NUMBER = `(?:\\d+\\s*/\\s*\\d+|[-−]?\\d+(?:[.,]\\d+)?(?:\\s*[½¼¾⅓⅔])?|[½¼¾⅓⅔]|an?\\s+(?:half|third|quarter)|(?:${spelled})(?:\\s+and\\s+a\\s+half)?(?:\\s+an?\\b)?|an?\\b)`;

/** @returns the number, or undefined when it cannot be read */
export function readNumber(text: string): number | undefined {
  const t = text.trim().toLowerCase();
  const ratio = /^(\d+)\s*\/\s*(\d+)$/.exec(t);
  if (ratio) return Number(ratio[2]) > 0 ? Number(ratio[1]) / Number(ratio[2]) : undefined;
  const mixed = /^(-?\d+(?:[.,]\d+)?)\s*([½¼¾⅓⅔])?$/.exec(t.replace("−", "-"));
  if (mixed) return Number((mixed[1] ?? "").replace(",", ".")) + (mixed[2] ? (counting[mixed[2]] ?? 0) : 0);
  const halved = /^(\w+)\s+and\s+a\s+half$/.exec(t);
  if (halved) {
    const whole = counting[halved[1] ?? ""];
    return whole === undefined ? undefined : whole + 0.5;
  }
  return counting[t.replace(/\s+an?$/, "").replace(/^an?\s+(?=half|third|quarter)/, "")];
}

/** The shortest writing of a number that reads back the same. */
export const sayNumber = (n: number): string => String(Number(n.toPrecision(12)));

const reachWords: Record<string, Extract<LengthRule, { reach: string }>["reach"]> = {
  point: "point",
  barb: "barb",
  bend: "bend",
  "mid-tail": "mid-tail",
  "mid tail": "mid-tail",
  "middle of the tail": "mid-tail",
  "tail tip": "tail",
  "tip of the tail": "tail",
  tail: "tail",
  "wing tip": "wing",
  "tip of the wing": "wing",
  wing: "wing",
};
const REACH = Object.keys(reachWords)
  .sort((a, b) => b.length - a.length)
  .join("|");
const MEASURE = "shanks?|gapes?|eyes?(?:\\s+lengths?)?|hooks?|bod(?:y|ies)|tails?|wings?";

/** A length as it is typed, in one group. */
export const LENGTH = `(?:${NUMBER}\\s*mm\\s+past\\s+(?:the\\s+)?(?:${REACH})|just\\s+past\\s+(?:the\\s+)?(?:${REACH})|(?:as\\s+far\\s+as|level\\s+with|to)\\s+(?:the\\s+)?(?:${REACH})|${NUMBER}\\s*${LENGTH_UNIT}|(?:${NUMBER}\\s*[×x*]?\\s*)?(?:the\\s+|of\\s+the\\s+)?(?:${MEASURE})\\b)`;

const JUST_PAST_MM = 1;

/** @returns the rule, or undefined when it cannot be read. Inches become mm. */
export function readLength(text: string): LengthRule | undefined {
  const t = text.trim().toLowerCase();
  const past = new RegExp(`^(?:(${NUMBER})\\s*mm|just)\\s+past\\s+(?:the\\s+)?(${REACH})$`).exec(t);
  if (past) {
    const mm = past[1] === undefined ? JUST_PAST_MM : readNumber(past[1]);
    const reach = reachWords[past[2] ?? ""];
    return mm === undefined || !reach ? undefined : { reach, pastMm: mm };
  }
  const to = new RegExp(`^(?:as\\s+far\\s+as|level\\s+with|to)\\s+(?:the\\s+)?(${REACH})$`).exec(t);
  if (to) {
    const reach = reachWords[to[1] ?? ""];
    return reach && { reach };
  }
  const absolute = new RegExp(`^(${NUMBER})\\s*(${LENGTH_UNIT})$`).exec(t);
  if (absolute) {
    const n = readNumber(absolute[1] ?? "");
    const mm = n === undefined ? undefined : mmOf(n, absolute[2] ?? "");
    return mm === undefined ? undefined : { mm };
  }
  const times = new RegExp(`^(?:(${NUMBER})\\s*[×x*]?\\s*)?(?:the\\s+|of\\s+the\\s+)?(${MEASURE})$`).exec(t);
  if (!times) return undefined;
  const n = times[1] === undefined ? 1 : readNumber(times[1]);
  const of = measureNamed(times[2] ?? "");
  return n === undefined || !of ? undefined : { of, times: n };
}

function measureNamed(word: string): (typeof measures)[number] | undefined {
  const one = word.startsWith("bod") ? "body" : word.replace(/\s+lengths?$/, "").replace(/s$/, "");
  return measures.find((m) => m === one);
}

export function sayLength(rule: LengthRule): string {
  if ("mm" in rule) return `${sayNumber(rule.mm)} mm`;
  if ("of" in rule) return `${sayNumber(rule.times)} ${rule.of}`;
  const reach = {
    point: "point",
    barb: "barb",
    bend: "bend",
    "mid-tail": "mid-tail",
    tail: "tail tip",
    wing: "wing tip",
  }[rule.reach];
  return rule.pastMm === undefined ? `to the ${reach}` : `${sayNumber(rule.pastMm)} mm past the ${reach}`;
}

/** A place on the shank as it is typed, in one group. */
export const PLACE = `(?:(?:the\\s+)?(?:into\\s+the\\s+bend|between\\s+the\\s+bends|mid-?\\s?shank|middle|point|barb|bend|eye(?!s|\\s+length)|behind\\s+the\\s+bead)|${NUMBER}\\s*eyes?(?:\\s+lengths?)?(?:\\s+behind\\s+the\\s+(?:eye|bead))?|${NUMBER}\\s*(?:of\\s+(?:the\\s+)?)?(?:the\\s+)?shank|\\d+\\s*%)`;

const namedPlaces: Record<string, Place> = {
  "into the bend": { landmark: "intoBend" },
  "between the bends": { landmark: "betweenBends" },
  point: { landmark: "point" },
  barb: { landmark: "barb" },
  bend: { landmark: "bend" },
  eye: { landmark: "eye" },
  "behind the bead": { landmark: "eye" },
  "mid-shank": { fraction: 0.5 },
  "mid shank": { fraction: 0.5 },
  midshank: { fraction: 0.5 },
  middle: { fraction: 0.5 },
};

export function readPlace(text: string): Place | undefined {
  const t = text
    .trim()
    .toLowerCase()
    .replace(/^the\s+/, "")
    .replace(/\s+/g, " ");
  const named = namedPlaces[t];
  if (named) return named;
  const percent = /^(\d+)\s*%$/.exec(t);
  if (percent) return { fraction: Number(percent[1]) / 100 };
  const eyes = new RegExp(`^(${NUMBER})\\s*eyes?(?: lengths?)?(?: behind the (?:eye|bead))?$`).exec(t);
  if (eyes) {
    const n = readNumber(eyes[1] ?? "");
    return n === undefined ? undefined : { eyeLengths: n };
  }
  const shank = new RegExp(`^(${NUMBER})\\s*(?:of (?:the )?)?(?:the )?shank$`).exec(t);
  const n = shank ? readNumber(shank[1] ?? "") : undefined;
  return n === undefined ? undefined : { fraction: n };
}

export function sayPlace(place: Place): string {
  if ("eyeLengths" in place) return `${sayNumber(place.eyeLengths)} eyes`;
  if ("fraction" in place) return place.fraction === 0.5 ? "mid-shank" : `${sayNumber(place.fraction)} shank`;
  return place.landmark === "intoBend"
    ? "into the bend"
    : place.landmark === "betweenBends"
      ? "between the bends"
      : place.landmark;
}
