import type { Place } from "../hooks";
import type { MaterialForm } from "../materials";
import type { RecipeStep, Role } from "../recipe";

/** What a step is about, as far as it is known before its words are read. */
export interface StepContext {
  /** The step as it was, whose links, cautions and the like are kept. */
  was?: RecipeStep;
  id: string;
  component?: string;
  role?: Role;
  form?: MaterialForm;
  /** The same component was bound in by this earlier step. */
  boundIn?: string;
  /** Family of the hook, for lengths that nobody says. */
  family?: string;
  /** Loose number words of the person who types. */
  numberWords?: Record<string, number>;
  /** Where the thread hangs, in a recipe that tells it. */
  hangs?: Place;
  /** Where what is wound was tied in, in a recipe that tells it. */
  tiedInAt?: Place;
  /** A bead takes the front of the shank. */
  hasBead?: boolean;
  /** Nothing lies in front of the body, in a recipe that is told to its end. */
  isBodyAlone?: boolean;
  /** Where the body ends in front, if that was said: what lies in front of it begins there. */
  bodyEnds?: Place;
  /** A soft feather, of which one fly is tied. */
  isSoft?: boolean;
  /** Width of one strand in mm, for a winding that is centred. */
  widthMm?: number;
}

export interface StepDoubt {
  /** As it was typed. */
  text: string;
  sentence: string;
}

export interface StepReading {
  step?: RecipeStep;
  /** Pieces that were understood, as typed. */
  understood: string[];
  /** What was taken as usual because nobody said it. */
  assumed: string[];
  doubts: StepDoubt[];
  /** Words that no clause took. */
  rest: string[];
}
