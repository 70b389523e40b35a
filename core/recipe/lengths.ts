import type { HookSize } from "../hooks";

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
