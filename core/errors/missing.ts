import type { Coded } from "./coded";

type Nothing = Record<never, never>;

/** What a recipe can lack, or say against itself. `name` is a step's; roles are those of the recipe. */
export interface MissingDetails {
  HOOK_NOT_NAMED: Nothing;
  /** It is named, and nobody here knows it. */
  HOOK_NOT_KNOWN: { hook: string };
  SIZES_NOT_STATED: Nothing;
  THREAD_NOT_NAMED: Nothing;
  MATERIAL_NOT_KNOWN: { role: string; asStated?: string };
  FINISH_NOT_STATED: Nothing;
  NO_VARIANT: Nothing;
  MINUTES_NOT_STATED: Nothing;
  PART_DOUBTED: { role: string; doubt: string };
  STEP_DOUBTED: { name: string; doubt: string };
  QUERY_OPEN: { about: string; question: string };
  SHOWING_VERSION: Nothing;
  EARLIER_STEP_LOST: { name: string };
  STEPS_IN_CIRCLE: { names: string[] };
  STEP_TOO_EARLY: { first: string; then: string; because: PrecedenceReason };
  STEP_ID_TWICE: { id: string };
  NO_STEPS: Nothing;
  STEPS_TOO_MANY: { steps: number; most: number };
  NO_KNOT: Nothing;
  COMPONENT_NOT_THERE: { name: string; component: string };
  COMPONENT_NOT_SAID: { name: string };
  FULLNESS_NOT_SAID: { name: string };
  WINDING_NOT_SAID: { name: string };
  FINISH_NOT_THERE: { component: string };
  PART_NOT_USED: { role: string };
  PART_LEFT_WAITING: { role: string };
}
export type Missing = Coded<MissingDetails>;

/** Why one step comes before another. */
export interface PrecedenceReasonDetails {
  BEAD_ON_BARE_HOOK: Nothing;
  THREAD_NOT_ON_YET: Nothing;
  BOUND_IN_THERE: Nothing;
  CARRIES_BUNDLE_ON: Nothing;
  BRUSHED_AFTER_RIB: Nothing;
  COVERED_THERE: Nothing;
  NOTHING_AFTER_KNOT: Nothing;
  /** The pattern says so, in its own words where it gave any. */
  PATTERN_SAYS: { because?: string };
}
export type PrecedenceReason = Coded<PrecedenceReasonDetails>;
