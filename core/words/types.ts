import type { MaterialForm } from "../materials";
import type { RecipeStep, Role } from "../recipe";

/** What a line is about, as far as it is known before it is read. */
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
  /** Words that no clause took, for the reader of whole lines to look up as a material. */
  rest: string[];
}
