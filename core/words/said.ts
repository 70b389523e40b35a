import type { Place } from "../hooks";
import type { LengthRule, RecipeStep, RecipeStepBase } from "../recipe";
import type { WindRule } from "../tying";
import { readLength, readNumber, readPlace } from "./text";

export type Kind = RecipeStep["do"];
export type StepOf<K extends Kind> = Extract<RecipeStep, { do: K }>;
type Own<K extends Kind> = Omit<StepOf<K>, keyof RecipeStepBase | "do">;

/** A step as far as it has been said: whatever the words of any kind of step can set. */
export type Said = Partial<
  Own<"seat"> & Own<"wind"> & Own<"lay"> & Own<"dress"> & Own<"glue"> & Own<"act"> & Own<"whip">
> &
  Pick<RecipeStepBase, "tiedIn" | "spread" | "methods"> & {
    tieIn?: Partial<NonNullable<RecipeStepBase["tieIn"]>>;
    /** Wraps that were said without a tie-in. */
    wraps?: number;
    /** Turn on turn: the zone is then one spot. */
    stacked?: boolean;
  };

/** One thing that can be said of a step: how it is recognised, and what it sets. */
export interface Clause {
  pattern: RegExp;
  /** Sets what was said; false when the words fit but the value cannot be. */
  set: (said: Said, groups: (string | undefined)[]) => boolean;
  /** What it would look like, for the question when nothing was understood. */
  example: string;
}

export const clause = (source: string, example: string, set: Clause["set"]): Clause => ({
  pattern: new RegExp(source, "iy"),
  example,
  set,
});

/** Sets some of it to fixed values. */
export const put =
  (more: Said) =>
  (said: Said): true => {
    Object.assign(said, more);
    return true;
  };

/** Sets it to what `value` gives; false where it gives nothing. */
export function putIf(said: Said, more: Said | undefined): boolean {
  if (more) Object.assign(said, more);
  return more !== undefined;
}

/** The number that a group reads as, at least `least`. */
export function numberIn(text: string | undefined, least = 0): number | undefined {
  const n = text === undefined ? undefined : readNumber(text);
  return n === undefined || n < least ? undefined : n;
}

/** A whole number of at least one. */
export function wholeIn(text: string | undefined): number | undefined {
  const n = numberIn(text, 1);
  return Number.isInteger(n) ? n : undefined;
}

export const lengthIn = (text: string | undefined): LengthRule | undefined =>
  text === undefined ? undefined : readLength(text);

export const placeIn = (text: string | undefined): Place | undefined =>
  text === undefined ? undefined : readPlace(text);

/** A zone between two places, as both are said. */
export function zoneIn(a: string | undefined, b: string | undefined): { from: Place; to: Place } | undefined {
  const [from, to] = [placeIn(a), placeIn(b)];
  return from && to && { from, to };
}

/** The word among these that a group is; capitals and wide spaces do not count. */
export const wordIn = <T extends string>(words: readonly T[], text: string | undefined): T | undefined => {
  const plain = text?.toLowerCase().replace(/\s+/g, " ").trim();
  return words.find((w) => w.toLowerCase() === plain);
};

/** Two lengths; in “1.2 to 1.7 gape” the first number borrows the measure of the second. */
export function pairIn(a: string | undefined, b: string | undefined): [LengthRule, LengthRule] | undefined {
  const second = lengthIn(b);
  if (!second || a === undefined) return undefined;
  const first = readLength(a) ?? withFigure(second, readNumber(a));
  return first && [first, second];
}

function withFigure(rule: LengthRule, n: number | undefined): LengthRule | undefined {
  if (n === undefined || "reach" in rule) return undefined;
  return "of" in rule ? { of: rule.of, times: n } : { mm: n };
}

/** Adds to how it is wound. */
export function putRule(said: Said, more: WindRule): true {
  said.rule = { ...said.rule, ...more };
  return true;
}

/** Answers a question about the way. */
export function putWay(said: Said, question: string, school: string): true {
  said.methods = { ...said.methods, [question]: school };
  return true;
}

/** A range of two numbers, the smaller first. */
export function rangeIn(a: string | undefined, b: string | undefined): [number, number] | undefined {
  const [low, high] = [numberIn(a), numberIn(b)];
  return low === undefined || high === undefined || !(low > 0) || high < low ? undefined : [low, high];
}
