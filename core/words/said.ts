import type { Place } from "../hooks";
import type { LengthRule, RecipeStep, RecipeStepBase, SizeSpan } from "../recipe";
import type { WindRule } from "../tying";
import type { Firsts } from "./firsts";
import type { Reader } from "./parse";
import type { Count } from "./text/count";

export type Kind = RecipeStep["do"];
export type StepOf<K extends Kind> = Extract<RecipeStep, { do: K }>;
type Own<K extends Kind> = Omit<StepOf<K>, keyof RecipeStepBase | "do">;

/** A count that holds for some sizes only: “4 on 14s”. */
export interface OnSizes {
  sizes: Partial<SizeSpan>;
  count: number;
  /** What is counted, where it is said: fibres, turns. */
  noun?: string;
}

/** What a material is of at some hook sizes: “3 mm on 8s and 10s”; without words, as it was described. */
export interface SizedStuff {
  words?: string;
  sizes: Partial<SizeSpan>;
}

/** A step as far as it has been said: whatever the words of any kind of step can set. */
export type Said = Partial<
  Own<"seat"> & Own<"wind"> & Own<"lay"> & Own<"dress"> & Own<"glue"> & Own<"act"> & Own<"whip">
> &
  Pick<RecipeStepBase, "tiedIn" | "spread" | "methods" | "mayPrecede"> & {
    tieIn?: Partial<NonNullable<RecipeStepBase["tieIn"]>>;
    /** Wraps that were said without a tie-in. */
    wraps?: number;
    /** Turn on turn: the zone is then one spot. */
    stacked?: boolean;
    /** A place that was said without “from” or “to”. */
    there?: Place;
    /** Where it begins, where only that was said. */
    begin?: Place;
    /** Where it ends, where only that was said. */
    end?: Place;
    /** Of thread: wound back as far as there, once it has reached its end. */
    backTo?: Place;
    /** A number of things before the material that they are made of. */
    count?: number;
    /** Folded, before it is told how many strands of it there are. */
    folded?: boolean;
    /** As much as another part has of it: what that is called. */
    amountOf?: string;
    /** So many in all, and so many on each side, which cannot both be. */
    disagree?: { all: number; each: number };
    /** So wide is the strip of it that is taken. */
    stripMm?: number;
    /** So many mm longer than what it lies on, or shorter. */
    plusMm?: number;
    /** As much or as thick as something else that was tied in, so many times: what that is called. */
    muchLike?: { of: string; times: number; by: "amount" | "thickness" };
    /** As thick as the bunch before it, so many times. */
    thickLike?: number;
    /** So many bunches or clumps, of each of which the amount is said. */
    bunches?: number;
    /** The fibres are those of each of several that are counted later. */
    isOfEach?: boolean;
    /** So many mm of it: how thick a bunch of hair is, how long all else. */
    ofMm?: number;
    /** The count is of one side. */
    perSide?: boolean;
    /** It was counted by the side, and is that of both by now. */
    isOfBothSides?: boolean;
    /** The part on either side of which it lies; a length that is told of it is measured by that. */
    besideOf?: "tail" | "wing";
    /** Its end was said as a share of the shank, and not from which end: “to two thirds”. */
    endShare?: boolean;
    /** As far as the body before it leaves room: “rest black floss”. */
    rest?: boolean;
    /** Where on the skin it is taken from. */
    area?: string;
    /** It may be left out. */
    optional?: boolean;
    onSizes?: OnSizes[];
    /** Lengths that hold for some sizes: “half the shank (a third on 14s)”. */
    onLengths?: { sizes: Partial<SizeSpan>; rule: LengthRule }[];
    /** How thick a bunch, or how wide a slip, is on some sizes. */
    onThick?: { sizes: Partial<SizeSpan>; mm: number }[];
    /** Sizes of the material that are taken on some hooks. */
    stuffOn?: SizedStuff[];
    /** Forward or back, where only the direction was said. */
    way?: "back" | "forward";
    /** Length of the piece that is taken, in mm. */
    pieceMm?: number;
    /** A palmer: over the body. */
    palmered?: boolean;
    /** A loop instead of the thread itself. */
    loop?: boolean;
    coats?: number;
    /** How long a coat dries. */
    dryMinutes?: number;
    /** A size that was said without a word for what it measures. */
    size?: [LengthRule, LengthRule];
    /** It was called a noodle: a bare length behind it is its own. */
    isNoodle?: boolean;
    /** The size was called a width: of a collar how far it goes, of a body how thick it is. */
    isWide?: boolean;
    /** The size is how far along the shank it goes. */
    isLong?: boolean;
    /** A length that was said before another one: how thick a bunch of hair is. */
    thick?: LengthRule;
    /** It is cut as slips, of which the width is a figure of its own. */
    isSlips?: boolean;
    /** What is wound over, where that is named by its material: “over the floss”. */
    over?: string;
    /** The thread is the body as well. */
    isBodyToo?: boolean;
    /** So many turns on either side of a part. */
    around?: { behind: number; front: number; part: Place };
    /** So many times as long as what was laid before. */
    sameLength?: number;
    /** Of a weight: pushed up, against the bead where there is one. */
    pushedForward?: boolean;
    /** Its tips lie level with those of what was laid before. */
    sameTips?: boolean;
    /** As long as another part, which is named by its material; so many times. */
    like?: string;
    likeTimes?: number;
    /** So many mm longer than that, or shorter. */
    likePlusMm?: number;
    /** Tied in by its middle: each strand gives two ends. */
    byMiddle?: boolean;
    /** “5 of them”: turns, or what comes in pieces. */
    ofThem?: Count;
    /** As many turns as what was wound before it. */
    sameTurns?: true | "rib";
    /** Of a hackle: for a hook so many sizes larger, or smaller where it is negative. */
    barbSteps?: number;
    /** Of dubbing: in so many turns, which say how far it goes where only the place is said at which it lies. */
    dubbedTurns?: number;
    /** So many times as full as the body. */
    ofBody?: number;
    /** So many times as full as the bead is thick. */
    asBead?: number;
    /** Only in front it is as thick as the bead: it tapers to there. */
    tapersToBead?: boolean;
    /** Of feathers or their tips, without how many: there are several. */
    isSeveral?: true;
    /** Slid over the shank, or laid along it, and bound where it ends: it is not wound. */
    liesAlong?: true;
    /** The wraps are those of every tie-in. */
    everyTieIn?: boolean;
    /** The knot is left bare on purpose. */
    bare?: boolean;
    times?: number;
    /** Before which part it may come just as well. */
    orBefore?: string;
  };

/** One thing that can be said of a step: how it is recognised, and what it sets. */
export interface Clause {
  /** With what its words can begin, where that is known. */
  firsts?: Firsts;
  /** What it would look like, for the question when nothing was understood. */
  example: string;
  /** Reads it at a place and sets what was said; where it ends, or undefined when it is something else. */
  take: (said: Said, text: string, at: number) => number | undefined;
}

/** @param set sets what was said; false when the words fit but the value cannot be */
export function clause<T>(example: string, read: Reader<T>, set: (said: Said, value: T) => boolean | void): Clause {
  // Clauses are chosen by what they begin with.
  const { tried = read } = read;
  return {
    example,
    firsts: read.firsts,
    take: (said, text, at) => {
      const found = tried(text, at);
      return found && set(said, found.value) !== false ? found.end : undefined;
    },
  };
}

/** Sets some of it to fixed values. */
export const put =
  (more: Said) =>
  (said: Said): void =>
    void Object.assign(said, more);

/** Adds to how it is wound. */
export const putRule = (said: Said, more: WindRule): void => void (said.rule = { ...said.rule, ...more });

/** Answers a question about the way. */
export const putWay = (said: Said, question: string, school: string): void =>
  void (said.methods = { ...said.methods, [question]: school });

/** A count of whole things, with its range; false where it is no whole number. */
export function wholeOf(count: Count): { n: number; spread?: [number, number] } | undefined {
  const n = count.spread ? Math.round(count.n) : count.n;
  if (!Number.isInteger(n) || n < 1) return undefined;
  if (count.spread && !count.spread.every(Number.isInteger)) return undefined;
  return { n, spread: count.spread };
}

export const samePair = (rule: LengthRule): [LengthRule, LengthRule] => [rule, rule];

/** A bunch of hair is at most so thick when squeezed, in mm; no wing and no tail is so short. */
const THICKEST_BUNCH_MM = 5;
/** Whether a length said of a bunch can only be how thick it is. */
export const isThickness = (rule: LengthRule | undefined): boolean =>
  rule !== undefined && "mm" in rule && rule.mm <= THICKEST_BUNCH_MM;
