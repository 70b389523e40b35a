import type { MaterialForm } from "../materials";
import type { Check, Recipe, RecipeStep, Role } from "../recipe";

/**
 * Where good tiers differ: the questions, the schools that answer each, and what a school costs.
 * No school is marked right. Figures are the room's nominal ones until its own log says otherwise.
 */
export interface School {
  id: string;
  words: string;
  /** Minutes a fly more (or fewer) than the pattern's own. */
  minutes?: number;
  tools?: string[];
  /** What is looked at where it is tied so. */
  checks?: Check[];
  /** From so many flies on this is the usual way; below, the other. */
  fromFlies?: number;
}

export interface StepFacts {
  step: RecipeStep;
  role?: Role;
  form?: MaterialForm;
  recipe: Recipe;
}

export interface Question {
  id: string;
  asks: string;
  /** What the answer changes. */
  changes: "quantities" | "order" | "direction" | "look";
  /** Whether a step raises the question. */
  raisedBy: (f: StepFacts) => boolean;
  schools: (f: StepFacts) => School[];
  /** The school of a step that names none: what its quantities already say. */
  usual: (f: StepFacts) => string;
}

/** Schools that are the same on every step. */
export const fixed =
  (...schools: School[]) =>
  () =>
    schools;
