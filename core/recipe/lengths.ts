import type { HookSize, Place } from "../hooks";

/**
 * What a length is stated against: measures of the hook, then lengths of parts; of a wound hackle that of its barbs.
 */
export const measures = [
  "shank",
  "gape",
  "eye",
  "hook",
  "body",
  "tail",
  "wing",
  "thorax",
  "hackle",
  "throat",
  "legs",
  "flash",
  "underwing",
] as const;
export type Measure = (typeof measures)[number];
export const reaches = ["point", "barb", "bend", "mid-tail", "tail", "wing"] as const;
export type Reach = (typeof reaches)[number];

/** What is added to a length, or taken off where it is negative. */
export type AddedLength = { mm: number } | { of: Measure; times: number };
/** A length as it is said, with one end. */
export type PlainLength =
  | { mm: number }
  | { of: Measure; times: number; plus?: AddedLength }
  | ({ reach: Reach } & AsFarAs)
  | ({ to: Place } & AsFarAs);
/** How much further than there, or what share of the way there, above 0 and below 1: “half way to the point”. */
type AsFarAs = { pastMm?: number; share?: never } | { pastMm?: never; share: number };

/**
 * A length as it is said: in mm, as so many times a measure of the hook or of a part already planned, `plus` another,
 * as far as a landmark, a place or the tip of another part, `past` it by so many mm or a share of the way there; or
 * anything between two of these.
 */
export type LengthRule = PlainLength | { between: [PlainLength, PlainLength] };

/**
 * The same length so many mm longer, or shorter where they are negative.
 *
 * @returns undefined of a share of a way, and of a length that ends nowhere: nobody says those so
 */
export const furtherBy = (rule: LengthRule, mm: number): LengthRule | undefined =>
  ("reach" in rule || "to" in rule) && rule.share === undefined
    ? { ...rule, pastMm: (rule.pastMm ?? 0) + mm }
    : undefined;

type OfMeasure = Extract<PlainLength, { of: Measure }>;
/** So many times as long, what is added along with it; no figure longer than a person would write. */
export function timesAsMuch({ of, times, plus }: OfMeasure, k: number): OfMeasure {
  const much = (n: number): number => Number((n * k).toPrecision(9));
  if (!plus) return { of, times: much(times) };
  return {
    of,
    times: much(times),
    plus: "mm" in plus ? { mm: much(plus.mm) } : { of: plus.of, times: much(plus.times) },
  };
}

export interface SizeSpan {
  from: HookSize;
  to: HookSize;
}

/** A choice that may differ by hook size; the first entry whose span holds the size counts. */
export interface BySize<T> {
  /** Both ends included; absent for every size. */
  sizes?: SizeSpan;
  value: T;
}
