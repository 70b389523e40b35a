import type { MaterialForm } from "../materials";
import type { StepChange } from "./step";
import type { BySize } from "./lengths";

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
  /** Where on the skin it is taken from: “edge”, “lower wing”. Lots that are known to be of elsewhere will not do. */
  area?: string;
  /** The component whose feather this part is taken from too: their fibres are needed together. */
  sharesWith?: string;
  /** Anything of a class will do; the material named is what it is tied of here. */
  anyOf?: AnyOf;
  /** What this part adds to the price of a dozen; it comes off when the part is left out. */
  priceCents?: number;
  /** Given with doubt: what is not sure. It holds the pattern from the bench until it is confirmed. */
  doubt?: string;
}
