import type { HookSize, HookWanted, Place } from "../hooks";
import type { Dressing } from "./amount";
import type { Component } from "./component";
import type { BySize, SizeSpan } from "./lengths";
import type { RecipeStep } from "./step";

export interface Coat {
  component: string;
  coats: number;
  dryMinutes: number;
}

/**
 * The finish has three values: given, none on purpose, or nobody has said. Coats may follow each other in different
 * products.
 */
export type Finish = ({ state: "given"; then?: Coat[] } & Coat) | { state: "none" } | { state: "not stated" };

/** A price of its own for some sizes, a colour, or both. */
export interface PriceRule {
  sizes?: SizeSpan;
  variant?: string;
  perDozenCents: number;
}

/** Colour variant: a whole set of materials swapped together. */
export interface Variant {
  id: string;
  name: string;
  swaps: Record<string, BySize<string>[]>;
}

/** Weight form: the same pattern with components left out or swapped (weighted, unweighted). */
export interface WeightForm {
  id: string;
  name: string;
  /** A hook of its own, where this form is tied on another. */
  hookModel?: string;
  omit: string[];
  swaps?: Record<string, BySize<string>[]>;
}

export interface Recipe {
  hookModel: string;
  /** What is said of the hook beside its model: where the hook taken is otherwise, it is told. */
  hookWanted?: HookWanted;
  /** The shank may be this many steps longer or shorter when the named hook is not to be had. */
  shankTolerance?: number;
  sizes: SizeSpan;
  components: Component[];
  steps: RecipeStep[];
  variants: Variant[];
  forms: WeightForm[];
  finish: Finish;
  /** Standard minutes a fly, tied one after another. */
  minutesPerFly: number;
  /** Minutes multiply by this when a step is done across the dozen. */
  stepByStepFactor: number;
  skills: string[];
  pricePerDozenCents: number;
  /** Prices of their own for some sizes or colours: the first that fits holds. */
  prices?: PriceRule[];
  /** Patterns from which this one comes, and what it changes. Of one with a version, lines not given were taken. */
  parents?: { pattern: string; changes: string; version?: number; inherited?: string[] }[];
  /** How densely it is dressed; absent for the standard. */
  density?: Dressing;
  /** How it may be dressed as well. */
  densityBand?: Dressing[];
  /** Stretches that stay empty: bare hook, or bare thread, and why. */
  bare?: { from: Place; to: Place; thread?: boolean; why?: string }[];
  /** Most wraps of thread that may come together at one place. */
  mostWraps?: number;
  /** Laid steps from the longest to the shortest, staggered on purpose by at least so much. */
  stagger?: { steps: string[]; leastMm: number };
  /** What must not be: thread colours to avoid, parts never coated, places kept bare. */
  avoid?: string[];
  /** A showing version: it is drawn, but sets no quantities and takes no orders. */
  sample?: boolean;
  /** What disagrees with itself or was given with doubt; it holds the pattern from the bench until answered. */
  queries?: { about: string; question: string }[];
  /**
   * The recipe as it was typed, line by line and for ever, with the steps that each line made and what is still asked
   * about it. Absent where it was never typed as a text.
   */
  told?: ToldLine[];
}

/** One line of a recipe as it was typed. */
export interface ToldLine {
  text: string;
  /** Ids of the steps that it made. */
  steps: string[];
  /** What is still asked about it; it holds the pattern from the bench until answered. */
  asks?: string[];
}

/** Which fly of the pattern: its size, colour variant and weight form. */
export interface FlyChoice {
  size: HookSize;
  variant: string;
  form: string;
  /** Components for which the bought part is used. */
  buy?: string[];
  /** Optional components left out. */
  leave?: string[];
  /** Alternate materials taken, by component. */
  use?: Record<string, string>;
  /** Schools that differ from the pattern's, as "step/question". */
  methods?: Record<string, string>;
  /** How many are tied at once: ways that pay in bulk are then the usual ones. Absent for one fly. */
  flies?: number;
}
