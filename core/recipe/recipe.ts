import type { HookSize, Place } from "../hooks";
import type { MaterialForm } from "../materials";
import type { WindRule } from "../tying";

export const roles = [
  "hook",
  "bead",
  "weight",
  "thread",
  "tag",
  "tail",
  "butt",
  "rib",
  "body",
  "thorax",
  "hackle",
  "collar",
  "throat",
  "wing",
  "underwing",
  "wing case",
  "legs",
  "eyes",
  "cheeks",
  "topping",
  "flash",
  "head",
  "finish",
] as const;
export type Role = (typeof roles)[number];

export const measures = ["shank", "gape", "eye", "hook", "body", "tail", "wing"] as const;
export const reaches = ["point", "barb", "bend", "mid-tail", "tail", "wing"] as const;

/**
 * A length as it is said: in mm, as so many times a measure of the hook or of a part already planned,
 * or as far as a landmark or the tip of another part, `past` it by so many mm.
 */
export type LengthRule =
  | { mm: number }
  | { of: (typeof measures)[number]; times: number }
  | { reach: (typeof reaches)[number]; pastMm?: number };

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

/** A class of material as the specification: any flash, any dubbing in one of the named shades. */
export interface AnyOf {
  form: MaterialForm;
  /** Colour names that will do; absent for any. */
  shades?: string[];
}

/** A material that does the same, with what it changes on the fly. */
export interface Alternate {
  material: string;
  /** Its effect in the words of the room: livelier, weaker, floats less. */
  effect?: string;
  /** Quantities and methods of its own, by step. */
  changes?: Record<string, StepChange>;
  /** How far it may be taken: “inside only”, “not on wets”. */
  limit?: string;
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
  alternates?: Alternate[];
  /** A part that can be bought ready, or made here from the component's material. */
  bought?: { material: string; perFly: number };
  /** Minutes to make what one fly needs, when made here. */
  makeMinutes?: number;
  /** The component whose feather this part is taken from too: their fibres are needed together. */
  sharesWith?: string;
  /** Anything of a class will do; the material named is what it is tied of here. */
  anyOf?: AnyOf;
  /** What this part adds to the price of a dozen; it comes off when the part is left out. */
  priceCents?: number;
  /** Given with doubt: what is not sure. It holds the pattern from the bench until it is confirmed. */
  doubt?: string;
}

export const featherParts = ["tip", "one flank", "centre out"] as const;
/** What of a feather goes on: its tip, the fibres of one side, or the feather with its centre cut out. */
export type FeatherPart = (typeof featherParts)[number];

/** How much of a material is laid: by number, by span of stem, by clump, slip, patch or whole feathers. */
export type LayAmount =
  | { fibres: number }
  | { spanMm: number }
  | { clump: LengthRule }
  | { slipWidth: LengthRule }
  | { strands: number; folded: boolean }
  | { pieces: number }
  /** Whole or half feathers; paired ones come from the left and the right. */
  | { feathers: number; paired?: boolean; part?: FeatherPart }
  /** A patch of hide, in mm². */
  | { patchMm2: number };

export type TakeRule =
  | { from: "spool"; trimMm: number }
  | { from: "pieces"; pieceMm: number; gripMm: number; trimMm: number }
  | { from: "feather" }
  /** As stretch material is measured: the piece begun with, less what is left of it. The stretch follows. */
  | { from: "leftover"; startMm: number; leftMm: number };

/** Where a laid part points, for drawing and for the bench: back past the bend, forward, down, up or to both sides. */
export const attitudes = ["back", "forward", "down", "up", "sides", "over"] as const;
export type Attitude = (typeof attitudes)[number];

/** The set of what leaves the shank, seen from behind: what turns a bundle into a wing. */
export const stances = ["V", "U", "tent", "flat", "splayed", "full round"] as const;
export type Stance = (typeof stances)[number];

/** Where round the shank a part goes. Top is the side that is up in the vise. */
export const sectors = ["top", "underside", "near", "far"] as const;
export type Sector = (typeof sectors)[number];

/** How firmly a part is tied in, with the wraps that are usual for it. */
export const holds = ["loose hold", "lock", "final"] as const;
export type Hold = (typeof holds)[number];

export const dressings = ["slim", "sparse", "standard", "full"] as const;
/** How much goes on: a rating of the whole fly. */
export type Dressing = (typeof dressings)[number];

export const noodleThicknesses = ["sparse", "medium", "full"] as const;
export type NoodleThickness = (typeof noodleThicknesses)[number];

export const dubbedShapes = ["slim", "tapered", "cigar", "ball"] as const;
export type DubbedShape = (typeof dubbedShapes)[number];

/** What a size rule, an alternate or a method may set anew in a step; what is left out stays. */
export interface StepChange {
  amount?: LayAmount;
  shown?: LengthRule;
  rule?: WindRule;
  passes?: number;
  stretch?: number;
  rope?: number;
  fullness?: [LengthRule, LengthRule];
  noodle?: LengthRule;
  thickness?: NoodleThickness;
  methods?: Record<string, string>;
}

export const moments = ["before the cover", "wet", "dry", "after brushing", "finished"] as const;
/** What is looked at on the master fly, when, and how strictly. */
export interface Check {
  feature: string;
  when: (typeof moments)[number];
  /** "strict", "loose", or in words: “± half an eye length”. */
  tolerance?: string;
}

export interface RecipeStepBase {
  id: string;
  name: string;
  component?: string;
  tieIn?: { at: Place; wraps?: number; hold?: Hold };
  /** Other skills than tying itself. */
  skills?: string[];
  tools?: string[];
  caution?: string;
  /** The earlier step in which this material was bound in and left hanging. */
  tiedIn?: string;
  instruction?: string;
  /** The quantity as it was typed, kept beside what was understood. */
  stated?: string;
  /** Fewest and most that will do, where a count was given as a range or hedged; its middle is computed with. */
  spread?: [number, number];
  /**
   * Steps that come before this one; `hard` ones have no remedy later. Bound-in materials and beads need not be named.
   */
  after?: { step: string; hard?: boolean; because?: string }[];
  /** A step before which this one may come just as well: several orders are right. */
  mayPrecede?: string;
  /** Whole numbers that change by size range instead of scaling. */
  bySize?: { sizes: SizeSpan; set: StepChange }[];
  /** School chosen for each question that this step raises. */
  methods?: Record<string, string>;
  /** Why that school; absent where nobody gave a reason. */
  because?: string;
  /**
   * What this step guards against: a counter-wind that locks, a glued base. No substitute may silently take it away.
   */
  guard?: string;
  checks?: Check[];
  /** An untidy result is allowed: this later step covers it. */
  coveredBy?: string;
  /** What is said for this practice and against it, by whom; no verdict. */
  views?: { says: "do" | "avoid"; because: string; by?: string }[];
  /**
   * It assumes that the hook can be turned in the vise; what is done in a fixed one, and the minutes that it takes
   * more.
   */
  rotary?: { fixedWay: string; minutes: number };
  /** Given with doubt: what is not sure. */
  doubt?: string;
}

export const acts = ["brush", "trim", "half hitch", "wax", "turn the hook", "wait"] as const;

export type RecipeStep = RecipeStepBase &
  (
    | {
        do: "seat";
        from: Place;
        count?: number;
        /** Weighted eyes on top turn the fly over: it swims point up. */ lashed?: "on top" | "underneath";
        /** Component of the glue that may fix it, one drop. */ glue?: string;
      }
    | {
        do: "wind";
        from: Place;
        to?: Place;
        rule: WindRule;
        passes?: number;
        stretch?: number;
        rope?: number;
        /** The strands of the rope lie side by side, untwisted. */
        ribbon?: boolean;
        laid?: { from: Place; to: Place };
        take?: TakeRule;
        /** Barb length that a wound hackle should have: from, to. */
        barb?: [LengthRule, LengthRule];
        /** Against the winding of the body, as a guard. */
        counter?: boolean;
        /** The laid bundle that is carried on as this winding: counted once. */
        carries?: string;
        /** Where the barbs of a hackle lie: swept back, square, or forward. */
        sweep?: "back" | "square" | "forward";
        /** Most turns where it is wound until a feather is used up. */
        atMost?: number;
        /** Where the hollow side of the feather looks: one normal form for shiny, good and hollow side. */
        face?: "in" | "out";
        /** Layer on layer until it is as full as this from end to end: a ramp, a gap filled. Thread or floss. */
        fill?: [LengthRule, LengthRule];
        /** Of a tinsel with two good faces, the one that shows. */
        shows?: string;
        /** This winding levels what lies under the body; a laid step whose butts could do it instead. */
        levels?: { butts?: string };
      }
    | {
        do: "lay";
        from: Place;
        to: Place;
        amount: LayAmount;
        shown?: LengthRule;
        attitude?: Attitude;
        /** Where the hollow side of the feather looks. */
        face?: "in" | "out";
        countedWhenWound?: boolean;
        /** Left hanging for a later step that pulls it over. */
        hanging?: boolean;
        /** Taken in so many times the amount that stays, the rest culled. */
        overTake?: number;
        /** Length thrown away where butts are trimmed after tying in. */
        trimMm?: number;
        /** How many parts of it go to each side of the shank; absent where it stays together. */
        round?: Partial<Record<Sector, number>>;
        stance?: Stance;
        /** What sets the stance: figure-of-eight wraps, wraps at the root, a drop of glue. */
        setBy?: string;
      }
    | {
        do: "dress";
        from: Place;
        to: Place;
        fullness?: [LengthRule, LengthRule];
        /** Shape of the dubbed zone; the fullness is then its fullest. */
        shape?: DubbedShape;
        noodle?: LengthRule;
        thickness?: NoodleThickness;
        loopMm?: number;
        /** Layers of fibre laid into the loop. */
        loopLayers?: number;
        /** Fibre that a mm of loop carries in each layer, mg: with it the loop is the quantity. */
        loopLoad?: number;
        /** A trace from the packet that nobody weighs: the material says how many flies a packet makes. */
        trace?: boolean;
        /** Brushed out afterwards: rough is right. */
        brushed?: boolean;
      }
    | { do: "thread" }
    | { do: "glue"; at: Place; drops: number; openMinutes?: number }
    | { do: "act"; act: (typeof acts)[number]; at?: Place; minutes: number; direction?: "back" | "forward" }
    | { do: "whip"; from: Place; to: Place; turns: number }
  );

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
