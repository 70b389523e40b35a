import { z } from "zod";

/** A thousand kilometres of thread, a tonne of fur: counts beyond that are typing slips. */
const MOST_COUNTED = 1_000_000_000_000;

/** Pieces, µm, µg or nl; rounded to whole ones, and no more than a room can hold. */
export const baseUnits = z
  .number()
  .min(0, "Not less than nothing")
  .max(MOST_COUNTED, "More than any room holds")
  .transform(Math.round);
/** Flies that what is left may still tie, by what lots of its kind have tied; null where none tells yet. */
export const fliesLeftSchema = z
  .object({ likely: z.number(), low: z.number(), high: z.number(), lots: z.number().int() })
  .nullable();
export const moreThanNothing = baseUnits.refine((q) => q > 0, "More than nothing");

export const drawerCode = z
  .string()
  .trim()
  .max(20, "At most 20 characters")
  .regex(/^[\p{L}\d][\p{L}\d-]{0,19}$/u, "Letters, digits and hyphens, at most 20, such as A12");
