import type { Place } from "../hooks";
import type { WindRule } from "../tying";
import type { Attitude, DubbedShape, Hold, LayAmount, NoodleThickness, Sector, Stance, TakeRule } from "./amount";
import type { LengthRule, SizeSpan } from "./lengths";

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

/** What is done that adds no material. Its component, where it has one, is the part that it is done to. */
export const acts = [
  "brush",
  "pick out",
  "trim",
  "thin out",
  "half hitch",
  "wax",
  "turn the hook",
  "wait",
  "move the thread",
  "twist",
  "flatten",
  "burnish",
  "singe",
  "cure",
  "press",
  "stroke",
  "wet",
] as const;
export type Act = (typeof acts)[number];

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
        /** Against the winding of what lies beneath, as a guard; a body against the usual way. */
        counter?: boolean;
        /** Clockwise, seen from the eye, or from above round a post: the one normal form, where the way was said. */
        clockwise?: boolean;
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
        /** Round the base of an upright wing, the post, instead of the shank: each turn under the one before. */
        roundPost?: boolean;
        /** Weight that is pushed up into the bead's cavity. */
        intoBead?: boolean;
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
        /** Of a part taken over from its tie-in: what stays free beyond where it is held. */
        free?: LengthRule;
        /** Of an elastic part taken over: how many times its length at rest it is drawn out. */
        stretch?: number;
      }
    | {
        do: "dress";
        from: Place;
        to: Place;
        fullness?: [LengthRule, LengthRule];
        /** Shape of the dubbed zone; the fullness is then its fullest. */
        shape?: DubbedShape;
        noodle?: LengthRule;
        /** A tapered noodle: how thick it is at its two ends, a to b, from the end named first. */
        taper?: [number, number];
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
    | {
        do: "glue";
        at: Place;
        drops: number;
        openMinutes?: number;
        /** Brushed along a stretch in so many coats, instead of dropped at a place. */
        along?: { from: Place; to: Place; coats: number };
      }
    | {
        do: "act";
        act: Act;
        at?: Place;
        minutes: number;
        direction?: "back" | "forward";
        /** Of what is trimmed: the length that stays. */
        leave?: LengthRule;
      }
    | {
        do: "whip";
        from: Place;
        to: Place;
        turns: number;
        /** The knot is made so many times over. */
        times?: number;
      }
  );
