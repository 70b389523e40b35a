import type { HookSize, Place } from "../hooks";
import type { WindRule } from "../tying";

export const roles = [
  "hook", "bead", "weight", "thread", "tag", "tail", "butt", "rib", "body", "thorax", "hackle", "collar", "throat", "wing", "underwing",
  "wing case", "legs", "eyes", "cheeks", "topping", "flash", "head", "finish",
] as const;
export type Role = (typeof roles)[number];

/** A length as it is said: in mm, or as so many times a measure of the hook or of a part already planned. */
export type LengthRule = { mm: number } | { of: "shank" | "gape" | "eye" | "hook" | "body" | "tail" | "wing"; times: number };

/** A choice that may differ by hook size; the first entry whose span holds the size counts. */
export interface BySize<T> {
  /** Both ends included; absent for every size. */
  sizes?: { from: HookSize; to: HookSize };
  value: T;
}

export interface Component {
  id: string;
  role: Role;
  /** Material code, by hook size where it changes. Empty while nobody has said: then the pattern is incomplete. */
  material: BySize<string>[];
  optional?: boolean;
  /** What the recipe's giver said, in their own words; never converted. */
  asStated?: string;
  /** Other materials that do the same, best first. */
  alternates?: string[];
  /** A part that can be bought ready, or made here from the component's material. */
  bought?: { material: string; perFly: number };
  /** Minutes to make what one fly needs, when made here. */
  makeMinutes?: number;
}

/** How much of a fibrous material is laid: by number, by a span of stem, or as a clump squeezed to a diameter. */
export type LayAmount =
  | { fibres: number }
  | { spanMm: number }
  | { clump: LengthRule }
  | { slipWidth: LengthRule }
  | { strands: number; folded: boolean }
  | { pieces: number };

export type TakeRule =
  | { from: "spool"; trimMm: number }
  | { from: "pieces"; pieceMm: number; gripMm: number; trimMm: number }
  | { from: "feather" };

/** Where a laid part points, for drawing and for the bench: back past the bend, forward, down, up or to both sides. */
export type Attitude = "back" | "forward" | "down" | "up" | "sides" | "over";

interface RecipeStepBase {
  id: string;
  name: string;
  component?: string;
  tieIn?: { at: Place; wraps?: number };
  /** Other skills than tying itself. */
  skills?: string[];
  caution?: string;
  /** The earlier step in which this material was bound in and left hanging. */
  tiedIn?: string;
  instruction?: string;
}

export type RecipeStep = RecipeStepBase &
  (
    | { do: "seat"; from: Place; count?: number }
    | {
        do: "wind";
        from: Place;
        to?: Place;
        rule: WindRule;
        passes?: number;
        stretch?: number;
        rope?: number;
        laid?: { from: Place; to: Place };
        take?: TakeRule;
        /** Barb length that a wound hackle should have: from, to. */
        barb?: [LengthRule, LengthRule];
        /** Against the winding of the body, as a guard. */
        counter?: boolean;
      }
    | { do: "lay"; from: Place; to: Place; amount: LayAmount; shown?: LengthRule; attitude?: Attitude; countedWhenWound?: boolean; /** Left hanging for a later step that pulls it over. */ hanging?: boolean }
    | { do: "dress"; from: Place; to: Place; fullness?: [LengthRule, LengthRule]; noodle?: LengthRule; loopMm?: number }
    | { do: "thread" }
    | { do: "whip"; from: Place; to: Place; turns: number }
  );

/** The finish has three values: given, none on purpose, or nobody has said. */
export type Finish = { state: "given"; component: string; coats: number; dryMinutes: number } | { state: "none" } | { state: "not stated" };

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
  omit: string[];
  swaps?: Record<string, BySize<string>[]>;
}

export interface Recipe {
  hookModel: string;
  /** The shank may be this many steps longer or shorter when the named hook is not to be had. */
  shankTolerance?: number;
  sizes: { from: HookSize; to: HookSize };
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
}

/** Which fly of the pattern: its size, colour variant and weight form. */
export interface FlyChoice {
  size: HookSize;
  variant: string;
  form: string;
  /** Components for which the bought part is used. */
  buy?: string[];
}
