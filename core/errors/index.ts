import type { Missing } from "./missing";

/**
 * What can go wrong in the core, as data. Codes are permanent: never renamed, never reused.
 * The words that a person reads are made in the room `sentences`, from the code and its details.
 */
export interface ErrorDetails {
  HOOK_SIZE_UNREADABLE: { text: string };
  HOOK_SIZE_NOT_MADE: { hook: string; size: string; sizes: string[] };
  HOOK_SIZE_TOO_FAR: { size: string; quantity: string; measure: string[] };
  ZONE_OVER_EYE: { fromMm: number };
  ZONE_BEYOND_PROFILE: { toMm: number; endMm: number };
  ZONE_EMPTY: { fromMm: number; toMm: number };
  ZONE_UNDER_BEAD: { fromMm: number; toMm: number; beadMm: number };
  SPOT_UNDER_BEAD: { atMm: number; beadMm: number };
  SPOT_OFF_PROFILE: { atMm: number; endMm: number };
  TOO_MANY_TURNS: { turns: number; cover: number };
  WIND_RULE_INVALID: { given: string[] };
  STRETCH_INVALID: { stretch: number };
  PIECE_TOO_SHORT: { pieceMm: number; neededMm: number };
  FEATHER_TOO_SHORT: { usableMm: number; neededMm: number };
  PATCH_TOO_SMALL: { patchMm2: number; neededMm2: number };
  FIBRES_TOO_FEW: { perFeather: number; perFly: number };
  TOO_MANY_STEPS: { steps: number; most: number };
  STEP_NEEDS: { step: string; missing: string };
  LENGTH_RULE_UNRESOLVED: { part: string };
  LENGTH_LEAVES_NOTHING: { against: string; mm: number };
  PATTERN_INCOMPLETE: { missing: Missing[] };
  PATTERN_SIZE_OUTSIDE: { size: string; from: string; to: string };
  PATTERN_VARIANT_UNKNOWN: { variant: string; known: string[] };
  MATERIAL_UNKNOWN: { material: string | undefined; component: string };
  PROBABILITY_INVALID: { name: string; value: number };
  TOO_LITTLE_KNOWN: { owed: number };
  QUANTITY_INVALID: { name: string; value: number };
  /** Two of a kind with one id, where each must be named once. */
  NAMED_TWICE: { what: string; id: string };
  /** A solver answered something else than what it was asked to solve. */
  SOLVER_FAILED: { what: string; status: string };
  SCHEDULE_INVALID: { reason: string };
  REHEARSAL_INVALID: { reason: string };
  MINUTES_INVALID: { flies: number; minutes: number };
  METHOD_UNKNOWN: { step: string; question: string; school: string; known: string[] };
  BLEND_CYCLE: { blend: string; through: string[] };
  BLEND_EMPTY: { blend: string };
  BLEND_TOO_DEEP: { blend: string; most: number };
  NOT_OPTIONAL: { component: string };
  PLACE_NOT_THERE: { part: string };
  LANDMARK_NOT_THERE: { landmark: string; hook: string };
  FIGURE_OUT_OF_BOUNDS: {
    name: string;
    value: number;
    least?: number;
    most: number;
    whole?: boolean;
    unit?: string;
  };
  SLIP_TOO_WIDE: { widthMm: number; spanMm: number };
  FEATHER_WITHOUT_FIBRES: { material: string };
  /** `overlap` is the share of its width that would use up as much, where touching turns take less. */
  LEFTOVER_IMPOSSIBLE: { usedMm: number; mostMm: number; leastMm: number; overlap?: number };
  /** `boundMm` of the length that it needs is tied down. */
  FIBRE_TOO_SHORT: { part: string; material: string; reachMm: number; neededMm: number; boundMm: number };
  /** More than any fly takes, or nothing at all: a figure is missing or wrong. */
  USE_ABSURD: { part: string; material: string; each: number; of: string; look: string };
  /** `kept` and `needed` say how it is counted: by length, by weight, by the piece. */
  KEPT_OTHERWISE: { part: string; material: string; kept: string; needed: string };
}
export type ErrorCode = keyof ErrorDetails;

export type { Coded, Sentences } from "./coded";
export type { Missing, MissingDetails, PrecedenceReason, PrecedenceReasonDetails } from "./missing";

/** The one error class of the core: a permanent code and the numbers that explain it. */
export class DomainError<C extends ErrorCode = ErrorCode> extends Error {
  override readonly name = "DomainError";
  /** The step of a pattern at which it happened, when it happened at one. */
  step?: { id: string; name: string };
  constructor(
    readonly code: C,
    readonly details: ErrorDetails[C],
    options?: ErrorOptions,
  ) {
    super(`${code} ${JSON.stringify(details)}`, options);
  }
}
